<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

/**
 * One colour laid over another, of which something may be seen through it.
 *
 * T. Porter and T. Duff, "Compositing digital images", SIGGRAPH 1984, their operator *over*; with the separable blend modes of the W3C's
 * Compositing and Blending Level 1, sections 5 and 10.
 */
final class Compositing
{
    /**
     * @param  string  $source  and $backdrop, #rrggbb or #rrggbbaa
     * @param  float  $opacity  of the source, besides its own
     * @param  string  $blend  normal, multiply, screen, darken or lighten
     * @return string #rrggbb where nothing is seen through it, else #rrggbbaa
     */
    public static function over(string $source, string $backdrop, float $opacity = 1.0, string $blend = 'normal'): string
    {
        [$sr, $sg, $sb, $sa] = self::read($source);
        [$br, $bg, $bb, $ba] = self::read($backdrop);
        $sa *= $opacity;
        $alpha = $sa + $ba * (1 - $sa);
        if ($alpha <= 0.0) {
            return '#00000000';
        }
        $mixed = static fn (float $s, float $b): float => ($sa * ((1 - $ba) * $s + $ba * self::blended($blend, $b, $s)) +
            (1 - $sa) * $ba * $b) /
            $alpha;

        return self::written([$mixed($sr, $br), $mixed($sg, $bg), $mixed($sb, $bb), $alpha]);
    }

    /** @return array{int, int, int, int} red, green, blue and alpha, 0 to 255, of #rrggbb or #rrggbbaa */
    public static function bytes(string $colour): array
    {
        $value = (int) hexdec(substr($colour, 1, 6));

        return [$value >> 16 & 255, $value >> 8 & 255, $value & 255, strlen($colour) > 7 ? (int) hexdec(substr($colour, 7, 2)) : 255];
    }

    private static function blended(string $blend, float $backdrop, float $source): float
    {
        return match ($blend) {
            'multiply' => $backdrop * $source,
            'screen' => $backdrop + $source - $backdrop * $source,
            'darken' => min($backdrop, $source),
            'lighten' => max($backdrop, $source),
            default => $source,
        };
    }

    /** @return list<float> from 0 to 1 */
    private static function read(string $colour): array
    {
        return array_map(static fn (int $byte): float => $byte / 255, self::bytes($colour));
    }

    /** @param  array{float, float, float, float}  $colour */
    private static function written(array $colour): string
    {
        $bytes = array_map(static fn (float $one): int => (int) round(255 * max(0.0, min(1.0, $one))), $colour);

        return $bytes[3] === 255 ? sprintf('#%02x%02x%02x', $bytes[0], $bytes[1], $bytes[2]) : sprintf('#%02x%02x%02x%02x', ...$bytes);
    }
}
