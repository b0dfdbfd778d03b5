<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

/**
 * How much two colours differ to the eye: CIEDE2000, ISO/CIE 11664-6; as in G. Sharma, W. Wu and E. N. Dalal, The CIEDE2000
 * color-difference formula: implementation notes, supplementary test data, and mathematical observations, Color Research and Application 30
 * (2005).
 */
final class Ciede2000
{
    /** Two colours that differ by less are hardly told apart. */
    public const HARDLY = 2.0;

    /** The white of D65. */
    private const WHITE = [0.95047, 1.0, 1.08883];

    /**
     * @param  array{float, float, float}  $one  CIELAB
     * @param  array{float, float, float}  $other
     */
    public static function between(array $one, array $other): float
    {
        [$l1, $a1, $b1] = $one;
        [$l2, $a2, $b2] = $other;
        $mean = (hypot($a1, $b1) + hypot($a2, $b2)) / 2;
        $seven = $mean ** 7;
        $g = 0.5 * (1 - sqrt($seven / ($seven + 6103515625.0)));
        $a1 *= 1 + $g;
        $a2 *= 1 + $g;
        [$c1, $c2] = [hypot($a1, $b1), hypot($a2, $b2)];
        $h1 = $c1 === 0.0 ? 0.0 : fmod(rad2deg(atan2($b1, $a1)) + 360.0, 360.0);
        $h2 = $c2 === 0.0 ? 0.0 : fmod(rad2deg(atan2($b2, $a2)) + 360.0, 360.0);
        $isGrey = $c1 * $c2 === 0.0;
        $turn = $isGrey ? 0.0 : $h2 - $h1;
        $turn -= $turn > 180.0 ? 360.0 : ($turn < -180.0 ? -360.0 : 0.0);
        $hue = match (true) {
            $isGrey => $h1 + $h2,
            abs($h1 - $h2) <= 180.0 => ($h1 + $h2) / 2,
            $h1 + $h2 < 360.0 => ($h1 + $h2 + 360.0) / 2,
            default => ($h1 + $h2 - 360.0) / 2,
        };
        [$light, $chroma] = [($l1 + $l2) / 2, ($c1 + $c2) / 2];
        $t =
            1 -
            0.17 * cos(deg2rad($hue - 30)) +
            0.24 * cos(deg2rad(2 * $hue)) +
            0.32 * cos(deg2rad(3 * $hue + 6)) -
            0.2 * cos(deg2rad(4 * $hue - 63));
        $seven = $chroma ** 7;
        $rotation = -sin(deg2rad(60 * exp(-((($hue - 275) / 25) ** 2)))) * 2 * sqrt($seven / ($seven + 6103515625.0));
        $l = ($l2 - $l1) / (1 + 0.015 * ($light - 50) ** 2 / sqrt(20 + ($light - 50) ** 2));
        $c = ($c2 - $c1) / (1 + 0.045 * $chroma);
        $h = 2 * sqrt($c1 * $c2) * sin(deg2rad($turn / 2)) / (1 + 0.015 * $chroma * $t);

        return sqrt($l * $l + $c * $c + $h * $h + $rotation * $c * $h);
    }

    /** @return array{float, float, float} CIELAB under D65 of #rrggbb, IEC 61966-2-1 */
    public static function lab(string $hex): array
    {
        [$r, $g, $b] = array_map(static fn (int $at): float => self::linear(hexdec(substr($hex, $at, 2)) / 255), [1, 3, 5]);
        $f = static fn (float $t): float => $t > 216 / 24389 ? $t ** (1 / 3) : (24389 / 27 * $t + 16) / 116;
        $x = $f((0.4124564 * $r + 0.3575761 * $g + 0.1804375 * $b) / self::WHITE[0]);
        $y = $f((0.2126729 * $r + 0.7151522 * $g + 0.0721750 * $b) / self::WHITE[1]);
        $z = $f((0.0193339 * $r + 0.1191920 * $g + 0.9503041 * $b) / self::WHITE[2]);

        return [116 * $y - 16, 500 * ($x - $y), 200 * ($y - $z)];
    }

    private static function linear(float $value): float
    {
        return $value <= 0.04045 ? $value / 12.92 : (($value + 0.055) / 1.055) ** 2.4;
    }
}
