<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** How the interface offers to make a step: from what, with what already filled in, and what it asks for first. */
final readonly class Offer
{
    /**
     * @param  string  $label  the verb
     * @param  'cells'|'parts'|'ground'  $from  the pick that it needs; `ground` for none
     * @param  string|null  $takes  the field that the pick goes into
     * @param  array<string, mixed>  $preset  parameters of the new step. `{center}`, `{count}` and `{colour}` in them stand for what fits the
     *                                        pick best: the centre of its grid, its number of sectors, the first palette colour
     * @param  list<string>  $asks  fields that are asked for before the step is made
     * @param  string|null  $picture  SVG path data in a square of 48, for offers shown as pictures
     * @param  string|null  $replaces  a field: where a step of the same kind for the same pick already says it, that one is changed instead
     */
    public function __construct(
        public string $label,
        public string $from,
        public ?string $takes = null,
        public array $preset = [],
        public array $asks = [],
        public ?string $picture = null,
        public ?string $replaces = null,
    ) {
    }
}
