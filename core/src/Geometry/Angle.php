<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Trigonometry in degrees that is exact at the multiples of 90° and symmetric between the octants.
 *
 * Converting to radians first leaves cos(90°) at 6e-17, which would tilt every upright line of a grid by a hair.
 */
final class Angle
{
    public static function sine(float $degrees): float
    {
        $turn = self::normalised($degrees);
        if ($turn >= 180.0) {
            return -self::sineOfHalfTurn($turn - 180.0);
        }

        return self::sineOfHalfTurn($turn);
    }

    public static function cosine(float $degrees): float
    {
        return self::sine(self::normalised($degrees) + 90.0);
    }

    /** @return float the same direction in [0, 360) */
    public static function normalised(float $degrees): float
    {
        $turn = fmod($degrees, 360.0);
        if ($turn < 0.0) {
            $turn += 360.0;
        }

        return $turn >= 360.0 ? 0.0 : $turn;
    }

    /** @param  float  $degrees in [0, 180) */
    private static function sineOfHalfTurn(float $degrees): float
    {
        $acute = $degrees > 90.0 ? 180.0 - $degrees : $degrees;

        return match (true) {
            $acute === 0.0 => 0.0,
            $acute === 30.0 => 0.5,
            $acute > 45.0 => cos(deg2rad(90.0 - $acute)),
            default => sin(deg2rad($acute)),
        };
    }
}
