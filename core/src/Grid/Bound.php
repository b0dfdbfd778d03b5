<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Side;
use Sternbild\Core\Geometry\Vec;

/** One thing that a cell of an overlay is held by: the cell of a grid that it lies in, or the side of something on which it lies. */
final readonly class Bound
{
    private function __construct(public string $key, private ?Grid $grid, private ?Side $side, public string $wanted)
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

    /** Where a place lies; what is held lies there that is wanted. */
    public function at(Vec $place): string
    {
        return $this->grid === null ? ($this->side?->holds($place) === true ? 'in' : 'out') : self::cellOf($this->grid, $place);
    }

    /** The cell; all that lies beyond the grid is one, since no line of it divides that. */
    private static function cellOf(Grid $grid, Vec $place): string
    {
        return (string) ($grid->cellAt($place) ?? 'beyond');
    }
}
