<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Where two cubics meet.
 *
 * Both are divided until neither turns much. Pieces that lie beside one another are put aside by strips about their chords. Of the rest, two
 * whose directions differ throughout cross once at most: Newton's method finds where. Two that run in nearly one direction are compared by
 * how far the one stands off the other: that distance changes its sign where they cross, and comes near to nothing where they touch. Dividing
 * alone would go on for as long as they stay close; of two curves a millionth of a sheet apart that is a million pieces.
 *
 * On plain numbers: with objects a pair took ten times as long. A piece is its four control points, x, y, x, y, …
 */
final class CubicMeetings
{
    /** A piece of which no leg of the control polygon leaves the chord by more, as a tangent, is calm. */
    private const CALM = 0.35;

    /** Halvings of either curve, at a cusp, before a pair is taken as it is. */
    private const DEEPEST = 60;

    /** Stretches into which a piece is divided to see where its distance from another changes its sign or its way. */
    private const STRETCHES = 8;

    private const NEWTON = 12;

    /** Stretches below this are not divided further. */
    private const FINEST = 1e-4;

    /** The shortest way from a place to a curve stands square to it; its share that does not may be no more than this. */
    private const SQUARE = 1e-3;

    /** A step of a parameter below this changes nothing any more. */
    private const STILL = 4e-16;

    /** @var list<array{float, float}> */
    private array $found = [];

    /**
     * @param  list<float>  $one
     * @param  list<float>  $other
     */
    private function __construct(private readonly array $one, private readonly array $other, private readonly float $tolerance)
    {
    }

    /** @return list<array{float, float}> parameters on both; one meeting can be told several times by places next to one another */
    public static function find(Cubic $one, Cubic $other, float $tolerance): array
    {
        $meetings = new self($one->coordinates(), $other->coordinates(), $tolerance);
        $meetings->search();

        return $meetings->found;
    }

    private function search(): void
    {
        $open = [[0.0, 1.0, $this->one, 0.0, 1.0, $this->other, 0]];
        while (($pair = array_pop($open)) !== null) {
            [$s0, $s1, $a, $t0, $t1, $b, $depth] = $pair;
            if (! $this->comeNear($a, $b) || $this->standsAside($a, $b) || $this->standsAside($b, $a)) {
                continue;
            }
            // Both are one place, wherever on them it is: where all that lies far out counts, the tolerance is wide.
            if (self::size($a) <= $this->tolerance && self::size($b) <= $this->tolerance) {
                $this->found[] = [($s0 + $s1) / 2, ($t0 + $t1) / 2];

                continue;
            }
            $turnA = self::turn($a);
            $turnB = self::turn($b);
            if ($turnA !== null && $turnB !== null) {
                if (self::onlyJoin($a, $b, atan($turnA) + atan($turnB))) {
                    $this->found[] = self::joint($s0, $s1, $a, $t0, $t1, $b);

                    continue;
                }
                if (! self::canBeParallel($a, $b, atan($turnA) + atan($turnB))) {
                    if ($this->cross($s0, $s1, $a, $t0, $t1, $b)) {
                        continue;
                    }
                } elseif ($this->compare($s0, $s1, $a, $t0, $t1, $b)) {
                    continue;
                }
            }
            if ($depth >= self::DEEPEST) {
                if (abs($a[0] - $b[0]) + abs($a[1] - $b[1]) <= $this->tolerance) {
                    $this->found[] = [$s0, $t0];
                }

                continue;
            }
            // The one that still turns, or the longer one.
            $first = ($turnA === null) === ($turnB === null) ? self::size($a) >= self::size($b) : $turnA === null;
            if ($first) {
                [$left, $right] = self::halves($a);
                $middle = ($s0 + $s1) / 2;
                $open[] = [$middle, $s1, $right, $t0, $t1, $b, $depth + 1];
                $open[] = [$s0, $middle, $left, $t0, $t1, $b, $depth + 1];
            } else {
                [$left, $right] = self::halves($b);
                $middle = ($t0 + $t1) / 2;
                $open[] = [$s0, $s1, $a, $middle, $t1, $right, $depth + 1];
                $open[] = [$s0, $s1, $a, $t0, $middle, $left, $depth + 1];
            }
        }
    }

