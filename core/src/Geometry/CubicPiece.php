<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * A piece of a cubic as its four control points, x, y, x, y, …, on plain numbers: with objects what is done with thousands of them took ten
 * times as long.
 */
final class CubicPiece
{
    /** A piece of which no leg of the control polygon leaves the chord by more, as a tangent, is calm. */
    private const CALM = 0.35;

    /**
     * How far a leg of the control polygon leaves the direction of the chord at most, as a tangent.
     *
     * @param  list<float>  $a
     * @return float|null null for a piece that turns much
     */
    public static function turn(array $a): ?float
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
     * @param  list<float>  $a
     * @return array{float, float, float, float, float, float} place, first and second derivative
     */
    public static function placed(array $a, float $t): array
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
    public static function halves(array $a): array
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
    public static function size(array $a): float
    {
        return max(
            abs($a[2] - $a[0]) + abs($a[3] - $a[1]),
            abs($a[4] - $a[2]) + abs($a[5] - $a[3]),
            abs($a[6] - $a[4]) + abs($a[7] - $a[5]),
            abs($a[6] - $a[0]) + abs($a[7] - $a[1]),
        );
    }

    /**
     * @param  list<float>  $b
     * @return array{float, float} along the run at one of the ends; a handle of no length leaves the next one to say
     */
    public static function direction(array $b, float $end): array
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
}
