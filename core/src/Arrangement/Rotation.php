<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Exact;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/**
 * The half-edges around every vertex, clockwise on the screen.
 *
 * Half-edge 2e runs along edge e, half-edge 2e + 1 back. They are put in order by the direction in which they leave. Where two leave in the
 * same one, lines are compared exactly; curves by where they have got to at a distance both reach, because until the next vertex they do
 * not cross again.
 */
final class Rotation
{
    /** Headings are sorted together with the number of their vertex, which leaves them this many digits less. */
    private const TURN = 8.0;

    /** Between vertices within so many tolerances an edge runs as they lie; where its line runs no longer tells. */
    private const SHORT = 256.0;

    /** @var list<float> */
    private array $headings = [];

    /** @var array<int, true> by edge */
    private array $isShort = [];

    /** @var array<int, float> of the arcs among the runs */
    private array $startAngles = [];

    private function __construct(private readonly Edges $edges, private readonly Runs $runs)
    {
    }

    /** @return list<int> half-edges vertex by vertex, clockwise around each */
    public static function sort(Edges $edges, Runs $runs): array
    {
        return (new self($edges, $runs))->sorted();
    }

    /** @return list<int> */
    private function sorted(): array
    {
        $keys = [];
        $short = self::SHORT * $this->runs->tolerance;
        $forward = $backward = [];
        foreach ($this->runs->curves as $run => $curve) {
            if ($curve instanceof Line) {
                $heading = $curve->end()->minus($curve->start())->angle();
                $forward[$run] = $heading < 0.0 ? $heading + 2 * M_PI : $heading;
                $backward[$run] = $heading + M_PI;
            }
        }
        foreach ($this->edges->run as $edge => $run) {
            $dx = $this->edges->x[$this->edges->to[$edge]] - $this->edges->x[$this->edges->from[$edge]];
            $dy = $this->edges->y[$this->edges->to[$edge]] - $this->edges->y[$this->edges->from[$edge]];
            if (abs($dx) + abs($dy) < $short && ($dx !== 0.0 || $dy !== 0.0)) {
                $this->isShort[$edge] = true;
                $out = self::positive(atan2($dy, $dx));
                $back = self::positive(atan2(-$dy, -$dx));
            } elseif (isset($forward[$run])) {
                $out = $forward[$run];
                $back = $backward[$run];
            } else {
                $out = $this->heading(2 * $edge, 0.0);
                $back = $this->heading(2 * $edge + 1, 0.0);
            }
            $this->headings[] = $out;
            $this->headings[] = $back;
            $keys[] = $this->edges->from[$edge] * self::TURN + $out;
            $keys[] = $this->edges->to[$edge] * self::TURN + $back;
        }
        asort($keys);
        $order = array_keys($keys);
        $this->settleTies($order);

        return $order;
    }

    /** @param  list<int>  $order */
    private function settleTies(array &$order): void
    {
        $count = count($order);
        for ($first = 0; $first < $count; $first = $next) {
            $vertex = $this->origin($order[$first]);
            $close = false;
            for ($next = $first + 1; $next < $count && $this->origin($order[$next]) === $vertex; $next++) {
                $close = $close || $this->headings[$order[$next]] - $this->headings[$order[$next - 1]] < Tolerance::SAME_HEADING;
            }
            if ($next - $first < 2) {
                continue;
            }
            // The last one and the first may stand on either side of the heading 0.
            $wraps = $this->headings[$order[$first]] + 2 * M_PI - $this->headings[$order[$next - 1]] < Tolerance::SAME_HEADING;
            if ($close || $wraps) {
                $this->settle($order, $first, $next);
            }
        }
    }

    /**
     * Puts runs of nearly equal headings around one vertex in order.
     *
     * @param  list<int>  $order
     */
    private function settle(array &$order, int $first, int $next): void
    {
        $around = array_slice($order, $first, $next - $first);
        $count = count($around);
        // Begin after a clear gap, so that no run of equal headings is cut by the beginning.
        for ($begin = 0; $begin < $count; $begin++) {
            $gap = $this->headings[$around[$begin]] - $this->headings[$around[($begin + $count - 1) % $count]];
            if ($gap + ($begin === 0 ? 2 * M_PI : 0.0) >= Tolerance::SAME_HEADING) {
                break;
            }
        }
        $around = [...array_slice($around, $begin), ...array_slice($around, 0, $begin)];
        $settled = [];
        $equal = [];
        foreach ($around as $half) {
            if (
                $equal !== [] &&
                abs(self::turn($this->headings[$equal[count($equal) - 1]], $this->headings[$half])) >= Tolerance::SAME_HEADING
            ) {
                array_push($settled, ...$this->compared($equal));
                $equal = [];
            }
            $equal[] = $half;
        }
        array_push($settled, ...$this->compared($equal));
        array_splice($order, $first, $count, $settled);
    }

