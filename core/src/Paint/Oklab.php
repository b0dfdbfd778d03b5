<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

/**
 * Colours mixed so that what lies between two of them looks as if it did: in Oklab.
 *
 * B. Ottosson, "A perceptual color space for image processing" (2020), as in the W3C's CSS Color 4, section 9.
 */
final class Oklab
{
    /** From linear sRGB to the cones' answers, and from their cube roots to Oklab. */
    private const CONES = [
        [0.4122214708, 0.5363325363, 0.0514459929],
        [0.2119034982, 0.6806995451, 0.1073969566],
        [0.0883024619, 0.2817188376, 0.6299787005],
    ];

    private const LAB = [
        [0.2104542553, 0.793617785, -0.0040720468],
        [1.9779984951, -2.428592205, 0.4505937099],
        [0.0259040371, 0.7827717662, -0.808675766],
    ];

    private const FROM_LAB = [[1.0, 0.3963377774, 0.2158037573], [1.0, -0.1055613458, -0.0638541728], [1.0, -0.0894841775, -1.2914855480]];

    private const FROM_CONES = [
        [4.0767416621, -3.3077115913, 0.2309699292],
        [-1.2684380046, 2.6097574011, -0.3413193965],
        [-0.0041960863, -0.7034186147, 1.707614701],
    ];

    /**
     * @param  string  $one  #rrggbb, and $other alike
     * @param  float  $share  0 for the one, 1 for the other
     */
    public static function mix(string $one, string $other, float $share): string
    {
        $from = self::coordinates($one);
        $to = self::coordinates($other);

        return self::hex(self::mixed($from, $to, $share));
    }

    /**
     * @param  array{float, float, float}  $from  coordinates, and $to alike
     * @param  array{float, float, float}  $to
     * @return array{float, float, float} sRGB, from 0 to 1 where it can be shown
     */
    public static function mixed(array $from, array $to, float $share): array
    {
        return self::rgb(array_map(static fn (float $a, float $b): float => $a + $share * ($b - $a), $from, $to));
    }

    /** The same hue and as much colour as can be shown in another lightness. */
    public static function withLightness(string $hex, float $lightness): string
    {
        [, $a, $b] = self::coordinates($hex);
        $share = 1.0;
        do {
            $rgb = self::rgb([$lightness, $a * $share, $b * $share]);
            $share -= 0.02;
        } while ($share > 0.0 && (min($rgb) < -1e-4 || max($rgb) > 1.0001));

        return self::hex($rgb);
    }

    /** @return array{float, float, float} lightness from 0 to 1, green to red, blue to yellow */
    public static function coordinates(string $hex): array
    {
        $value = (int) hexdec(substr($hex, 1));
        $linear = array_map(static function (int $channel): float {
            $share = $channel / 255;

            return $share <= 0.04045 ? $share / 12.92 : (($share + 0.055) / 1.055) ** 2.4;
        }, [$value >> 16 & 255, $value >> 8 & 255, $value & 255]);
        $roots = array_map(static fn (float $cone): float => $cone ** (1 / 3), self::times(self::CONES, $linear));

        return self::times(self::LAB, $roots);
    }

    /**
     * @param  array<int, float>  $lab
     * @return array{float, float, float}
     */
    private static function rgb(array $lab): array
    {
        $cones = array_map(static fn (float $root): float => $root ** 3, self::times(self::FROM_LAB, $lab));
        $channel = static fn (float $linear): float => $linear <= 0.0031308 ? 12.92 * $linear : 1.055 * $linear ** (1 / 2.4) - 0.055;
        [$red, $green, $blue] = self::times(self::FROM_CONES, $cones);

        return [$channel($red), $channel($green), $channel($blue)];
    }

    /** @param  array<int, float>  $rgb  from 0 to 1; what cannot be shown is brought to what can */
    public static function hex(array $rgb): string
    {
        return sprintf(
            '#%02x%02x%02x',
            ...array_map(static fn (float $share): int => (int) round(255 * max(0.0, min(1.0, $share))), array_values($rgb)),
        );
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $matrix
     * @param  array<int, float>  $vector
     * @return array{float, float, float}
     */
    private static function times(array $matrix, array $vector): array
    {
        [$x, $y, $z] = array_values($vector) + [0.0, 0.0, 0.0];
        $row = static fn (array $row): float => $row[0] * $x + $row[1] * $y + $row[2] * $z;

        return [$row($matrix[0]), $row($matrix[1]), $row($matrix[2])];
    }
}
