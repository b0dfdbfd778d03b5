<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

/** Places that lie within the tolerance of one another, made one. */
final class Points
{
    /**
     * What is made one never reaches farther than twice the tolerance, however many places stand side by side.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @return array{list<float>, list<float>, list<int>} places from left to right, then from top to bottom, and for each given one its
     *   number
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
                self::mergeColumn($column, $x, $tolerance, $mergedX, $mergedY, $number);
                $column = [];
            }
            $column[$index] = $y[$index];
            $reach = $value + $tolerance;
        }
        self::mergeColumn($column, $x, $tolerance, $mergedX, $mergedY, $number);

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
     * @param  array<int, float>  $mergedX
     * @param  array<int, float>  $mergedY
     * @param  array<int, int>  $number
     */
    private static function mergeColumn(array $column, array $x, float $tolerance, array &$mergedX, array &$mergedY, array &$number): void
    {
        if (count($column) > 1) {
            asort($column);
        }
        $group = [];
        $reach = -INF;
        foreach ($column as $index => $value) {
            if ($value > $reach && $group !== []) {
                self::mergeGroup($group, $x, $tolerance, $mergedX, $mergedY, $number);
                $group = [];
            }
            $group[$index] = $value;
            $reach = $value + $tolerance;
        }
        if ($group !== []) {
            self::mergeGroup($group, $x, $tolerance, $mergedX, $mergedY, $number);
        }
    }

    /**
     * Places that are linked by neighbours within the tolerance, as one or, where they reach too far, as several.
     *
     * @param  non-empty-array<int, float>  $group  y by index
     * @param  array<int, float>  $x
     * @param  array<int, float>  $mergedX
     * @param  array<int, float>  $mergedY
     * @param  array<int, int>  $number
     */
    private static function mergeGroup(array $group, array $x, float $tolerance, array &$mergedX, array &$mergedY, array &$number): void
    {
        $first = count($mergedX);
        if (count($group) > 1) {
            // Given ends come before computed crossings, and are the better places.
            ksort($group);
        }
        foreach ($group as $index => $value) {
            $at = null;
            for ($known = $first, $count = count($mergedX); $known < $count; $known++) {
                if (abs($mergedX[$known] - $x[$index]) <= $tolerance && abs($mergedY[$known] - $value) <= $tolerance) {
                    $at = $known;
                    break;
                }
            }
            if ($at === null) {
                $at = count($mergedX);
                $mergedX[] = $x[$index];
                $mergedY[] = $value;
            }
            $number[$index] = $at;
        }
    }
}
