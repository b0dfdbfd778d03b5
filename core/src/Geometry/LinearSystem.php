<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A few linear equations. */
final class LinearSystem
{
    /**
     * By elimination with the largest pivot of the column.
     *
     * @param  non-empty-list<list<float>>  $rows  as many as unknowns; the coefficients, then the right side
     * @param  float  $least  a pivot below this share of the largest coefficient counts as none
     * @return non-empty-list<float>|null null where they do not have exactly one solution
     */
    public static function solved(array $rows, float $least): ?array
    {
        $line = self::solutions(
            array_map(static fn (array $row): array => [...array_slice($row, 0, -1), 0.0, $row[count($row) - 1]], $rows),
            $least,
        );

        return $line === null || $line[1][count($rows)] === 0.0 ? null : array_slice($line[0], 0, count($rows));
    }

    /**
     * The line of all solutions of one equation less than there are unknowns.
     *
     * @param  non-empty-list<list<float>>  $rows  the coefficients, one more than there are rows, then the right side
     * @return array{non-empty-list<float>, non-empty-list<float>}|null a point of the line and its direction; null where there is more than
     *   a line, or nothing
     */
    public static function solutions(array $rows, float $least): ?array
    {
        $count = count($rows);
        $size = 0.0;
        foreach ($rows as $row) {
            $size = max($size, ...array_map(abs(...), array_slice($row, 0, $count + 1)));
        }
        $columns = range(0, $count);
        for ($step = 0; $step < $count; $step++) {
            [$pivotRow, $pivotColumn] = [$step, $step];
            for ($i = $step; $i < $count; $i++) {
                for ($j = $step; $j <= $count; $j++) {
                    if (abs($rows[$i][$columns[$j]]) > abs($rows[$pivotRow][$columns[$pivotColumn]])) {
                        [$pivotRow, $pivotColumn] = [$i, $j];
                    }
                }
            }
            [$rows[$step], $rows[$pivotRow]] = [$rows[$pivotRow], $rows[$step]];
            [$columns[$step], $columns[$pivotColumn]] = [$columns[$pivotColumn], $columns[$step]];
            $pivot = $rows[$step][$columns[$step]];
            if (abs($pivot) <= $least * $size) {
                return null;
            }
            for ($i = 0; $i < $count; $i++) {
                if ($i !== $step) {
                    $factor = $rows[$i][$columns[$step]] / $pivot;
                    for ($j = 0; $j <= $count + 1; $j++) {
                        $rows[$i][$j] -= $factor * $rows[$step][$j];
                    }
                }
            }
        }
        $point = $way = array_fill(0, $count + 1, 0.0);
        $free = $columns[$count];
        $way[$free] = 1.0;
        for ($step = 0; $step < $count; $step++) {
            $point[$columns[$step]] = $rows[$step][$count + 1] / $rows[$step][$columns[$step]];
            $way[$columns[$step]] = -$rows[$step][$free] / $rows[$step][$columns[$step]];
        }

        return [array_values($point), array_values($way)];
    }
}
