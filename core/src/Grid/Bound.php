<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Side;
use Sternbild\Core\Geometry\Vec;

/** One thing that a cell of an overlay is held by: the cell of a grid that it lies in, or the side of something on which it lies. */
final readonly class Bound
{
    private function __construct(public string $key, private ?Grid $grid, private ?Side $side, private string $wanted)
    {
    }

    /** @param  float  $u  and $v of a place in the cell, in the grid's coordinates */
    public static function cell(string $key, Grid $grid, float $u, float $v): self
    {
        return new self($key, $grid, null, self::cellOf($grid, $grid->placeAt($u, $v)));
    }

    public static function side(string $key, Side $side, bool $inside): self
    {
        return new self($key, null, $side, $inside ? 'in' : 'out');
    }

    /** Whether a place agrees with it. */
    public function isMetBy(Vec $place): bool
    {
        return $this->grid === null
            ? ($this->side?->holds($place) === true ? 'in' : 'out') === $this->wanted
            : self::cellOf($this->grid, $place) === $this->wanted;
    }

    /** The cell; beyond the grid the square of coordinates, which go on. */
    private static function cellOf(Grid $grid, Vec $place): string
    {
        $cell = $grid->cellAt($place);

        return $cell === null ? implode(',', array_map(floor(...), $grid->coordinatesAt($place))) : "#$cell";
    }
}
