<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Vec;

/** Of grids: cells that blocks stand on, along two axes neither of which is level or upright. */
interface Ground extends Coordinates
{
    /**
     * @return array{Vec, Vec, Vec} a corner of the ground's cells, and the two edges of one from there
     *
     * @throws NoSuchPlace where it lies so that blocks cannot stand on it
     */
    public function axes(): array;

    /** @return array{int, int} the column and row of the ground, from 0, that a cell of the grid lies in */
    public function groundOf(int $cell): array;
}
