<?php

declare(strict_types=1);

namespace Sternbild\Core\Evaluation;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/** A part as it is drawn: each of its figures with its style. */
final readonly class DrawnPart
{
    /**
     * @param  list<Style|null>  $styles  one for every figure of the part, where it is spread over cells for every figure of the first one;
     *   null for those that were used up
     */
    public function __construct(public string $id, public Part $part, public array $styles)
    {
    }

    /**
     * What is drawn, from back to front.
     *
     * @param  array{int, int, int, int}|null  $range  of a pattern in these cells; in those that are drawn unless said
     * @return \Generator<int, array{Figure, Style}>
     */
    public function styled(?array $range = null): \Generator
    {
        $spread = $this->part->spread;
        if ($spread === null) {
            foreach ($this->part->figures() as $number => $figure) {
                if ($this->styles[$number] !== null) {
                    yield [$figure, $this->styles[$number]];
                }
            }

            return;
        }
        $ways = array_map(Affine::move(...), $spread->ways($range));
        $first = 0;
        foreach ($spread->blocks() as $block) {
            foreach ($ways as $way) {
                foreach ($block as $number => $figure) {
                    $style = $this->styles[$first + $number];
                    if ($style !== null) {
                        yield [$figure->mapped($way), $style];
                    }
                }
            }
            $first += count($block);
        }
    }

    /** @return list<Style> that its figures have */
    public function looks(): array
    {
        return array_values(array_filter($this->styles));
    }
}