    /**
     * @param  list<int>  $halves  that leave in nearly one direction
     * @return list<int> clockwise
     */
    private function compared(array $halves): array
    {
        if (count($halves) < 2) {
            return $halves;
        }
        usort($halves, function (int $a, int $b) use ($halves): int {
            if (isset($this->isShort[$a >> 1]) || isset($this->isShort[$b >> 1])) {
                return [self::turn($this->headings[$halves[0]], $this->headings[$a]), $a] <=> [
                    self::turn($this->headings[$halves[0]], $this->headings[$b]),
                    $b,
                ];
            }
            $one = $this->curve($a);
            $other = $this->curve($b);
            if ($one instanceof Line && $other instanceof Line) {
                $turn = Exact::cross(...[...$this->ends($a, $one), ...$this->ends($b, $other)]);

                return $turn === 0.0 ? $a <=> $b : ($turn > 0.0 ? -1 : 1);
            }
            $reach = 0.5 * min($this->reach($a), $this->reach($b));
            $turn = self::turn($this->heading($a, $reach), $this->heading($b, $reach));

            return $turn === 0.0 ? $a <=> $b : ($turn > 0.0 ? -1 : 1);
        });

        return $halves;
    }

    /** From one heading to another, clockwise, in (−π, π]. */
    private static function turn(float $from, float $to): float
    {
        $turn = $to - $from;

        return $turn - 2 * M_PI * ceil($turn / (2 * M_PI) - 0.5);
    }

    private function origin(int $half): int
    {
        return ($half & 1) === 0 ? $this->edges->from[$half >> 1] : $this->edges->to[$half >> 1];
    }

    private function curve(int $half): Curve
    {
        return $this->runs->curves[$this->edges->run[$half >> 1]];
    }

    /** @return array{Vec, Vec} of the whole line, in the direction of the half-edge */
    private function ends(int $half, Line $line): array
    {
        return ($half & 1) === 0 ? [$line->start(), $line->end()] : [$line->end(), $line->start()];
    }

    /** How far from its first vertex a half-edge gets, at least. */
    private function reach(int $half): float
    {
        $edge = $half >> 1;
        $curve = $this->curve($half);
        [$s, $t] = [$this->edges->s[$edge], $this->edges->t[$edge]];
        if ($curve instanceof Arc) {
            // The chord, as far as it grows: up to half the circle.
            return 2 * $curve->radius() * sin(min(M_PI, abs($curve->sweep()) * ($t - $s)) / 2);
        }
        $far = $curve->pointAt(($half & 1) === 0 ? $t : $s);
        $near = $curve->pointAt(($half & 1) === 0 ? $s : $t);

        return $near->distanceTo($far);
    }

    /**
     * The direction, from its first vertex, of the place at which a half-edge has got to a distance of $reach; of its tangent for 0.
     *
     * @return float radians in [0, 2π), clockwise on the screen
     */
    private function heading(int $half, float $reach): float
    {
        $edge = $half >> 1;
        $curve = $this->curve($half);
        $out = ($half & 1) === 0;
        $at = $out ? $this->edges->s[$edge] : $this->edges->t[$edge];
        if ($curve instanceof Arc) {
            // A chord of length c leaves the tangent by asin(c / 2r).
            $radial = ($this->startAngles[$this->edges->run[$edge]] ??= $curve->startAngle()) + $at * $curve->sweep();
            $bend = asin(min(1.0, $reach / (2 * $curve->radius())));

            return self::positive($out ? $radial + M_PI_2 + $bend : $radial - M_PI_2 - $bend);
        }
        $way =
            $reach > 0.0
                ? $this->placeAtReach($curve, $edge, $out, $reach)->minus($curve->pointAt($at))
                : $curve->tangentAt($at)->times($out ? 1.0 : -1.0);

        return self::positive($way->angle());
    }

    private function placeAtReach(Curve $curve, int $edge, bool $out, float $reach): Vec
    {
        $near = $out ? $this->edges->s[$edge] : $this->edges->t[$edge];
        $far = $out ? $this->edges->t[$edge] : $this->edges->s[$edge];
        $start = $curve->pointAt($near);
        for ($round = 0; $round < 60; $round++) {
            $middle = ($near + $far) / 2;
            if ($curve->pointAt($middle)->distanceTo($start) < $reach) {
                $near = $middle;
            } else {
                $far = $middle;
            }
        }

        return $curve->pointAt($far);
    }

    private static function positive(float $angle): float
    {
        $turn = $angle - 2 * M_PI * floor($angle / (2 * M_PI));

        return $turn >= 2 * M_PI ? 0.0 : $turn;
    }
}
