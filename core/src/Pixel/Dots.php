<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

/**
 * Cells of one-pixel lines, rings, ellipses and boxes.
 *
 * Lines: J. E. Bresenham, Algorithm for computer control of a digital plotter, IBM Systems Journal 4 (1965). Rings: the midpoint circle, as
 * the cell nearest to the circle in each column where it is flatter, and in each row where it is steeper. Cells are a column and a row.
 */
final class Dots
{
    /** @return list<array{int, int}> from one cell to another, both among them */
    public static function line(int $fromX, int $fromY, int $toX, int $toY): array
    {
        [$wide, $high] = [abs($toX - $fromX), -abs($toY - $fromY)];
        [$right, $down] = [$fromX < $toX ? 1 : -1, $fromY < $toY ? 1 : -1];
        $error = $wide + $high;
        $cells = [];
        for ([$x, $y] = [$fromX, $fromY]; ;) {
            $cells[] = [$x, $y];
            if ($x === $toX && $y === $toY) {
                return $cells;
            }
            $twice = 2 * $error;
            if ($twice >= $high) {
                $error += $high;
                $x += $right;
            }
            if ($twice <= $wide) {
                $error += $wide;
                $y += $down;
            }
        }
    }

    /**
     * A ring that is so many cells wide and high, thin: no cell of it has a neighbour beside it and one above or below it.
     *
     * @param  int  $left  and $top the first column and row that it reaches
     * @return list<array{int, int}>
     */
    public static function ellipse(int $left, int $top, int $wide, int $high): array
    {
        [$radiusX, $radiusY] = [($wide - 1) / 2, ($high - 1) / 2];
        $quarter = [];
        // From its middle, in halves where there is an even number of cells.
        for ($x = fmod($radiusX, 1.0); $x <= $radiusX; $x++) {
            $y = self::across($x, $radiusX, $radiusY, fmod($radiusY, 1.0));
            $quarter["$x $y"] = [$x, $y, abs($y) * $radiusX ** 2 >= $x * $radiusY ** 2];
        }
        for ($y = fmod($radiusY, 1.0); $y <= $radiusY; $y++) {
            $x = self::across($y, $radiusY, $radiusX, fmod($radiusX, 1.0));
            $quarter["$x $y"] ??= [$x, $y, $y * $radiusX ** 2 >= $x * $radiusY ** 2];
        }
        $cells = [];
        foreach ($quarter as [$x, $y]) {
            foreach ([[$x, $y], [-$x, $y], [$x, -$y], [-$x, -$y]] as [$column, $row]) {
                $cell = [(int) round($left + $radiusX + $column), (int) round($top + $radiusY + $row)];
                $cells["$cell[0] $cell[1]"] = $cell;
            }
        }

        return min($wide, $high) < 3 ? array_values($cells) : self::thinned($cells);
    }

    /** How far across an ellipse reaches at a place along its one radius, in cells. */
    private static function across(float $along, float $radius, float $other, float $half): float
    {
        $exact = $radius > 0.0 ? $other * sqrt(max(0.0, 1.0 - ($along / $radius) ** 2)) : $other;

        return max($half, round($exact - $half) + $half);
    }

    /**
     * Without the cells at the inside of steps: those that have a neighbour beside them and one above or below, and that are not needed.
     *
     * @param  array<string, array{int, int}>  $cells
     * @return list<array{int, int}>
     */
    public static function thinned(array $cells): array
    {
        foreach (self::doubled($cells) as $key) {
            [$x, $y] = $cells[$key] ?? [0, 0];
            $has = static fn (int $right, int $down): bool => isset($cells[($x + $right).' '.($y + $down)]);
            // Others of the same step may have gone meanwhile.
            if (
                isset($cells[$key]) &&
                ($has(1, 0) || $has(-1, 0)) &&
                ($has(0, 1) || $has(0, -1)) &&
                $has(1, 0) !== $has(-1, 0) &&
                $has(0, 1) !== $has(0, -1)
            ) {
                unset($cells[$key]);
            }
        }

        return array_values($cells);
    }

    /**
     * Cells of a one-pixel line that are corners of it: with one neighbour beside them and one above or below.
     *
     * @param  array<string, array{int, int}>  $cells
     * @return list<string> their keys
     */
    public static function doubled(array $cells): array
    {
        $doubled = [];
        foreach ($cells as $key => [$x, $y]) {
            $has = static fn (int $right, int $down): bool => isset($cells[($x + $right).' '.($y + $down)]);
            if ($has(1, 0) !== $has(-1, 0) && $has(0, 1) !== $has(0, -1)) {
                $doubled[] = $key;
            }
        }

        return $doubled;
    }

    /** @return list<array{int, int}> the edge of a box between two cells */
    public static function box(int $left, int $top, int $right, int $bottom): array
    {
        $cells = [];
        for ($x = min($left, $right); $x <= max($left, $right); $x++) {
            foreach ([$top, $bottom] as $y) {
                $cells["$x $y"] = [$x, $y];
            }
        }
        for ($y = min($top, $bottom); $y <= max($top, $bottom); $y++) {
            foreach ([$left, $right] as $x) {
                $cells["$x $y"] = [$x, $y];
            }
        }

        return array_values($cells);
    }

    /**
     * The same with all that lies between its cells in every row.
     *
     * @param  list<array{int, int}>  $cells
     * @return list<array{int, int}>
     */
    public static function filled(array $cells): array
    {
        $rows = [];
        foreach ($cells as [$x, $y]) {
            $rows[$y] = [min($rows[$y][0] ?? $x, $x), max($rows[$y][1] ?? $x, $x)];
        }
        $filled = [];
        foreach ($rows as $y => [$first, $last]) {
            for ($x = $first; $x <= $last; $x++) {
                $filled[] = [$x, $y];
            }
        }

        return $filled;
    }

    /**
     * How many cells lie side by side in the upper right quarter of a ring, step by step from its top: in rows where it is flatter, in
     * columns where it is steeper.
     *
     * @param  list<array{int, int}>  $cells  of the ring
     * @return list<int>
     */
    public static function quarterRuns(array $cells): array
    {
        if ($cells === []) {
            return [];
        }
        [$columns, $rows] = [array_column($cells, 0), array_column($cells, 1)];
        [$middleX, $middleY] = [(min($columns) + max($columns)) / 2, (min($rows) + max($rows)) / 2];
        [$radiusX, $radiusY] = [max($columns) - $middleX, max($rows) - $middleY];
        $flat = $steep = [];
        foreach ($cells as [$x, $y]) {
            [$across, $up] = [$x - $middleX, $middleY - $y];
            if ($across < 0 || $up < 0) {
                continue;
            }
            if ($up * $radiusX ** 2 >= $across * $radiusY ** 2) {
                $flat[$y] = ($flat[$y] ?? 0) + 1;
            } else {
                $steep[$x] = ($steep[$x] ?? 0) + 1;
            }
        }
        ksort($flat);
        ksort($steep);

        return [...array_values($flat), ...array_values($steep)];
    }

    /**
     * How many cells of a line lie side by side, step by step: in rows where it goes across, in columns where it goes down.
     *
     * @param  list<array{int, int}>  $cells  in order
     * @return list<int>
     */
    public static function runs(array $cells): array
    {
        $first = $cells[0] ?? null;
        $last = $cells[count($cells) - 1] ?? null;
        if ($first === null || $last === null) {
            return [];
        }
        $across = abs($last[0] - $first[0]) >= abs($last[1] - $first[1]) ? 1 : 0;

        return array_values(array_count_values(array_column($cells, $across)));
    }
}
