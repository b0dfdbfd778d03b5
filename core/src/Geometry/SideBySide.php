<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Two pieces of cubics that run in nearly one direction, by how far the first stands off the second: that distance changes its sign where
 * they cross, and comes near to nothing where they touch.
 */
final readonly class SideBySide
{
    /** Stretches into which a piece is divided to see where its distance from another changes its sign or its way. */
    private const STRETCHES = 8;

    private const NEWTON = 12;

    /** Stretches below this are not divided further. */
    private const FINEST = 1e-4;

    /** The shortest way from a place to a curve stands square to it; its share that does not may be no more than this. */
    private const SQUARE = 1e-3;

    /** A step of a parameter below this changes nothing any more. */
    private const STILL = 4e-16;

    /**
     * @param  list<float>  $a  control points, as those of a CubicPiece
     * @param  list<float>  $b
     */
    public function __construct(private array $a, private array $b, private float $tolerance)
    {
    }

    /**
     * Where they meet.
     *
     * @return list<array{float, float}>|null parameters on both, from 0 to 1; null where they are so far apart that the nearest place jumps
     */
    public function meetings(): ?array
    {
        $range = $this->beside();
        if ($range === null) {
            return [];
        }
        [$from, $to] = $range;
        if ($to - $from < self::FINEST) {
            // They stand end to end, and are beside one another for no stretch worth the name.
            $ends = array_filter(
                [$this->offset($from, null), $this->offset($to, null)],
                fn (array $sample): bool => $sample[5] <= $this->tolerance,
            );

            return array_map(static fn (array $sample): array => [$sample[0], $sample[1]], array_values($ends));
        }
        $samples = [];
        $t = null;
        for ($k = 0; $k <= self::STRETCHES; $k++) {
            $s = $from + ($to - $from) * $k / self::STRETCHES;
            $samples[] = $sample = $this->offset($s, $t);
            $t = $sample[1];
            if (! $sample[4]) {
                return null;
            }
        }
        $meetings = abs($samples[0][2]) <= $this->tolerance ? [$samples[0]] : [];
        for ($k = 1; $k < count($samples); $k++) {
            [$low, $high] = [$samples[$k - 1], $samples[$k]];
            if ($high[0] - $low[0] > self::FINEST && self::mayTurnTwice($low, $high)) {
                array_splice($samples, $k, 0, [$this->offset(($low[0] + $high[0]) / 2, ($low[1] + $high[1]) / 2)]);
                $k--;

                continue;
            }
            $stops = [$low, $high];
            if ($low[3] * $high[3] < 0.0) {
                // In between they run in one direction, and the distance is greatest or least.
                $extreme = $this->bisected($low, $high, 3);
                $stops = [$low, $extreme, $high];
                if (! $extreme[4]) {
                    return null;
                }
                if (abs($extreme[2]) <= $this->tolerance) {
                    $meetings[] = $extreme;
                }
            }
            for ($n = 1; $n < count($stops); $n++) {
                if (
                    $stops[$n - 1][2] * $stops[$n][2] < 0.0 &&
                    abs($stops[$n - 1][2]) > $this->tolerance &&
                    abs($stops[$n][2]) > $this->tolerance
                ) {
                    $meetings[] = $crossing = $this->bisected($stops[$n - 1], $stops[$n], 2);
                    if (abs($crossing[2]) > $this->tolerance) {
                        return null;
                    }
                }
            }
            if (abs($high[2]) <= $this->tolerance) {
                $meetings[] = $high;
            }
        }

        return array_map(static fn (array $sample): array => [$sample[0], $sample[1]], $meetings);
    }

    /**
     * Whether the distance, as the cubic polynomial through both ends with its slopes there, comes near to nothing, and turns twice in
     * between.
     *
     * @param  array{float, float, float, float, bool, float}  $low
     * @param  array{float, float, float, float, bool, float}  $high
     */
    private static function mayTurnTwice(array $low, array $high): bool
    {
        $width = $high[0] - $low[0];
        $inner = 3 * ($high[2] - $low[2]) / $width - $low[3] - $high[3];
        if ($low[3] * $high[3] <= 0.0 || $inner * $low[3] >= 0.0) {
            return false;
        }
        $heights = [$low[2], $low[2] + $low[3] * $width / 3, $high[2] - $high[3] * $width / 3, $high[2]];

        return min($heights) <= 0.0 && max($heights) >= 0.0;
    }

    /**
     * Where something changes its sign between two samples: by regula falsi, halving wherever that stalls.
     *
     * @param  array{float, float, float, float, bool, float}  $low
     * @param  array{float, float, float, float, bool, float}  $high
     * @param  2|3  $what  the distance, or its slope
     * @return array{float, float, float, float, bool, float}
     */
    private function bisected(array $low, array $high, int $what): array
    {
        $best = abs($low[$what]) < abs($high[$what]) ? $low : $high;
        $last = 0;
        [$f, $g] = [$low[$what], $high[$what]];
        for ($round = 0; $round < 80 && self::STILL * 4 < $high[0] - $low[0]; $round++) {
            $s = $round % 4 === 3 ? ($low[0] + $high[0]) / 2 : $low[0] + ($high[0] - $low[0]) * $f / ($f - $g);
            if (! ($s > $low[0] && $s < $high[0])) {
                $s = ($low[0] + $high[0]) / 2;
            }
            $middle = $this->offset($s, ($low[1] + $high[1]) / 2);
            if (abs($middle[$what]) < abs($best[$what])) {
                $best = $middle;
            }
            if ($middle[$what] === 0.0) {
                return $middle;
            }
            if (($middle[$what] > 0.0) === ($low[$what] > 0.0)) {
                [$low, $f] = [$middle, $middle[$what]];
                $g = $last === 1 ? $g / 2 : $g;
                $last = 1;
            } else {
                [$high, $g] = [$middle, $middle[$what]];
                $f = $last === -1 ? $f / 2 : $f;
                $last = -1;
            }
        }

        return $best;
    }

    /**
     * The distance of a place on the first from the second, square to the second.
     *
     * @return array{float, float, float, float, bool, float} both parameters, the distance, to one side positive, its slope there, and
     *   whether the way
     *                                                  across stands square to the second, and its length
     */
    private function offset(float $s, ?float $t): array
    {
        $b = $this->b;
        [$px, $py, $ux, $uy] = CubicPiece::placed($this->a, $s);
        $bx = $b[6] - $b[0];
        $by = $b[7] - $b[1];
        $t ??= min(1.0, max(0.0, (($px - $b[0]) * $bx + ($py - $b[1]) * $by) / ($bx * $bx + $by * $by)));
        for ($round = 0; $round < self::NEWTON; $round++) {
            [$qx, $qy, $vx, $vy, $wx, $wy] = CubicPiece::placed($b, $t);
            $gx = $px - $qx;
            $gy = $py - $qy;
            $slope = $gx * $wx + $gy * $wy - $vx * $vx - $vy * $vy;
            if ($slope >= 0.0) {
                break;
            }
            $next = min(1.0, max(0.0, $t - ($gx * $vx + $gy * $vy) / $slope));
            $moved = abs($next - $t);
            $t = $next;
            if ($moved <= self::STILL) {
                break;
            }
        }
        [$qx, $qy, $vx, $vy] = CubicPiece::placed($b, $t);
        $speed = sqrt($vx * $vx + $vy * $vy);

        $gx = $px - $qx;
        $gy = $py - $qy;
        $far = sqrt($gx * $gx + $gy * $gy);
        $off = $speed > 0.0 ? ($vx * $gy - $vy * $gx) / $speed : $far;

        return [
            $s,
            $t,
            $off,
            $speed > 0.0 ? ($vx * $uy - $vy * $ux) / $speed : 0.0,
            $far <= $this->tolerance || $far - abs($off) <= self::SQUARE * $far,
            $far,
        ];
    }

    /**
     * The stretch of the first that lies beside the second, between the lines square to the second at its ends.
     *
     * @return array{float, float}|null
     */
    private function beside(): ?array
    {
        [$a, $b] = [$this->a, $this->b];
        [$from, $to] = [0.0, 1.0];
        $those = [[$b[0], $b[1], ...CubicPiece::direction($b, 0.0), 1.0], [$b[6], $b[7], ...CubicPiece::direction($b, 1.0), -1.0]];
        foreach ($those as [$x, $y, $dx, $dy, $way]) {
            $ahead = [];
            for ($k = 0; $k < 8; $k += 2) {
                $ahead[] = $way * (($a[$k] - $x) * $dx + ($a[$k + 1] - $y) * $dy);
            }
            if ($ahead[0] < 0.0 && $ahead[3] < 0.0) {
                return null;
            }
            if ($ahead[0] < 0.0) {
                $from = max($from, self::root($ahead));
            } elseif ($ahead[3] < 0.0) {
                $to = min($to, self::root($ahead));
            }
        }

        return $from < $to ? [$from, $to] : ($from - $to < 1e-9 ? [$to, min(1.0, $to + 1e-12)] : null);
    }

    /**
     * Where a cubic polynomial in Bernstein form, that changes its sign from end to end, does so.
     *
     * @param  list<float>  $c
     */
    private static function root(array $c): float
    {
        [$low, $high] = [0.0, 1.0];
        $rises = $c[3] > 0.0;
        for ($round = 0; $round < 54; $round++) {
            $t = ($low + $high) / 2;
            $s = 1 - $t;
            $value = $s * $s * $s * $c[0] + 3 * $s * $s * $t * $c[1] + 3 * $s * $t * $t * $c[2] + $t * $t * $t * $c[3];
            if (($value > 0.0) === $rises) {
                $high = $t;
            } else {
                $low = $t;
            }
        }

        return ($low + $high) / 2;
    }
}
