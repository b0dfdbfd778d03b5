<?php

declare(strict_types=1);

namespace Sternbild\Desk;

/** How the interface offers to make a step: from what, with what already filled in, and what it asks for first. */
final readonly class Offer
{
    /**
     * Words in braces in the preset stand for what fits the pick best: `{center}` the centre of its grid, `{count}` its number of sectors,
     * `{near}` where it was clicked last, `{centre}` the middle of what is picked, `{lines}` the grids and guides there are, `{last:…}` the
     * last step of a kind, `{owner}` the part that the picked point is a corner of (without one there is no such offer), `{colour}` the
     * first palette colour, `{other}` another one. `{pixel}`, `{pixels across}` and `{pixels down}` are whole pixels that fill the sheet,
     * `{share:8}` about an eighth of the sheet's shorter side: a round share of a cell where there is a grid, else a round number.
     * `{sides:6}` is the same in whole sides of a triangular grid, `{lie}` the turn by which a hexagon lies on its lines, `{beside}` the way
     * from a line to one beside it, `{beside count}` how many of them make a square, `{closing a}` and `{closing b}` are ways at which
     * copies of what is picked close up.
     *
     * @param  string  $label  the verb
     * @param  'cells'|'parts'|'points'|'guides'|'ground'  $from  the pick that it needs; `guides` are guides and grids, `ground` is none
     * @param  Family  $family  of verbs that it stands in
     * @param  int<1, 19>  $key  its number there, which it keeps whatever else is offered; those beyond 10 stand behind the tenth place, by
     *   what is left of them
     * @param  non-empty-string  $words  everyday words, with commas between, by which people look for it
     * @param  non-empty-string  $says  in one line what it does
     * @param  string|null  $takes  the field that the pick goes into; two of them joined by + take one each
     * @param  array<string, mixed>  $preset  parameters of the new step
     * @param  list<string>  $asks  fields that are asked for before the step is made
     * @param  string|null  $picture  SVG path data in a square of 48, for offers shown as pictures
     * @param  string|null  $replaces  a field: where a step of the same kind for the same pick already says it, that one is changed instead
     * @param  int  $least  how many have to be picked, and $most how many may be
     * @param  bool  $fromCells  whether picked cells can be made a part for it at once
     * @param  list<array<string, mixed>>  $next  steps that are made right behind it, with all their parameters; `+new` in them stands for
     *   the first, `{anchor}` for what was answered for the field of that name, `{of*}` for all that a list of it has
     * @param  list<array<string, mixed>>  $before  steps that are made before it, with ids of their own that it names; `{point:1}` in them
     *   stands for the first picked point. With them the pick goes into these, not into the step
     * @param  bool  $copies  whether it is for copies of something only, not for whole steps
     * @param  'others'|'between'|null  $each  a step is made for every picked part but the first, or for every one between the first and
     *   the last along the longer way; `{this}`, `{first}`, `{last}` in the preset stand for their ids, `{share}` for the share of the way,
     *   and `column` and `row` change places where the longer way is down
     * @param  bool  $into  whether the picked points go into that field of the step, of this kind, that they lie on, or out of it where
     *   they are in it
     * @param  string|null  $only  the kind that what is picked has to be of
     * @param  Fills|null  $fills  of a grid of columns and rows that fills the sheet
     * @param  Spans|null  $spans  of another grid
     */
    public function __construct(
        public string $label,
        public string $from,
        public Family $family,
        public int $key,
        public string $words,
        public string $says,
        public ?string $takes = null,
        public array $preset = [],
        public array $asks = [],
        public ?string $picture = null,
        public ?string $replaces = null,
        public int $least = 1,
        public int $most = 1_000_000,
        public bool $fromCells = false,
        public array $next = [],
        public array $before = [],
        public bool $copies = false,
        public ?string $each = null,
        public bool $into = false,
        public ?string $only = null,
        public ?Fills $fills = null,
        public ?Spans $spans = null,
    ) {
    }

    /**
     * What the interface gets.
     *
     * @return array<string, mixed>
     */
    public function describe(): array
    {
        return [
            ...get_object_vars($this),
            'family' => $this->family->value,
            'words' => array_map(trim(...), explode(',', $this->words)),
            'preset' => (object) $this->preset,
        ];
    }
}
