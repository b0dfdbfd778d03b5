<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/**
 * Path data as SVG writes it, read into runs of curves.
 *
 * Scalable Vector Graphics 2, W3C, section 9.3 (grammar) and appendix B.2 (arcs from end points to centres).
 */
final class PathText
{
    /** Commands and numbers of one path. */
    public const MOST_NODES = 20_000;

    /** Sheet units that a coordinate may lie from the origin. */
    public const FARTHEST = 1e7;

    private const NUMBER = '/\G[\s,]*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)/A';

    private const FLAG = '/\G[\s,]*([01])/A';

    /** How many numbers each command takes; flags of arcs are the fourth and fifth. */
    private const TAKES = ['M' => 2, 'L' => 2, 'H' => 1, 'V' => 1, 'C' => 6, 'S' => 4, 'Q' => 4, 'T' => 2, 'A' => 7, 'Z' => 0];

    /** @var list<array{list<Curve>, bool}> */
    private array $runs = [];

    /** @var list<Curve> */
    private array $curves = [];

    private Vec $here;

    private Vec $begun;

    /** The handle that a smooth curve mirrors, and the command that left it. */
    private ?Vec $handle = null;

    private string $before = '';

    private int $nodes = 0;

    private function __construct()
    {
        $this->here = $this->begun = Vec::zero();
    }

    /**
     * @return array{list<array{list<Curve>, bool}>, string|null} runs, and whether each is closed; and what is wrong, where it goes only so
     *   far
     */
    public static function read(string $text): array
    {
        $reader = new self;
        try {
            $reader->commands($text);
            $fault = null;
        } catch (PathFault $wrong) {
            $fault = $wrong->getMessage();
        }
        $reader->end(false);

        return [$reader->runs, $fault];
    }

    /**
     * Path data of runs, each as it was read.
     *
     * @param  list<array{list<Curve>, bool}>  $runs
     */
    public static function written(array $runs): string
    {
        $text = '';
        $place = static fn (Vec $at): string => self::number($at->x).' '.self::number($at->y);
        foreach ($runs as [$curves, $closed]) {
            $text .= $curves === [] ? '' : 'M'.$place($curves[0]->start());
            foreach ($curves as $curve) {
                foreach ($curve instanceof Arc && abs($curve->sweep()) > 1.9 * M_PI ? $curve->split(0.5) : [$curve] as $piece) {
                    $text .= match (true) {
                        $piece instanceof Cubic => 'C'.
                            $place($piece->leaving).
                            ' '.
                            $place($piece->arriving).
                            ' '.
                            $place($piece->end()),
                        $piece instanceof Arc => sprintf(
                            'A%s %1$s 0 %d %d %s',
                            self::number($piece->radius()),
                            abs($piece->sweep()) > M_PI ? 1 : 0,
                            $piece->sweep() > 0.0 ? 1 : 0,
                            $place($piece->end()),
                        ),
                        default => 'L'.$place($piece->end()),
                    };
                }
            }
            $text .= $closed ? 'z' : '';
        }

        return $text;
    }

    /** In as many digits as it has, and none that are noise. */
    public static function number(float $number): string
    {
        $text = rtrim(rtrim(number_format($number, 9, '.', ''), '0'), '.');

        return $text === '-0' || $text === '' ? '0' : $text;
    }

    /** @throws PathFault */
    private function commands(string $text): void
    {
        $at = 0;
        $length = strlen($text);
        while (true) {
            $at += strspn($text, " \t\r\n\f,", $at);
            if ($at >= $length) {
                return;
            }
            $command = $text[$at];
            $takes =
                self::TAKES[strtoupper($command)] ??
                throw new PathFault(
                    'at character '.($at + 1).' stands “'.mb_substr(substr($text, $at), 0, 1).'” where a command was expected',
                );
            if ($this->before === '' && strtoupper($command) !== 'M') {
                throw new PathFault('it begins with no M');
            }
            $at++;
            if ($takes === 0) {
                $this->end(true);
                $this->before = 'Z';

                continue;
            }
            $isFirst = true;
            do {
                $numbers = [];
                $start = $at;
                for ($k = 0; $k < $takes; $k++) {
                    $isFlag = $takes === 7 && ($k === 3 || $k === 4);
                    if (preg_match($isFlag ? self::FLAG : self::NUMBER, $text, $found, 0, $at) !== 1) {
                        if ($k === 0 && ! $isFirst) {
                            $at = $start;
                            break 2;
                        }
                        throw new PathFault('at character '.($at + 1)." a number of its {$command} is missing");
                    }
                    $at += strlen($found[0]);
                    $numbers[] = (float) $found[1];
                    if (abs($numbers[$k]) > self::FARTHEST) {
                        throw new PathFault("at character $at stands {$found[1]}, which lies too far off");
                    }
                }
                if (++$this->nodes > self::MOST_NODES) {
                    throw new PathFault('it has more than '.number_format(self::MOST_NODES).' nodes');
                }
                $this->command($isFirst || strtoupper($command) !== 'M' ? $command : ($command === 'M' ? 'L' : 'l'), $numbers);
                $isFirst = false;
            } while (true);
        }
    }

