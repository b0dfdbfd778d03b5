<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

/** Runs of two colours that lie exactly under one another, again and again. */
final class Banding extends PaintedCheck
{
    /** Runs that lie exactly under others, from which on they make a band. */
    private const LEAST_BANDS = 4;

    public function tells(): array
    {
        return [
            Sort::note('banding', 'runs of two colours that lie exactly under one another, four times or more'),
        ];
    }

    protected function of(PaintedGrid $painted): array
    {
        $picture = $painted->cells;
        $above = $stacked = [];
        for ($row = 0; $row < $picture->rows; $row++) {
            $here = [];
            for ($column = 0; $column < $picture->columns;) {
                $colour = $picture->at($column, $row);
                $first = $column;
                while ($column < $picture->columns && $picture->at($column, $row) === $colour) {
                    $column++;
                }
                if ($colour !== '') {
                    $here["$first $column"] = $colour;
                }
            }
            foreach ($here as $span => $colour) {
                [$first, $end] = array_map(intval(...), explode(' ', $span));
                $over = $above[$span] ?? $colour;
                $middle = intdiv($first + $end, 2);
                // Outlines run along what they are around.
                if ($over !== $colour && $row > 0 && ! $picture->isThin($middle, $row) && ! $picture->isThin($middle, $row - 1)) {
                    $stacked["$over\n$colour"][$span] = $row * $picture->columns + $first;
                }
            }
            $above = $here;
        }
        $findings = [];
        foreach ($stacked as $pair => $cells) {
            if (count($cells) >= self::LEAST_BANDS && count($findings) < PaintedGrid::MOST) {
                $findings[] = $this->told(
                    $painted,
                    'banding',
                    array_values($cells)[0],
                    'runs of '.
                        str_replace("\n", ' and ', $pair).
                        ' lie exactly under one another '.
                        count($cells).
                        ' times, and make a band',
                );
            }
        }

        return $findings;
    }
}
