<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/**
 * Outlines as SVG path data: absolute commands, true arcs, as few digits as enclose the area of the outlines.
 *
 * A reader works out an arc's centre from its ends and its radius as they are written (SVG 2, appendix B.2.4). Near half a circle that
 * is ill-conditioned: a chord that comes out a hair shorter than the diameter moves the centre by the root of that hair. So no arc is
 * written that is longer than a third of a circle; there the centre moves by twice the rounding at most.
 */
final readonly class PathData
{
    /** Longest sweep of a written arc, radians, with room for the last digit of a third of a circle. */
    private const LONGEST_ARC = 2 * M_PI / 3 + 1e-9;

    /** Full circles are written in quarters, with their nodes at the extremes, as designers set them (common practice). */
    private const QUARTERS = 4;

    /** What is written encloses the area to this share of it. Half of what is promised: readers round, too. */
    private const AREA = 5e-7;

    /** Doubles have no more digits behind the point that are worth writing. */
    private const MOST_DECIMALS = 12;

    public function __construct(private int $decimals)
    {
    }

    /** @param  iterable<Outline>  $outlines  of one figure */
    public function ofOutlines(iterable $outlines): string
    {
        $area = 0.0;
        $runs = [];
        foreach ($outlines as $outline) {
            $area += $outline->area();
            $start = $outline->curves[0]->start();
            $runs[] = [$start->x, $start->y, self::commands($outline->curves)];
        }
        $slack = self::AREA * abs($area);
        for ($decimals = $this->decimals; $decimals < self::MOST_DECIMALS; $decimals++) {
            $written = 0.0;
            foreach ($runs as [$x, $y, $commands]) {
                $written += self::enclosed($x, $y, $commands, $decimals);
            }
            if (abs($written - $area) <= $slack) {
                break;
            }
        }
        $data = '';
        foreach ($runs as [$x, $y, $commands]) {
            $data .= self::closed($x, $y, $commands, $decimals);
        }

        return $data;
    }

    /**
     * Open curves, each drawn by itself.
     *
     * @param  iterable<Curve>  $curves
     */
    public function ofCurves(iterable $curves): string
    {
        $data = '';
        foreach ($curves as $curve) {
            $start = $curve->start();
            $data .= self::opened($start->x, $start->y, self::commands([$curve]), $this->decimals);
        }

        return $data;
    }

    /**
     * Curves of which each begins where the one before ends, as one open run.
     *
     * @param  non-empty-list<Curve>  $curves
     */
    public function ofWay(array $curves): string
    {
        $start = $curves[0]->start();

        return self::opened($start->x, $start->y, self::commands($curves), $this->decimals);
    }

    public function number(float $number): string
    {
        return self::written($number, $this->decimals);
    }

    /** A number in plain digits, without an exponent and without zeros that say nothing. */
    public static function written(float $number, int $decimals): string
    {
        // Adding nothing turns −0 into 0.
        $text = (string) (round($number, $decimals) + 0.0);
        if (strpbrk($text, 'E') === false && $decimals <= 8) {
            return $text;
        }
        $text = number_format($number, $decimals, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : $text;
    }

    /**
     * What is to be written of a run of curves: `[x, y]` a line to there, `[x, y, radius, sweep]` an arc, `[x, y, x1, y1, x2, y2]` a cubic.
     *
     * @param  non-empty-list<Curve>  $curves
     * @return list<non-empty-list<float>>
     */
    public static function commands(array $curves): array
    {
        $commands = [];
        foreach ($curves as $curve) {
            $end = $curve->end();
            if ($curve instanceof Arc) {
                $sweep = $curve->sweep();
                $count = $curve->isFullCircle() ? self::QUARTERS : (int) ceil(abs($sweep) / self::LONGEST_ARC);
                for ($piece = 1; $piece <= $count; $piece++) {
                    $stop = $piece === $count ? $end : $curve->pointAt($piece / $count);
                    $commands[] = [$stop->x, $stop->y, $curve->radius(), $sweep / $count];
                }
            } elseif ($curve instanceof Cubic) {
                $commands[] = [$end->x, $end->y, $curve->leaving->x, $curve->leaving->y, $curve->arriving->x, $curve->arriving->y];
            } else {
                $commands[] = [$end->x, $end->y];
            }
        }

        return $commands;
    }

    /**
     * The area that a reader finds in what is written with so many digits.
     *
     * @param  list<non-empty-list<float>>  $commands
     */
    private static function enclosed(float $startX, float $startY, array $commands, int $decimals): float
    {
        $apexX = $x = round($startX, $decimals);
        $apexY = $y = round($startY, $decimals);
        $area = 0.0;
        foreach ($commands as $command) {
            $toX = round($command[0], $decimals);
            $toY = round($command[1], $decimals);
            $area += (($x - $apexX) * ($toY - $apexY) - ($y - $apexY) * ($toX - $apexX)) / 2;
            if (count($command) === 4) {
                $half = hypot($toX - $x, $toY - $y) / 2;
                $radius = max($half, round($command[2], $decimals));
                $area +=
                    $radius > 0.0
                        ? ($radius ** 2 * Arc::excess(2 * asin(min(1.0, $half / $radius)) * ($command[3] > 0.0 ? 1 : -1))) / 2
                        : 0.0;
            } elseif (count($command) === 6) {
                [$x1, $y1, $x2, $y2] = array_map(static fn (float $one): float => round($one, $decimals), array_slice($command, 2));
                $area += (new Cubic(new Vec($x, $y), new Vec($x1, $y1), new Vec($x2, $y2), new Vec($toX, $toY)))->areaSeenFrom(
                    new Vec($x, $y),
                );
            }
            $x = $toX;
            $y = $toY;
        }

        return $area;
    }

    /** @param  list<non-empty-list<float>>  $commands */
    private static function closed(float $x, float $y, array $commands, int $decimals): string
    {
        // A line back to the start is what Z draws.
        if (count(end($commands) ?: []) === 2) {
            array_pop($commands);
        }

        return self::opened($x, $y, $commands, $decimals).'Z';
    }

    /** @param  list<non-empty-list<float>>  $commands */
    private static function opened(float $startX, float $startY, array $commands, int $decimals): string
    {
        $x = self::written($startX, $decimals);
        $y = self::written($startY, $decimals);
        $data = "M$x $y";
        foreach ($commands as $command) {
            [$fromX, $fromY] = [$x, $y];
            $x = self::written($command[0], $decimals);
            $y = self::written($command[1], $decimals);
            if (count($command) === 4) {
                $radius = self::written($command[2], $decimals);
                $data .= "A$radius $radius 0 0 ".($command[3] > 0.0 ? 1 : 0)." $x $y";
            } elseif (count($command) === 6) {
                $handles = array_map(static fn (float $one): string => self::written($one, $decimals), array_slice($command, 2));
                $data .= 'C'.implode(' ', $handles)." $x $y";
            } else {
                $data .= match (true) {
                    $y === $fromY => "H$x",
                    $x === $fromX => "V$y",
                    default => "L$x $y",
                };
            }
        }

        return $data;
    }
}
