<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** Of grids: cells that are rectangles in columns and rows, such as can stand for pixels. */
interface Rectangles extends ColumnsAndRows
{
    /** @return array{cellw: float, cellh: float} how wide and high a cell is */
    public function quantities(): array;
}
