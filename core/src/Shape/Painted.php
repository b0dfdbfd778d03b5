<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Grid\Tiling;

/** Cells of a grid or an overlay, each in a colour. */
final readonly class Painted
{
    /**
     * @param  string  $grid  the step whose cells they are, and $laid what it came to
     * @param  array<int, string>  $cells  names of colours by the number of the cell; `none` takes away what was painted before
     * @param  array<string, string>  $colours  #rrggbb by name
     * @param  list<int>  $runs  of a line or a ring, how many cells lie side by side, step by step
     * @param  array<int, string>  $words  what the plan writes for cells of an overlay, by number
     */
    public function __construct(
        public string $grid,
        public Tiling $laid,
        public array $cells,
        public array $colours,
        public array $runs = [],
        public array $words = [],
    ) {
    }

    /**
     * The same without what is painted over it.
     *
     * @param  list<string>  $clear  names of its colours that something is seen through
     */
    public function under(self $later, array $clear): self
    {
        $over =
            $clear === [] ? $later->cells : array_filter($later->cells, static fn (string $name): bool => ! in_array($name, $clear, true));

        return new self($this->grid, $this->laid, array_diff_key($this->cells, $over), $this->colours, $this->runs, $this->words);
    }

    /** @return array<string, int> how many cells of each colour there are */
    public function counts(): array
    {
        $counts = array_count_values($this->cells);
        unset($counts['none']);

        return $counts;
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
            $outlines = $this->laid->joined(array_keys($this->cells, (string) $name, true));
            array_push($figures, ...($outlines === [] ? [] : [Figure::drawn($outlines, [$step])->recoloured($this->colours[$name])]));
        }

        return $figures;
    }
}
