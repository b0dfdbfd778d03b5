<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

/** Painted cells in columns and rows, each in a colour. */
final readonly class PaintedCells
{
    /**
     * @param  int  $columns  and $rows that there are
     * @param  array<int, string>  $cells  names of colours by the number of the cell, row by row
     */
    public function __construct(public int $columns, public int $rows, public array $cells)
    {
    }

    /** The colour of a cell, both counted from 0; an empty text where it is not painted, or there is none. */
    public function at(int $column, int $row): string
    {
        return $column < 0 || $row < 0 || $column >= $this->columns || $row >= $this->rows
            ? ''
            : $this->cells[$row * $this->columns + $column] ?? '';
    }

    /** Whether a cell lies in no square of two by two of its colour. */
    public function isThin(int $column, int $row): bool
    {
        $colour = $this->at($column, $row);
        foreach ([[-1, -1], [1, -1], [-1, 1], [1, 1]] as [$right, $down]) {
            if (
                $this->at($column + $right, $row) === $colour &&
                $this->at($column, $row + $down) === $colour &&
                $this->at($column + $right, $row + $down) === $colour
            ) {
                return false;
            }
        }

        return $colour !== '';
    }

    /** The colour that most cells around one have, beside its own; none where most are not painted. */
    public function around(int $column, int $row): string
    {
        $own = $this->at($column, $row);
        $counts = [];
        foreach ([[0, -1], [1, 0], [0, 1], [-1, 0], [1, -1], [1, 1], [-1, 1], [-1, -1]] as $number => [$right, $down]) {
            $colour = $this->at($column + $right, $row + $down);
            if ($colour !== $own) {
                // Those that share an edge count more.
                $counts[$colour] = ($counts[$colour] ?? 0) + ($number < 4 ? 2 : 1);
            }
        }
        arsort($counts);
        $most = (string) array_key_first($counts);

        return $most === '' ? 'none' : $most;
    }

    /**
     * Lines of one cell's width that no other runs into: cell after cell.
     *
     * @return list<list<array{int, int}>> column and row, from 0
     */
    public function lines(): array
    {
        $ways = [];
        foreach ($this->cells as $cell => $colour) {
            [$x, $y] = [$cell % $this->columns, intdiv($cell, $this->columns)];
            if (! $this->isThin($x, $y)) {
                continue;
            }
            $beside = [];
            foreach ([[0, -1], [1, 0], [0, 1], [-1, 0], [1, -1], [1, 1], [-1, 1], [-1, -1]] as $number => [$right, $down]) {
                $isCorner = $number > 3 && ($this->at($x + $right, $y) === $colour || $this->at($x, $y + $down) === $colour);
                if (! $isCorner && $this->at($x + $right, $y + $down) === $colour) {
                    $beside[] = ($y + $down) * $this->columns + $x + $right;
                }
            }
            if (count($beside) <= 2) {
                $ways[$cell] = $beside;
            }
        }
        $lines = $seen = [];
        // From ends first, so that what is open is followed from one to the other.
        foreach ([1, 2] as $count) {
            foreach ($ways as $start => $beside) {
                $known = array_filter($beside, static fn (int $next): bool => isset($ways[$next]));
                if (isset($seen[$start]) || ($count === 1 && count($known) > 1)) {
                    continue;
                }
                $line = [];
                for ($cell = $start; $cell !== null;) {
                    $seen[$cell] = true;
                    $line[] = [$cell % $this->columns, intdiv($cell, $this->columns)];
                    $next = array_values(
                        array_filter($ways[$cell], static fn (int $one): bool => isset($ways[$one]) && ! isset($seen[$one])),
                    );
                    $cell = $next[0] ?? null;
                }
                $lines[] = $line;
            }
        }

        return $lines;
    }
}
