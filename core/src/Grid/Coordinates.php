<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;

/** What grids of every sort can tell, for those who know one by something else that it can. */
interface Coordinates
{
    public function mesh(): Mesh;

    public function cellCount(): int;

    public function cellAt(Vec $place): ?int;

    /** @return list<Outline> more than one where the cell has a hole */
    public function cellOutlines(int $cell): array;

    /**
     * A place in the grid's own numbers: ring and sector, column and row, counted so that 2.5, 3.5 is the middle of ring 3, sector 4.
     *
     * @return array{float, float} beyond the grid they go on
     */
    public function coordinatesAt(Vec $place): array;

    /** The place with these coordinates. */
    public function placeAt(float $u, float $v): Vec;
}
