<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Tolerance;

/** The construction: sheet, values, palette and steps, read and checked for its form. PlanReader makes it. */
final readonly class Plan
{
    /** How plans write the centre of the sheet, so that it stays there when the sheet changes its size. */
    public const SHEET_CENTER = ['sheet.width/2', 'sheet.height/2'];

    /**
     * @param  float  $width  and $height of the sheet, in its unit
     * @param  string|null  $background  a palette name or #rrggbb
     * @param  array<string, string>  $palette  #rrggbb by name
     * @param  array<string, Step>  $steps  by id, in order
     * @param  array<string, string>  $chapters  names by the id of the step that each begins with
     * @param  Pictures|null  $pictures  where those are that it names
     * @param  array<string, mixed>  $sheet  what every property of the sheet comes to, by its name
     * @param  array<array-key, mixed>  $sheetSaid  what is written of them
     */
    public function __construct(
        public float $width,
        public float $height,
        public Unit $unit,
        public ?string $background,
        public Values $values,
        public array $palette,
        public array $steps,
        public array $chapters = [],
        public ?Pictures $pictures = null,
        public array $sheet = [],
        public array $sheetSaid = [],
    ) {
    }

    /** One of nothing, that knows a unit: for arithmetic before there is a plan. */
    public static function bare(Unit $unit): self
    {
        return new self(1.0, 1.0, $unit, null, Values::of([], 1.0, 1.0, $unit), [], []);
    }

    /**
     * The same plan with nothing but what a pointer can snap to, and what that is built on. Parts of the cells of overlays are left out:
     * overlays take their time.
     */
    public function withLinesOnly(): self
    {
        $slow = $kept = [];
        foreach ($this->steps as $id => $step) {
            if (! $step->kind->offersPlaces() || array_intersect_key($slow, array_flip($step->references())) !== []) {
                $slow[$id] = true;
            }
        }
        foreach (array_reverse($this->steps) as $id => $step) {
            $isGround = $step->kind->offersPlaces() && $step->kind->purpose() === Purpose::Ground;
            if (isset($kept[$id]) || $isGround || ! isset($slow[$id])) {
                $kept[$id] = true;
                $kept += array_fill_keys($step->references(), true);
            }
        }

        return new self(
            $this->width,
            $this->height,
            $this->unit,
            $this->background,
            $this->values,
            $this->palette,
            array_intersect_key($this->steps, $kept),
            $this->chapters,
            $this->pictures,
            $this->sheet,
            $this->sheetSaid,
        );
    }

    /**
     * The steps under their headings: each chapter, or, in a plan that names none, what each stretch of it is for.
     *
     * @return list<Section>
     */
    public function sections(): array
    {
        $headings =
            $this->chapters === []
                ? $this->headings()
                : array_fill_keys(array_slice(array_keys($this->steps), 0, 1), Purpose::Ground->value);
        $begun = [];
        foreach (array_keys($this->steps) as $id) {
            $name = $this->chapters[$id] ?? $headings[$id] ?? null;
            if ($name !== null) {
                $begun[] = [$name, $id, isset($this->chapters[$id]), 1];
            } elseif ($begun !== []) {
                $begun[count($begun) - 1][3]++;
            }
        }

        return array_map(static fn (array $one): Section => new Section(...$one), $begun);
    }

    /**
     * Where the ground ends, and from where on nothing is constructed any more, and then nothing repeated. What is laid between parts
     * stands among them.
     *
     * @return array<string, string> what begins with a step, by its id
     */
    private function headings(): array
    {
        $order = array_flip(array_column(Purpose::cases(), 'value'));
        $isGround = true;
        $sorts = [];
        foreach ($this->steps as $id => $step) {
            $isGround = $isGround && $step->kind->purpose() === Purpose::Ground;
            $sorts[$id] = $isGround ? 0 : max(1, $order[$step->kind->purpose()->value]);
        }
        $headings = [];
        $lowest = count($order);
        foreach (array_reverse($sorts) as $id => $sort) {
            if ($sort >= $lowest && $headings !== []) {
                $headings = [$id => $headings[array_key_first($headings)]] + array_slice($headings, 1, null, true);
            } else {
                $lowest = $sort;
                $headings = [$id => Purpose::cases()[$sort]->value] + $headings;
            }
        }

        return $headings;
    }

    public function tolerance(): Tolerance
    {
        return Tolerance::ofSheet(max($this->width, $this->height));
    }

    /** In sheet units: half a pixel at the smallest size at which details are still to be seen; nought where none is said. */
    public function leastSeen(): float
    {
        $small = $this->limit('checks.small');

        return $small > 0.0 ? max($this->width, $this->height) / $small / 2 : 0.0;
    }

    /** From which measure on checks speak up, by the name of the limit: `checks.miss`. Nought turns them off. */
    public function limit(string $name): float
    {
        $limit = $this->sheet[$name] ?? null;

        return is_float($limit) ? $limit : 0.0;
    }

    /** Whether neighbours are left as they are, with nothing drawn under the edges that they share. */
    public function seamsOpen(): bool
    {
        return ($this->sheet['seams'] ?? null) === 'open';
    }

    /**
     * What messages and sentences call a step.
     *
     * @return array<string, string> by id
     */
    public function labels(): array
    {
        $names = new StepNames;
        foreach ($this->steps as $step) {
            $names->add($step->id, $step->kind, $step->name, $step->number, $step->parameters);
        }

        return $names->all();
    }
}