    /**
     * Whether the boxes of the control points meet.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private function comeNear(array $a, array $b): bool
    {
        $within = $this->tolerance;

        return min($a[0], $a[2], $a[4], $a[6]) <= max($b[0], $b[2], $b[4], $b[6]) + $within
            && min($b[0], $b[2], $b[4], $b[6]) <= max($a[0], $a[2], $a[4], $a[6]) + $within
            && min($a[1], $a[3], $a[5], $a[7]) <= max($b[1], $b[3], $b[5], $b[7]) + $within
            && min($b[1], $b[3], $b[5], $b[7]) <= max($a[1], $a[3], $a[5], $a[7]) + $within;
    }

    /**
     * Whether the second lies outside the strip about the first one's chord that holds the first.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private function standsAside(array $a, array $b): bool
    {
        $dx = $a[6] - $a[0];
        $dy = $a[7] - $a[1];
        $length = sqrt($dx * $dx + $dy * $dy);
        if ($length === 0.0) {
            return false;
        }
        $p = $dx * ($a[3] - $a[1]) - $dy * ($a[2] - $a[0]);
        $q = $dx * ($a[5] - $a[1]) - $dy * ($a[4] - $a[0]);
        // The curve itself fills three quarters of the strip of its control points at most, four ninths where they lie on both sides.
        $share = $p * $q > 0.0 ? 0.75 : 4 / 9;
        $low = $share * min(0.0, $p, $q);
        $high = $share * max(0.0, $p, $q);
        $slack = $length * $this->tolerance + 1e-14 * $length * ($length + abs($b[0] - $a[0]) + abs($b[1] - $a[1]));
        $r = [];
        for ($k = 0; $k < 8; $k += 2) {
            $r[] = $dx * ($b[$k + 1] - $a[1]) - $dy * ($b[$k] - $a[0]);
        }

        return min($r) > $high + $slack || max($r) < $low - $slack;
    }

    /**
     * How far a leg of the control polygon leaves the direction of the chord at most, as a tangent.
     *
     * @param  list<float>  $a
     * @return float|null null for a piece that turns much
     */
    private static function turn(array $a): ?float
    {
        $dx = $a[6] - $a[0];
        $dy = $a[7] - $a[1];
        $most = 0.0;
        for ($k = 0; $k < 6; $k += 2) {
            $ex = $a[$k + 2] - $a[$k];
            $ey = $a[$k + 3] - $a[$k + 1];
            $ahead = $dx * $ex + $dy * $ey;
            $aside = abs($dx * $ey - $dy * $ex);
            if ($aside > self::CALM * $ahead) {
                // A handle of no length is no leg.
                if ($ahead === 0.0 && $aside === 0.0 && ($dx !== 0.0 || $dy !== 0.0)) {
                    continue;
                }

                return null;
            }
            if ($ahead > 0.0) {
                $most = max($most, $aside / $ahead);
            }
        }

        return $dx === 0.0 && $dy === 0.0 ? null : $most;
    }

