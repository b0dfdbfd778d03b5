<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

/** Places that lie within the tolerance of one another, made one. */
final class Points
{
    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @return array{list<float>, list<float>, list<int>} places from left to right, then from top to bottom, and for each given one its number
     */
    public static function merged(array $x, array $y, float $tolerance): array
    {
        $number = array_fill(0, count($x), 0);
        asort($x);
        $mergedX = $mergedY = [];
        $column = [];
        $reach = -INF;
        foreach ($x as $index => $value) {
            if ($value > $reach && $column !== []) {
                self::mergeColumn($column, $x, $y, $tolerance, $mergedX, $mergedY, $number);
                $column = [];
            }
            $column[$index] = $y[$index];
            $reach = $value + $tolerance;
        }
        self::mergeColumn($column, $x, $y, $tolerance, $mergedX, $mergedY, $number);

        /**
         * @var list<float> $mergedX
         * @var list<float> $mergedY
         * @var list<int> $number
         */
        return [$mergedX, $mergedY, $number];
    }

    /**
     * Places that stand above one another.
     *
     * @param  array<int, float>  $column  y by index
     * @param  array<int, float>  $x
     * @param  list<float>  $y
     * @param  array<int, float>  $mergedX
     * @param  array<int, float>  $mergedY
     * @param  array<int, int>  $number
     */
    private static function mergeColumn(array $column, array $x, array $y, float $tolerance, array &$mergedX, array &$mergedY, array &$number): void
    {
        if (count($column) > 1) {
            asort($column);
        }
        $reach = -INF;
        $lowest = PHP_INT_MAX;
        $last = count($mergedX) - 1;
        foreach ($column as $index => $value) {
            if ($value > $reach) {
                $last++;
                $lowest = $index;
                $mergedX[] = $x[$index];
                $mergedY[] = $value;
            } elseif ($index < $lowest) {
                // Given ends come before computed crossings, and are the better places.
                $lowest = $index;
                $mergedX[$last] = $x[$index];
                $mergedY[$last] = $y[$index];
            }
            $number[$index] = $last;
            $reach = $value + $tolerance;
        }
    }
}
