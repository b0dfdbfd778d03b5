<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Mesh\CellJoin;
use Sternbild\Core\Mesh\Mesh;

/** Cells of a grid, each in a colour. */
final readonly class Painted
{
    /**
     * @param  string  $grid  the step whose cells they are
     * @param  array<int, string>  $cells  names of colours by the number of the cell; `none` takes away what was painted before
     * @param  array<string, string>  $colours  #rrggbb by name
     * @param  list<int>  $runs  of a line or a ring, how many cells lie side by side, step by step
     */
    public function __construct(public string $grid, public Mesh $mesh, public array $cells, public array $colours, public array $runs = [])
    {
    }

    /** The same without what is painted over it. */
    public function under(self $later): self
    {
        return new self($this->grid, $this->mesh, array_diff_key($this->cells, $later->cells), $this->colours, $this->runs);
    }

    /** @return array<string, int> how many cells of each colour there are */
    public function counts(): array
    {
        return array_count_values(array_filter($this->cells, static fn (string $name): bool => $name !== 'none'));
    }

    /**
     * One figure for each colour; neighbours of one colour are one outline.
     *
     * @return list<Figure>
     */
    public function figures(string $step): array
    {
        $figures = [];
        foreach (array_keys($this->counts()) as $name) {
            $outlines = CellJoin::join($this->mesh, array_keys($this->cells, (string) $name, true));
            array_push($figures, ...($outlines === [] ? [] : [Figure::drawn($outlines, [$step])->recoloured($this->colours[$name])]));
        }

        return $figures;
    }
}
