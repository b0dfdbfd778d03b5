<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;

/** Triangles between columns and rows that lean by 60°. */
final class TrianglesInRhomb extends TriangularGrid
{
    public function coordinatesAt(Vec $place): array
    {
        $way = $this->turn->inverse()->apply($place)->minus($this->origin)->times(1 / $this->side);
        $row = $way->y / (sqrt(3) / 2);

        return [$way->x - $row / 2, $row];
    }

    public function placeAt(float $u, float $v): Vec
    {
        return $this->turn->apply($this->origin->plus(new Vec(($u + $v / 2) * $this->side, $v * sqrt(3) / 2 * $this->side)));
    }

    public function cellAt(Vec $place): ?int
    {
        [$u, $v] = $this->coordinatesAt($place);
        [$column, $row] = [(int) floor($u), (int) floor($v)];
        if ($column < 0 || $column >= $this->columns || $row < 0 || $row >= $this->rows) {
            return null;
        }

        return $row * $this->cellsInRow() + 2 * $column + ($u - $column + $v - $row > 1.0 ? 1 : 0);
    }

    public function pointCoordinates(int $point): array
    {
        return [$point % ($this->columns + 1), intdiv($point, $this->columns + 1)];
    }

    public function pointAt(array $coordinates): Vec
    {
        self::expect($coordinates, 2, '@column,row');

        return $this->placeAt(
            self::within('column', $coordinates[0], 0, $this->columns),
            self::within('row', $coordinates[1], 0, $this->rows),
        );
    }

    public function topologyKey(): string
    {
        return "triangular-$this->columns-$this->rows";
    }

    protected function cellsInRow(): int
    {
        return 2 * $this->columns;
    }

    protected function buildMesh(): Mesh
    {
        $x = $y = $from = $to = $carrier = $cells = [];
        $across = $this->columns + 1;
        for ($row = 0; $row <= $this->rows; $row++) {
            for ($column = 0; $column <= $this->columns; $column++) {
                $place = $this->placeAt($column, $row);
                $x[] = $place->x;
                $y[] = $place->y;
            }
        }
        // Three families of lines: along the rows, along the columns, and across both.
        for ($row = 0; $row <= $this->rows; $row++) {
            for ($column = 0; $column < $this->columns; $column++) {
                $from[] = $row * $across + $column;
                $to[] = $row * $across + $column + 1;
                $carrier[] = $row;
            }
        }
        $firstColumnEdge = count($from);
        for ($column = 0; $column <= $this->columns; $column++) {
            for ($row = 0; $row < $this->rows; $row++) {
                $from[] = $row * $across + $column;
                $to[] = ($row + 1) * $across + $column;
                $carrier[] = $this->rows + 1 + $column;
            }
        }
        $diagonals = [];
        for ($sum = 1; $sum < $this->columns + $this->rows; $sum++) {
            // From the upper right to the lower left; column + row is the same all along.
            for ($row = max(0, $sum - $this->columns); $row < min($sum, $this->rows); $row++) {
                $diagonals[$row][$sum - $row - 1] = count($from) + 1;
                $from[] = $row * $across + $sum - $row;
                $to[] = ($row + 1) * $across + $sum - $row - 1;
                $carrier[] = $this->rows + $across + $sum;
            }
        }
        for ($row = 0; $row < $this->rows; $row++) {
            for ($column = 0; $column < $this->columns; $column++) {
                $top = $row * $this->columns + $column + 1;
                $left = $firstColumnEdge + $column * $this->rows + $row + 1;
                $diagonal = $diagonals[$row][$column];
                $cells[] = [$top, $diagonal, -$left];
                $cells[] = [-$diagonal, $left + $this->rows, -($top + $this->columns)];
            }
        }

        return new Mesh($x, $y, $from, $to, $carrier, [], $cells);
    }
}
