<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;

/**
 * Equal triangles in a rhombic field: lattice columns along one family of lines, rows along the next, 60° clockwise from it.
 *
 * Every lattice column holds two triangles a row, the left one first. Turned by 30° one family of lines stands upright, the isometric case.
 */
final class TriangularGrid extends Grid
{
    private readonly Affine $turn;

    /**
     * @param  float  $side of a triangle
     * @param  float  $angle degrees, clockwise about the origin
     */
    public function __construct(
        private readonly Vec $origin,
        private readonly float $side,
        private readonly int $columns,
        private readonly int $rows,
        float $angle,
    ) {
        $this->turn = Affine::turn($angle, $origin);
    }

    public function cellCount(): int
    {
        return 2 * $this->columns * $this->rows;
    }

    public function area(): float
    {
        return $this->cellCount() * sqrt(3) / 4 * $this->side ** 2;
    }

    public function cellWords(): array
    {
        return ['column', 'row'];
    }

    public function pointWords(): array
    {
        return ['column', 'row'];
    }

    public function cellCoordinates(int $cell): array
    {
        return [$cell % (2 * $this->columns) + 1, intdiv($cell, 2 * $this->columns) + 1];
    }

    public function cellsAt(array $coordinates): array
    {
        self::expect($coordinates, 2, '#column,row');
        $cells = [];
        foreach (self::each('row', $coordinates[1], $this->rows) as $row) {
            foreach (self::each('column', $coordinates[0], 2 * $this->columns) as $column) {
                $cells[] = ($row - 1) * 2 * $this->columns + $column - 1;
            }
        }

        return $cells;
    }

    public function pointCoordinates(int $point): array
    {
        return [$point % ($this->columns + 1), intdiv($point, $this->columns + 1)];
    }

    public function pointAt(array $coordinates): Vec
    {
        self::expect($coordinates, 2, '@column,row');

        return $this->place(self::within('column', $coordinates[0], 0, $this->columns), self::within('row', $coordinates[1], 0, $this->rows));
    }

    public function quantities(): array
    {
        return ['side' => $this->side];
    }

    public function topologyKey(): string
    {
        return "triangular-$this->columns-$this->rows";
    }

    public function arrows(): array
    {
        return ['right' => [1, 0], 'up' => [0, -1], 'wraps' => [false, false]];
    }

    protected function buildMesh(): Mesh
    {
        $x = $y = $from = $to = $carrier = $cells = [];
        $across = $this->columns + 1;
        for ($row = 0; $row <= $this->rows; $row++) {
            for ($column = 0; $column <= $this->columns; $column++) {
                $place = $this->place($column, $row);
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

    private function place(int $column, int $row): Vec
    {
        return $this->turn->apply($this->origin->plus(new Vec(($column + $row / 2) * $this->side, $row * sqrt(3) / 2 * $this->side)));
    }
}
