<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** Sizes in whole pixels that a rectangle has without being stretched. */
final class WholePixels
{
    /** What a side may be off, in pixels, and still be called exact. */
    private const EXACT = 0.01;

    /** Pixels to each side that are looked through. */
    private const LOOKED_THROUGH = 600;

    /** By how many pixels its height is off where it is so many wide. */
    public static function off(float $wide, float $high, int $width): float
    {
        $height = $high / $wide * $width;

        return abs($height - max(1.0, round($height)));
    }

    public static function areExact(float $wide, float $high, int $width): bool
    {
        return self::off($wide, $high, $width) <= self::EXACT;
    }

    /** @return list<array{int, int}> the sizes next to a width that are exact: the nearest smaller and the nearest larger one */
    public static function near(float $wide, float $high, int $width): array
    {
        $found = [];
        foreach ([-1, 1] as $way) {
            for ($step = 1; $step <= self::LOOKED_THROUGH; $step++) {
                $one = $width + $way * $step;
                if ($one >= 1 && self::areExact($wide, $high, $one)) {
                    $found[] = [$one, (int) round($high / $wide * $one)];
                    break;
                }
            }
        }

        return $found;
    }
}
