<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;

/** Cells in columns and rows between two families of straight lines. */
abstract class LatticeGrid extends Grid implements ColumnsAndRows
{
    public function __construct(protected readonly Divisions $across, protected readonly Divisions $down)
    {
    }

    /** @return array{float, float} how far a place lies along both axes from the origin */
    abstract protected function distancesAt(Vec $place): array;

    /** The place that lies so far along both axes. */
    abstract protected function placeAlong(float $across, float $down): Vec;

    public function coordinatesAt(Vec $place): array
    {
        [$across, $down] = $this->distancesAt($place);

        return [$this->across->coordinateAt($across), $this->down->coordinateAt($down)];
    }

    public function placeAt(float $u, float $v): Vec
    {
        return $this->placeAlong($this->across->distanceAt($u), $this->down->distanceAt($v));
    }

    public function cellAt(Vec $place): ?int
    {
        [$across, $down] = $this->distancesAt($place);
        $column = $this->across->spanAt($across);
        $row = $this->down->spanAt($down);

        return $column === null || $row === null ? null : $row * $this->across->count() + $column;
    }

    /** Where an intersection lies; both lines counted from 0. */
    protected function place(int $column, int $row): Vec
    {
        return $this->placeAlong($this->across->lines[$column], $this->down->lines[$row]);
    }

    /** Whether rows follow columns clockwise on the screen, as they do unless an axis is turned past the other. */
    protected function clockwise(): bool
    {
        return true;
    }

    /** @return array{int, int} columns and rows */
    public function size(): array
    {
        return [$this->across->count(), $this->down->count()];
    }

    public function cellCount(): int
    {
        return $this->across->count() * $this->down->count();
    }

    public static function cellWords(): array
    {
        return ['column', 'row'];
    }

    public static function pointWords(): array
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

    protected function thinnestAmong(): array
    {
        return [$this->down->narrowest() * $this->across->count() + $this->across->narrowest()];
    }

    public function topologyKey(): string
    {
        return "lattice-{$this->across->key()}-{$this->down->key()}".($this->clockwise() ? '' : '-mirrored');
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
        $clockwise = $this->clockwise();
        foreach ($this->down->first as $row => $level) {
            foreach ($this->across->first as $column => $upright) {
                $top = $level * $columns + $column + 1;
                $left = $firstUpright + $upright * $rows + $row + 1;
                $cells[] = $clockwise
                    ? [$top, $left + $rows, -($top + $columns), -$left]
                    : [$left, $top + $columns, -($left + $rows), -$top];
            }
        }

        return new Mesh($x, $y, $from, $to, $carrier, [], $cells);
    }
}
