<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;

/**
 * Columns and rows, with gutters between them or none, each cell subdivided or not.
 *
 * A subdivided cell counts as so many columns and rows: what can be seen can be picked. With a gutter every column has a line of its own
 * on either side, and intersections count all lines from 0.
 */
final class RectangularGrid extends Grid
{
    private readonly Divisions $across;

    private readonly Divisions $down;

    private readonly Affine $turn;

    /**
     * @param  float  $width  and $height of a cell before it is subdivided, positive
     * @param  float  $gutterX  between columns, and $gutterY between rows; not negative
     * @param  float  $angle  degrees, clockwise about the origin
     */
    public function __construct(
        private readonly Vec $origin,
        int $columns,
        int $rows,
        private readonly float $width,
        private readonly float $height,
        float $gutterX,
        float $gutterY,
        private readonly int $subdivisions,
        float $angle,
    ) {
        $this->across = Divisions::of($columns, $width, $gutterX, $subdivisions);
        $this->down = Divisions::of($rows, $height, $gutterY, $subdivisions);
        $this->turn = Affine::turn($angle, $origin);
    }

    public function cellCount(): int
    {
        return $this->across->count() * $this->down->count();
    }

    public function area(): float
    {
        return $this->cellCount() * $this->width * $this->height / $this->subdivisions ** 2;
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
        return [$cell % $this->across->count() + 1, intdiv($cell, $this->across->count()) + 1];
    }

    public function cellsAt(array $coordinates): array
    {
        self::expect($coordinates, 2, '#column,row');
        $cells = [];
        foreach (self::each('row', $coordinates[1], $this->down->count()) as $row) {
            foreach (self::each('column', $coordinates[0], $this->across->count()) as $column) {
                $cells[] = ($row - 1) * $this->across->count() + $column - 1;
            }
        }

        return $cells;
    }

    public function pointCoordinates(int $point): array
    {
        return [$point % $this->across->lineCount(), intdiv($point, $this->across->lineCount())];
    }

    public function pointAt(array $coordinates): Vec
    {
        self::expect($coordinates, 2, '@column,row');
        $column = self::within('column', $coordinates[0], 0, $this->across->lineCount() - 1);
        $row = self::within('row', $coordinates[1], 0, $this->down->lineCount() - 1);

        return $this->place($column, $row);
    }

    public function quantities(): array
    {
        return ['cellw' => $this->width / $this->subdivisions, 'cellh' => $this->height / $this->subdivisions];
    }

    public function topologyKey(): string
    {
        return "rectangular-{$this->across->key()}-{$this->down->key()}";
    }

    public function arrows(): array
    {
        return ['right' => [1, 0], 'up' => [0, -1], 'wraps' => [false, false]];
    }

    protected function buildMesh(): Mesh
    {
        $x = $y = $from = $to = $carrier = $cells = [];
        $uprights = $this->across->lineCount();
        $levels = $this->down->lineCount();
        for ($row = 0; $row < $levels; $row++) {
            for ($column = 0; $column < $uprights; $column++) {
                $place = $this->place($column, $row);
                $x[] = $place->x;
                $y[] = $place->y;
            }
        }
        // Level edges first, line by line, then the upright ones.
        for ($row = 0; $row < $levels; $row++) {
            foreach ($this->across->first as $column) {
                $from[] = $row * $uprights + $column;
                $to[] = $row * $uprights + $column + 1;
                $carrier[] = $row;
            }
        }
        $firstUpright = count($from);
        for ($column = 0; $column < $uprights; $column++) {
            foreach ($this->down->first as $row) {
                $from[] = $row * $uprights + $column;
                $to[] = ($row + 1) * $uprights + $column;
                $carrier[] = $levels + $column;
            }
        }
        $columns = $this->across->count();
        $rows = $this->down->count();
        foreach ($this->down->first as $row => $level) {
            foreach ($this->across->first as $column => $upright) {
                $top = $level * $columns + $column + 1;
                $left = $firstUpright + $upright * $rows + $row + 1;
                $cells[] = [$top, $left + $rows, -($top + $columns), -$left];
            }
        }

        return new Mesh($x, $y, $from, $to, $carrier, [], $cells);
    }

    private function place(int $column, int $row): Vec
    {
        return $this->turn->apply($this->origin->plus(new Vec($this->across->lines[$column], $this->down->lines[$row])));
    }
}
