<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

/** Ordered dither: B. E. Bayer, An optimum method for two-level rendition of continuous-tone pictures, ICC 1973. */
final class Bayer
{
    /** @return list<list<int>> the matrix of a side of 2, 4 or 8 */
    public static function matrix(int $side): array
    {
        if ($side < 2) {
            return [[0]];
        }
        $half = intdiv($side, 2);
        $inner = self::matrix($half);

        return array_map(
            static fn (int $row): array => array_map(
                static fn (int $column): int => 4 * $inner[$row % $half][$column % $half] +
                    [[0, 2], [3, 1]][intdiv($row, $half)][intdiv($column, $half)],
                range(0, $side - 1),
            ),
            range(0, $side - 1),
        );
    }

    /**
     * Whether a cell takes the second of two colours.
     *
     * @param  'checker'|'2'|'4'|'8'  $matrix
     * @param  int  $column  and $row from 0
     * @param  float  $level  the share of the second colour
     */
    public static function isSecond(string $matrix, int $column, int $row, float $level): bool
    {
        if ($matrix === 'checker') {
            return (($column + $row) % 2 + 0.5) / 2 < $level;
        }
        $side = (int) $matrix;
        $known = self::matrixOf($side);

        return ($known[$row % $side][$column % $side] + 0.5) / $side ** 2 < $level;
    }

    /** @return list<list<int>> the same, once it is made */
    public static function matrixOf(int $side): array
    {
        /** @var array<int, list<list<int>>> $known */
        static $known = [];

        return $known[$side] ??= self::matrix($side);
    }
}