    /**
     * Whether two calm pieces begin or end at the same place to the last bit, and leave it in directions that keep them apart.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @param  float  $turn  by which both leave their chords together, radians
     */
    private static function onlyJoin(array $a, array $b, float $turn): bool
    {
        foreach ([[0, 0], [0, 6], [6, 0], [6, 6]] as [$k, $m]) {
            if ($a[$k] === $b[$m] && $a[$k + 1] === $b[$m + 1]) {
                $ax = $a[6 - $k] - $a[$k];
                $ay = $a[7 - $k] - $a[$k + 1];
                $bx = $b[6 - $m] - $b[$m];
                $by = $b[7 - $m] - $b[$m + 1];

                return atan2(abs($ax * $by - $ay * $bx), $ax * $bx + $ay * $by) > $turn + 1e-6;
            }
        }

        return false;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return array{float, float} the parameters of the end that both have
     */
    private static function joint(float $s0, float $s1, array $a, float $t0, float $t1, array $b): array
    {
        $first = ($a[0] === $b[0] && $a[1] === $b[1]) || ($a[0] === $b[6] && $a[1] === $b[7]);
        [$x, $y] = $first ? [$a[0], $a[1]] : [$a[6], $a[7]];

        return [$first ? $s0 : $s1, $b[0] === $x && $b[1] === $y ? $t0 : $t1];
    }

    /**
     * Whether two calm pieces can run in one direction anywhere.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @param  float  $turn  by which both leave their chords together, radians
     */
    private static function canBeParallel(array $a, array $b, float $turn): bool
    {
        $ax = $a[6] - $a[0];
        $ay = $a[7] - $a[1];
        $bx = $b[6] - $b[0];
        $by = $b[7] - $b[1];

        return abs(atan2(abs($ax * $by - $ay * $bx), abs($ax * $bx + $ay * $by))) <= $turn + 1e-6;
    }

    /**
     * The crossing of two pieces that cross once at most.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return bool whether that settled it
     */
    private function cross(float $s0, float $s1, array $a, float $t0, float $t1, array $b): bool
    {
        // From where the chords cross.
        $ax = $a[6] - $a[0];
        $ay = $a[7] - $a[1];
        $bx = $b[6] - $b[0];
        $by = $b[7] - $b[1];
        $turn = $ax * $by - $ay * $bx;
        $rx = $b[0] - $a[0];
        $ry = $b[1] - $a[1];
        $s = min(1.0, max(0.0, ($rx * $by - $ry * $bx) / $turn));
        $t = min(1.0, max(0.0, ($rx * $ay - $ry * $ax) / $turn));
        for ($round = 0; $round < self::NEWTON; $round++) {
            [$px, $py, $ux, $uy] = self::placed($a, $s);
            [$qx, $qy, $vx, $vy] = self::placed($b, $t);
            $gx = $qx - $px;
            $gy = $qy - $py;
            $turn = $ux * $vy - $uy * $vx;
            if ($turn === 0.0) {
                return false;
            }
            $ds = ($gx * $vy - $gy * $vx) / $turn;
            $dt = ($gx * $uy - $gy * $ux) / $turn;
            $s += $ds;
            $t += $dt;
            if (abs($s - 0.5) > 2.5 || abs($t - 0.5) > 2.5) {
                return false;
            }
            if (abs($ds) + abs($dt) < 1e-14) {
                // Both go on beyond their ends; there they meet others, or nothing.
                if ($s >= -1e-12 && $s <= 1.0 + 1e-12 && $t >= -1e-12 && $t <= 1.0 + 1e-12) {
                    $this->found[] = [self::within($s0 + ($s1 - $s0) * $s), self::within($t0 + ($t1 - $t0) * $t)];
                }

                return true;
            }
        }

        return false;
    }

    /**
     * The meetings of two pieces that run in nearly one direction, by the distance of the first from the second.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return bool whether that settled them; it does not where they are so far apart that the nearest place jumps
     */
    private function compare(float $s0, float $s1, array $a, float $t0, float $t1, array $b): bool
    {
        $range = self::beside($a, $b);
        if ($range === null) {
            return true;
        }
        [$from, $to] = $range;
        if ($to - $from < self::FINEST) {
            // They stand end to end, and are beside one another for no stretch worth the name.
            foreach ([$from, $to] as $s) {
                $sample = $this->offset($a, $b, $s, null);
                if ($sample[5] <= $this->tolerance) {
                    $this->found[] = [self::within($s0 + ($s1 - $s0) * $s), self::within($t0 + ($t1 - $t0) * $sample[1])];
                }
            }

            return true;
        }
        $samples = [];
        $t = null;
        for ($k = 0; $k <= self::STRETCHES; $k++) {
            $s = $from + ($to - $from) * $k / self::STRETCHES;
            $samples[] = $sample = $this->offset($a, $b, $s, $t);
            $t = $sample[1];
            if (! $sample[4]) {
                return false;
            }
        }
        $meetings = abs($samples[0][2]) <= $this->tolerance ? [$samples[0]] : [];
        for ($k = 1; $k < count($samples); $k++) {
            [$low, $high] = [$samples[$k - 1], $samples[$k]];
            if ($high[0] - $low[0] > self::FINEST && self::mayTurnTwice($low, $high)) {
                array_splice($samples, $k, 0, [$this->offset($a, $b, ($low[0] + $high[0]) / 2, ($low[1] + $high[1]) / 2)]);
                $k--;

                continue;
            }
            $stops = [$low, $high];
            if ($low[3] * $high[3] < 0.0) {
                // In between they run in one direction, and the distance is greatest or least.
                $extreme = $this->bisected($a, $b, $low, $high, 3);
                $stops = [$low, $extreme, $high];
                if (! $extreme[4]) {
                    return false;
                }
                if (abs($extreme[2]) <= $this->tolerance) {
                    $meetings[] = $extreme;
                }
            }
            for ($n = 1; $n < count($stops); $n++) {
                if ($stops[$n - 1][2] * $stops[$n][2] < 0.0 && abs($stops[$n - 1][2]) > $this->tolerance && abs($stops[$n][2]) > $this->tolerance) {
                    $meetings[] = $crossing = $this->bisected($a, $b, $stops[$n - 1], $stops[$n], 2);
                    if (abs($crossing[2]) > $this->tolerance) {
                        return false;
                    }
                }
            }
            if (abs($high[2]) <= $this->tolerance) {
                $meetings[] = $high;
            }
        }
        foreach ($meetings as [$s, $t]) {
            $this->found[] = [self::within($s0 + ($s1 - $s0) * $s), self::within($t0 + ($t1 - $t0) * $t)];
        }

        return true;
    }

    /**
     * Whether the distance, as the cubic polynomial through both ends with its slopes there, comes near to nothing, and turns twice in between.
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
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @param  array{float, float, float, float, bool, float}  $low
     * @param  array{float, float, float, float, bool, float}  $high
     * @param  2|3  $what  the distance, or its slope
     * @return array{float, float, float, float, bool, float}
     */
    private function bisected(array $a, array $b, array $low, array $high, int $what): array
    {
        $best = abs($low[$what]) < abs($high[$what]) ? $low : $high;
        $last = 0;
        [$f, $g] = [$low[$what], $high[$what]];
        for ($round = 0; $round < 80 && self::STILL * 4 < $high[0] - $low[0]; $round++) {
            $s = $round % 4 === 3 ? ($low[0] + $high[0]) / 2 : $low[0] + ($high[0] - $low[0]) * $f / ($f - $g);
            if (! ($s > $low[0] && $s < $high[0])) {
                $s = ($low[0] + $high[0]) / 2;
            }
            $middle = $this->offset($a, $b, $s, ($low[1] + $high[1]) / 2);
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
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return array{float, float, float, float, bool, float} both parameters, the distance, to one side positive, its slope there, and whether the way
     *                                                  across stands square to the second, and its length
     */
    private function offset(array $a, array $b, float $s, ?float $t): array
    {
        [$px, $py, $ux, $uy] = self::placed($a, $s);
        $bx = $b[6] - $b[0];
        $by = $b[7] - $b[1];
        $t ??= min(1.0, max(0.0, (($px - $b[0]) * $bx + ($py - $b[1]) * $by) / ($bx * $bx + $by * $by)));
        for ($round = 0; $round < self::NEWTON; $round++) {
            [$qx, $qy, $vx, $vy, $wx, $wy] = self::placed($b, $t);
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
        [$qx, $qy, $vx, $vy] = self::placed($b, $t);
        $speed = sqrt($vx * $vx + $vy * $vy);

        $gx = $px - $qx;
        $gy = $py - $qy;
        $far = sqrt($gx * $gx + $gy * $gy);
        $off = $speed > 0.0 ? ($vx * $gy - $vy * $gx) / $speed : $far;

        return [$s, $t, $off, $speed > 0.0 ? ($vx * $uy - $vy * $ux) / $speed : 0.0, $far <= $this->tolerance || $far - abs($off) <= self::SQUARE * $far, $far];
    }

    /**
     * The stretch of the first that lies beside the second, between the lines square to the second at its ends.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return array{float, float}|null
     */
    private static function beside(array $a, array $b): ?array
    {
        [$from, $to] = [0.0, 1.0];
        foreach ([[$b[0], $b[1], ...self::direction($b, 0.0), 1.0], [$b[6], $b[7], ...self::direction($b, 1.0), -1.0]] as [$x, $y, $dx, $dy, $way]) {
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

    /**
     * @param  list<float>  $b
     * @return array{float, float} along the run at one of the ends; a handle of no length leaves the next one to say
     */
    private static function direction(array $b, float $end): array
    {
        foreach ($end === 0.0 ? [2, 4, 6] : [4, 2, 0] as $k) {
            $dx = $end === 0.0 ? $b[$k] - $b[0] : $b[6] - $b[$k];
            $dy = $end === 0.0 ? $b[$k + 1] - $b[1] : $b[7] - $b[$k + 1];
            if ($dx !== 0.0 || $dy !== 0.0) {
                return [$dx, $dy];
            }
        }

        return [0.0, 0.0];
    }

    /**
     * @param  list<float>  $a
     * @return array{float, float, float, float, float, float} place, first and second derivative
     */
    private static function placed(array $a, float $t): array
    {
        $s = 1 - $t;
        // De Casteljau's scheme, whose last rows are the derivatives.
        $x01 = $s * $a[0] + $t * $a[2];
        $y01 = $s * $a[1] + $t * $a[3];
        $x12 = $s * $a[2] + $t * $a[4];
        $y12 = $s * $a[3] + $t * $a[5];
        $x23 = $s * $a[4] + $t * $a[6];
        $y23 = $s * $a[5] + $t * $a[7];
        $x012 = $s * $x01 + $t * $x12;
        $y012 = $s * $y01 + $t * $y12;
        $x123 = $s * $x12 + $t * $x23;
        $y123 = $s * $y12 + $t * $y23;

        return [
            $s * $x012 + $t * $x123, $s * $y012 + $t * $y123,
            3 * ($x123 - $x012), 3 * ($y123 - $y012),
            6 * ($x23 - 2 * $x12 + $x01), 6 * ($y23 - 2 * $y12 + $y01),
        ];
    }

    /**
     * @param  list<float>  $a
     * @return array{list<float>, list<float>}
     */
    private static function halves(array $a): array
    {
        $x01 = ($a[0] + $a[2]) / 2;
        $y01 = ($a[1] + $a[3]) / 2;
        $x12 = ($a[2] + $a[4]) / 2;
        $y12 = ($a[3] + $a[5]) / 2;
        $x23 = ($a[4] + $a[6]) / 2;
        $y23 = ($a[5] + $a[7]) / 2;
        $x012 = ($x01 + $x12) / 2;
        $y012 = ($y01 + $y12) / 2;
        $x123 = ($x12 + $x23) / 2;
        $y123 = ($y12 + $y23) / 2;
        $x = ($x012 + $x123) / 2;
        $y = ($y012 + $y123) / 2;

        return [[$a[0], $a[1], $x01, $y01, $x012, $y012, $x, $y], [$x, $y, $x123, $y123, $x23, $y23, $a[6], $a[7]]];
    }

    /** @param  list<float>  $a */
    private static function size(array $a): float
    {
        return max(abs($a[2] - $a[0]) + abs($a[3] - $a[1]), abs($a[4] - $a[2]) + abs($a[5] - $a[3]), abs($a[6] - $a[4]) + abs($a[7] - $a[5]), abs($a[6] - $a[0]) + abs($a[7] - $a[1]));
    }

    private static function within(float $t): float
    {
        return min(1.0, max(0.0, $t));
    }
}
