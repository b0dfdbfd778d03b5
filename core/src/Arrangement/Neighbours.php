<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;

/** Which curves come near one another, by their boxes in a chequer of squares about as large as the boxes. */
final class Neighbours
{
    /** Fields of the chequer for every curve, at most. */
    private const FIELDS = 2;

    /**
     * Every pair of curves whose boxes meet, once.
     *
     * @param  list<Curve>  $curves
     * @return iterable<array{int, list<int>}> a curve and those before it in the list that it may meet
     */
    public static function find(array $curves, float $within): iterable
    {
        $left = $top = $right = $bottom = [];
        foreach ($curves as $curve) {
            $bounds = $curve->bounds();
            $left[] = $bounds->left - $within;
            $top[] = $bounds->top - $within;
            $right[] = $bounds->right + $within;
            $bottom[] = $bounds->bottom + $within;
        }
        if ($curves === []) {
            return;
        }
        [$columns, $width] = self::division($left, $right, count($curves));
        [$rows, $height] = self::division($top, $bottom, count($curves));
        $originX = min($left);
        $originY = min($top);
        $fields = [];
        $firstColumn = $firstRow = [];
        for ($curve = 0, $count = count($curves); $curve < $count; $curve++) {
            [$l, $t, $r, $b] = [$left[$curve], $top[$curve], $right[$curve], $bottom[$curve]];
            $fromColumn = $firstColumn[] = min($columns - 1, (int) (($l - $originX) / $width));
            $fromRow = $firstRow[] = min($rows - 1, (int) (($t - $originY) / $height));
            $toColumn = min($columns - 1, (int) (($r - $originX) / $width));
            $toRow = min($rows - 1, (int) (($b - $originY) / $height));
            $near = [];
            Budget::spend(($toRow - $fromRow + 1) * ($toColumn - $fromColumn + 1));
            for ($row = $fromRow; $row <= $toRow; $row++) {
                for ($column = $fromColumn; $column <= $toColumn; $column++) {
                    $field = $row * $columns + $column;
                    Budget::spend(0.05 * count($fields[$field] ?? []));
                    foreach ($fields[$field] ?? [] as $other) {
                        // Each pair in the first field that both have, and nowhere else.
                        if (($column === $fromColumn || $column === $firstColumn[$other])
                            && ($row === $fromRow || $row === $firstRow[$other])
                            && $left[$other] <= $r && $right[$other] >= $l && $top[$other] <= $b && $bottom[$other] >= $t) {
                            $near[] = $other;
                        }
                    }
                    $fields[$field][] = $curve;
                }
            }
            if ($near !== []) {
                Budget::spend(2 * count($near));
                yield [$curve, $near];
            }
        }
    }

    /**
     * @param  non-empty-list<float>  $low
     * @param  non-empty-list<float>  $high
     * @return array{int, float} how many fields along this axis, and how wide they are
     */
    private static function division(array $low, array $high, int $count): array
    {
        $extent = max($high) - min($low);
        $mean = (array_sum($high) - array_sum($low)) / $count;
        $most = (int) ceil(sqrt(self::FIELDS * $count));
        $fields = $mean > 0.0 ? (int) min($most, max(1.0, floor($extent / $mean))) : 1;

        return [$fields, $extent > 0.0 ? $extent / $fields : 1.0];
    }
}