    /** @param  non-empty-list<float>  $numbers */
    private function command(string $command, array $numbers): void
    {
        $upper = strtoupper($command);
        if ($this->before === 'Z' && $upper !== 'M') {
            $this->here = $this->begun;
        }
        $from = $command === $upper ? Vec::zero() : $this->here;
        $at = static fn (int $k): Vec => $from->plus(new Vec($numbers[$k], $numbers[$k + 1] ?? 0.0));
        $mirrored = fn (string $after): Vec => $this->handle !== null && str_contains($after, $this->before)
            ? $this->here->plus($this->here->minus($this->handle))
            : $this->here;
        $handle = null;
        switch ($upper) {
            case 'M':
                $this->end(false);
                $this->here = $this->begun = $at(0);
                break;
            case 'L':
                $this->add(new Line($this->here, $at(0)));
                break;
            case 'H':
                $this->add(new Line($this->here, new Vec($from->x + $numbers[0], $this->here->y)));
                break;
            case 'V':
                $this->add(new Line($this->here, new Vec($this->here->x, $from->y + $numbers[0])));
                break;
            case 'C':
                $handle = $at(2);
                $this->add(new Cubic($this->here, $at(0), $handle, $at(4)));
                break;
            case 'S':
                $handle = $at(0);
                $this->add(new Cubic($this->here, $mirrored('CS'), $handle, $at(2)));
                break;
            case 'Q':
                $handle = $at(0);
                $this->quadratic($handle, $at(2));
                break;
            case 'T':
                $handle = $mirrored('QT');
                $this->quadratic($handle, $at(0));
                break;
            default:
                $this->arc($numbers, $at(5));
        }
        $this->handle = $handle;
        $this->before = $upper;
    }

    private function quadratic(Vec $handle, Vec $to): void
    {
        // The same curve a degree higher.
        $this->add(new Cubic($this->here, $this->here->towards($handle, 2 / 3), $to->towards($handle, 2 / 3), $to));
    }

    /** @param  non-empty-list<float>  $numbers */
    private function arc(array $numbers, Vec $to): void
    {
        [$rx, $ry] = [abs($numbers[0]), abs($numbers[1])];
        $chord = $to->minus($this->here);
        if ($chord->length() === 0.0) {
            return;
        }
        if ($rx === 0.0 || $ry === 0.0) {
            $this->add(new Line($this->here, $to));

            return;
        }
        $turn = Affine::turn($numbers[2], Vec::zero());
        $half = $turn->inverse()->apply($chord->times(-0.5));
        // Radii that are too small to reach grow until they do.
        $short = ($half->x / $rx) ** 2 + ($half->y / $ry) ** 2;
        [$rx, $ry] = [$rx * sqrt(max(1.0, $short)), $ry * sqrt(max(1.0, $short))];
        $square = ($rx * $half->y) ** 2 + ($ry * $half->x) ** 2;
        $factor = sqrt(max(0.0, ($rx * $ry) ** 2 / $square - 1)) * (($numbers[3] ?? 0.0) === ($numbers[4] ?? 0.0) ? -1 : 1);
        $center = $turn
            ->apply((new Vec(($rx * $half->y) / $ry, (-$ry * $half->x) / $rx))->times($factor))
            ->plus($this->here->towards($to, 0.5));
        $clockwise = ($numbers[4] ?? 0.0) === 1.0;
        if (abs($rx - $ry) <= 1e-9 * $rx) {
            $this->add(Arc::around($center, $rx, $this->here, $to, $clockwise));

            return;
        }
        $map = Affine::scaling($rx, $ry, Vec::zero())->then($turn)->then(Affine::move($center));
        $back = $map->inverse();
        foreach (Arc::around(Vec::zero(), 1.0, $back->apply($this->here), $back->apply($to), $clockwise)->mapped($map) as $curve) {
            $this->add($curve);
        }
        $this->here = $to;
    }

    private function add(Curve $curve): void
    {
        if ($curve instanceof Cubic || $curve->length() > 0.0) {
            $this->curves[] = $curve;
        }
        $this->here = $curve->end();
    }

    private function end(bool $closed): void
    {
        if ($this->curves !== []) {
            if ($closed && $this->here->distanceTo($this->begun) > 0.0) {
                $this->curves[] = new Line($this->here, $this->begun);
            }
            $this->runs[] = [$this->curves, $closed];
        }
        $this->curves = [];
        $this->here = $closed ? $this->begun : $this->here;
        $this->handle = null;
    }
}
