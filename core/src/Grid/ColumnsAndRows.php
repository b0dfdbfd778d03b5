<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** Of grids: cells that are numbered row by row, as many in each. */
interface ColumnsAndRows extends Coordinates
{
    /** @return array{int, int} columns and rows */
    public function size(): array;
}
