<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\CellJoin;
use Sternbild\Core\Mesh\Mesh;
use Sternbild\Core\Result\Result;

/** What cuts the sheet into cells that parts can be made of: a grid, or an overlay of several. */
abstract class Tiling implements Result
{
    private ?Mesh $mesh = null;

    public function mesh(): Mesh
    {
        return $this->mesh ??= $this->buildMesh();
    }

    /** What of its mesh is told place by place; nothing of one that is told as a lattice. */
    public function listed(): Mesh
    {
        return $this->mesh();
    }

    /**
     * @return array{size: array{int, int}, corner: Vec, across: Vec, down: Vec}|null where all places follow from one another, and are told
     *   so
     */
    public function lattice(): ?array
    {
        return null;
    }

    abstract protected function buildMesh(): Mesh;

    abstract public function cellCount(): int;

    /** Sheet units squared, of all cells together. */
    abstract public function area(): float;

    /** The address of a cell behind the step's id: `#2,1` of a grid, `~g1:2.5,3.5` of an overlay. */
    abstract public function cellAddress(int $cell): string;

    /** The sign before what says a cell: # where cells are counted, ~ where places hold them. */
    abstract public function cellMark(): string;

    /** @return list<string> what the coordinates of a cell's address count: ring and sector, column and row */
    abstract public static function cellWords(): array;

    /** @return list<string> what the coordinates of an intersection's address count */
    abstract public static function pointWords(): array;

    /** @return list<int>|null the coordinates of an intersection, as its address has them; null where none are named */
    abstract public function pointCoordinates(int $point): ?array;

    /**
     * How arrow keys walk from cell to cell.
     *
     * @return array{right: list<int>, up: list<int>, wraps: list<bool>}|null what is added to a cell's coordinates, and which of them run in
     *   a circle; null where they do not
     */
    abstract public function arrows(): ?array;

    /**
     * What a repeat around it takes from it, so that it follows.
     *
     * @return array{center: string, count: string}|null address of the centre and name of the count, behind the id; null where it has no
     *   centre point
     */
    public function about(): ?array
    {
        return null;
    }

    /**
     * How what is placed upright has to be turned to stand as it does there.
     *
     * @return float degrees, clockwise on the screen
     */
    public function turnAt(Vec $place): float
    {
        return 0.0;
    }

    /** The cell that a place lies in; null outside. */
    abstract public function cellAt(Vec $place): ?int;

    /**
     * What decides how points, edges and cells hang together, wherever they lie. Tilings with equal keys have meshes that differ in
     * places only.
     */
    abstract public function topologyKey(): string;

    /**
     * @param  list<int>  $cells  a repeated one counts once
     * @return list<Outline> of what they are together: pieces clockwise on the screen, holes counter-clockwise
     */
    public function joined(array $cells): array
    {
        return CellJoin::join($this->mesh(), $cells);
    }

    /** @return list<Outline> more than one where the cell has a hole */
    public function cellOutlines(int $cell): array
    {
        return $this->joined([$cell]);
    }

    /** @return list<Curve> its lines and circles, each drawn through once */
    public function lines(): array
    {
        return CellJoin::lines($this->mesh());
    }
}
