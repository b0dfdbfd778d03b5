<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Where two cubics meet.
 *
 * Both are divided until neither turns much. Pieces that lie beside one another are put aside by strips about their chords. Of the rest,
 * two whose directions differ throughout cross once at most: Newton's method finds where. Two that run in nearly one direction are compared
 * by how far the one stands off the other: that distance changes its sign where they cross, and comes near to nothing where they touch.
 * Dividing alone would go on for as long as they stay close; of two curves a millionth of a sheet apart that is a million pieces.
 *
 * A piece is its four control points, x, y, x, y, … (CubicPiece).
 */
final class CubicMeetings
{
    /** Halvings of either curve, at a cusp, before a pair is taken as it is. */
    private const DEEPEST = 60;

    private const NEWTON = 12;

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
            Budget::spend(7);
            [$s0, $s1, $a, $t0, $t1, $b, $depth] = $pair;
            if (! $this->comeNear($a, $b) || $this->standsAside($a, $b) || $this->standsAside($b, $a)) {
                continue;
            }
            // Both are one place, wherever on them it is: where all that lies far out counts, the tolerance is wide.
            if (CubicPiece::size($a) <= $this->tolerance && CubicPiece::size($b) <= $this->tolerance) {
                $this->found[] = [($s0 + $s1) / 2, ($t0 + $t1) / 2];

                continue;
            }
            $turnA = CubicPiece::turn($a);
            $turnB = CubicPiece::turn($b);
            if ($turnA !== null && $turnB !== null) {
                if (self::onlyJoin($a, $b, atan($turnA) + atan($turnB))) {
                    $this->found[] = self::joint($s0, $s1, $a, $t0, $t1, $b);

                    continue;
                }
                if (! self::canBeParallel($a, $b, atan($turnA) + atan($turnB))) {
                    if ($this->cross($s0, $s1, $a, $t0, $t1, $b)) {
                        continue;
                    }
                } else {
                    Budget::spend(150);
                    $meetings = (new SideBySide($a, $b, $this->tolerance))->meetings();
                    foreach ($meetings ?? [] as [$s, $t]) {
                        $this->found[] = [self::within($s0 + ($s1 - $s0) * $s), self::within($t0 + ($t1 - $t0) * $t)];
                    }
                    if ($meetings !== null) {
                        continue;
                    }
                }
            }
            if ($depth >= self::DEEPEST) {
                if (abs($a[0] - $b[0]) + abs($a[1] - $b[1]) <= $this->tolerance) {
                    $this->found[] = [$s0, $t0];
                }

                continue;
            }
            // The one that still turns, or the longer one.
            $first = ($turnA === null) === ($turnB === null) ? CubicPiece::size($a) >= CubicPiece::size($b) : $turnA === null;
            if ($first) {
                [$left, $right] = CubicPiece::halves($a);
                $middle = ($s0 + $s1) / 2;
                $open[] = [$middle, $s1, $right, $t0, $t1, $b, $depth + 1];
                $open[] = [$s0, $middle, $left, $t0, $t1, $b, $depth + 1];
            } else {
                [$left, $right] = CubicPiece::halves($b);
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
            [$px, $py, $ux, $uy] = CubicPiece::placed($a, $s);
            [$qx, $qy, $vx, $vy] = CubicPiece::placed($b, $t);
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

    private static function within(float $t): float
    {
        return min(1.0, max(0.0, $t));
    }
}
