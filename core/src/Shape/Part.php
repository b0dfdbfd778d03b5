<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Copied;
use Sternbild\Core\Result\Copies;
use Sternbild\Core\Result\Mappable;
use Sternbild\Core\Result\Remark;
use Sternbild\Core\Result\Role;

/** A shape of the result: one or more figures, drawn in order. */
final readonly class Part implements Mappable
{
    use Copied;

    /**
     * @param  list<Figure>  $figures  none where they are spread over cells, and where nothing is left
     * @param  list<Vec>  $places  that it was said with: points of an outline, corners
     * @param  Painted|null  $painted  of painted cells which these are
     * @param  Copies<Part>|null  $copies  of a repeat, spelt out
     * @param  list<Remark>  $remarks
     * @param  array<string, float>  $facts  what else is known of it by name: how many crossings a weave has
     * @param  array{gap: float, dives: list<array{array{int, float}, array{int, float}}>}|null  $weaving  of a weave its clearance, and for
     *   each of its places the figures that cross there, the one on top first, and where on their ways
     */
    private function __construct(
        private array $figures,
        public array $places = [],
        private ?Copies $copies = null,
        public array $remarks = [],
        public array $facts = [],
        public ?array $weaving = null,
        public ?Spread $spread = null,
        public ?Painted $painted = null,
    ) {
    }

    /**
     * Painted cells.
     *
     * @param  string  $step  that paints them
     */
    public static function painted(Painted $painted, string $step): self
    {
        // Where it only takes away, what it takes stands for it, in no colour.
        $figures = $painted->figures($step) ?: [
            Figure::drawn($painted->laid->joined(array_keys($painted->cells)) ?: throw new \LogicException('Cells have outlines.'), [
                $step,
            ])->recoloured('none'),
        ];

        return new self($figures, painted: $painted);
    }

    /** What was worked out and left nothing. */
    public static function nothing(): self
    {
        return new self([]);
    }

    public function isEmpty(): bool
    {
        return $this->figures === [] && $this->spread === null;
    }

    /** Copies in cell after cell. */
    public static function spread(Spread $spread): self
    {
        return new self([], spread: $spread);
    }

    /**
     * In the order in which they are drawn.
     *
     * @return list<Figure> none of an empty part
     *
     * @throws OverBudget where they are copies in cells, too many to take each by itself
     */
    public function figures(): array
    {
        return $this->spread === null ? $this->figures : $this->spread->figures();
    }

    /** @return iterable<int, Figure> the same one after another, however many they are */
    public function each(): iterable
    {
        return $this->spread === null ? $this->figures : $this->spread->each();
    }

    public function first(): ?Figure
    {
        return $this->ofCell()[0] ?? null;
    }

    public function last(): ?Figure
    {
        $all = $this->ofCell();

        return $all[count($all) - 1] ?? null;
    }

    /** @return list<Figure> where they are spread over cells, those of the first one */
    private function ofCell(): array
    {
        return $this->spread === null ? $this->figures : $this->spread->ofCell();
    }

    /** How many figures there are. */
    public function count(): int
    {
        return $this->spread === null ? count($this->figures) : $this->spread->count();
    }

    /** @return Copies<Part>|null of a repeat */
    public function copies(): ?Copies
    {
        return $this->copies ?? $this->spread?->copies();
    }

    /** The same with every copy by itself; as it is where there are too many. */
    public function spelt(): self
    {
        return $this->spread?->canBeSpelt() === true
            ? new self($this->spread->figures(), $this->places, $this->spread->copies(), $this->remarks, $this->facts, $this->weaving)
            : $this;
    }

    /** @param  non-empty-list<Figure>  $figures */
    public static function of(array $figures): self
    {
        return new self($figures);
    }

    /**
     * One figure.
     *
     * @param  non-empty-list<Outline>  $outlines  pieces and holes
     * @param  string  $step  that makes it
     * @param  list<Vec>  $places
     */
    public static function drawn(array $outlines, string $step, array $places = []): self
    {
        return new self([Figure::drawn($outlines, [$step])], $places);
    }

    /**
     * Several parts as one, from back to front.
     *
     * @param  non-empty-list<self>  $parts
     * @param  string  $step  that makes it
     * @param  list<Vec>  $places
     */
    public static function gathered(array $parts, string $step, array $places): self
    {
        $figures = array_merge(...array_map(static fn (self $part): array => $part->throughStep($step)->figures(), $parts));
        Budget::spend(25 * count($figures));

        return new self($figures, $places);
    }

    /**
     * Copies of parts.
     *
     * @param  non-empty-list<self>  $sources
     * @param  non-empty-list<Affine>  $maps  one for each copy
     * @param  int  $together  so many copies lie over one another part by part, the last of all sources on top
     * @param  string  $step  that makes them
     */
    public static function repeated(array $sources, array $maps, int $together, string $step): self
    {
        $through = array_map(static fn (self $part): self => $part->throughStep($step), $sources);
        $figures = $places = [];
        foreach (array_chunk(array_keys($maps), max(1, $together)) as $copies) {
            foreach ($through as $member => $source) {
                foreach ($copies as $copy) {
                    $places[$copy][$member] = count($figures);
                    Budget::spend(25 * $source->count());
                    foreach ($source->figures() as $figure) {
                        $figures[] = $figure->mapped($maps[$copy]);
                    }
                }
            }
        }
        ksort($places);
        $inOrder = array_map(array_values(...), array_values($places));

        /** @var non-empty-list<Figure> $figures */
        return new self($figures, copies: new Copies($through, $maps, $inOrder));
    }

    /**
     * Copies of parts of which only some is seen.
     *
     * @param  non-empty-list<self>  $sources
     * @param  non-empty-list<Affine>  $maps  one for each copy
     * @param  list<list<list<Figure>>>  $seen  figures of each copy and each source, where they are, come through the step
     * @param  string  $step  that makes them
     */
    public static function lapped(array $sources, array $maps, array $seen, string $step): self
    {
        $figures = $places = $counts = [];
        foreach ($seen as $copy => $members) {
            foreach ($members as $member => $own) {
                $places[$copy][$member] = count($figures);
                $counts[$copy][$member] = count($own);
                array_push($figures, ...$own);
            }
        }
        $through = array_map(static fn (self $part): self => $part->throughStep($step), $sources);

        /** @var non-empty-list<Figure> $figures the first copy is over some */
        return new self(
            $figures,
            copies: new Copies(
                $through,
                $maps,
                array_map(array_values(...), array_values($places)),
                array_map(array_values(...), array_values($counts)),
            ),
        );
    }

    public function role(): Role
    {
        return Role::Part;
    }

    /**
     * @param  list<Vec>  $places
     * @param  array<string, float>  $facts
     * @param  array{gap: float, dives: list<array{array{int, float}, array{int, float}}>}|null  $weaving
     */
    public function knowing(array $places, array $facts, ?array $weaving = null): self
    {
        return new self($this->figures, $places, $this->copies, $this->remarks, $facts, $weaving, $this->spread);
    }

    public function remarked(Remark ...$remarks): self
    {
        return new self(
            $this->figures,
            $this->places,
            $this->copies,
            [...$this->remarks, ...array_values($remarks)],
            $this->facts,
            $this->weaving,
            $this->spread,
            $this->painted,
        );
    }

    /** The same part as the step $id gives it on; a look given to $id reaches it from now on. */
    public function throughStep(string $id): self
    {
        return new self(
            array_map(static fn (Figure $figure): Figure => $figure->throughStep($id), $this->figures),
            $this->places,
            $this->copies,
            spread: $this->spread?->throughStep($id),
        );
    }

    public function mapped(Affine $map): static
    {
        if ($map->isIdentity()) {
            return $this;
        }
        Budget::spend(9 * count($this->figures) + count($this->places));

        return new self(
            array_map(static fn (Figure $figure): Figure => $figure->mapped($map), $this->figures),
            array_map($map->apply(...), $this->places),
            $this->copies?->then($map),
            spread: $this->spread?->mapped($map),
        );
    }

    /**
     * Which figures a copy, or one part of it, is drawn as.
     *
     * @param  int  $copy  from 1
     * @param  int|null  $member  from 1; null for all of the copy
     * @return list<int>
     */
    public function figuresOf(int $copy, ?int $member): array
    {
        $numbers = [];
        $copies = $this->copies();
        foreach ($copies?->places[$copy - 1] ?? [] as $source => $first) {
            if ($member === null || $source === $member - 1) {
                $count = $copies->counts[$copy - 1][$source] ?? $copies->sources[$source]->count();
                array_push($numbers, ...($count === 0 ? [] : range($first, $first + $count - 1)));
            }
        }

        return $numbers;
    }

    /**
     * A copy of a repeat, or one part of it.
     *
     * @param  int  $copy  from 1
     * @param  int|null  $member  from 1
     * @return self|null null where there is none
     */
    public function copy(int $copy, ?int $member): ?self
    {
        $copies = $this->copies();
        $all = $this->figures();
        $figures = array_map(static fn (int $number): Figure => $all[$number], $this->figuresOf($copy, $member));
        $source = $copies?->member($copy, $member ?? 1);

        return $figures === [] || $source === null
            ? null
            : new self(
                $figures,
                $source->places,
                $member === null && $copies !== null && count($copies->sources) > 1 ? null : $source->copies(),
            );
    }

    /**
     * The piece that encloses a place, of the figure that lies on top.
     *
     * @return Figure|null as it went through the steps of its figure
     */
    public function pieceAt(Vec $place): ?Figure
    {
        foreach (array_reverse($this->figures()) as $figure) {
            Budget::spend(3 * count($figure->shape->outlines));
            $piece = $figure->map->isIdentity() ? $figure->shape->pieceAt($place) : (new Shape($figure->outlines()))->pieceAt($place);
            if ($piece !== null) {
                return Figure::drawn($piece, [])->cameAs($figure);
            }
        }

        return null;
    }

    /** @return list<Outline> of all figures, where they are */
    public function allOutlines(): array
    {
        return array_merge(...array_map(static fn (Figure $figure): array => $figure->outlines(), $this->figures()));
    }

    /** @return list<Curve> */
    public function allCurves(): array
    {
        return array_merge(...array_map(static fn (Outline $outline): array => $outline->curves, $this->allOutlines()));
    }

    /** @return list<Vec> corners and curve joins of all figures */
    public function corners(): array
    {
        return array_merge(...array_map(static fn (Figure $figure): array => $figure->corners(), $this->figures()));
    }

    public function pieces(): int
    {
        return $this->outlines() - $this->holes();
    }

    /** Pieces and holes together. */
    public function outlines(): int
    {
        return $this->total(static fn (Figure $figure): int => count($figure->shape->outlines));
    }

    public function holes(): int
    {
        return $this->total(static fn (Figure $figure): int => $figure->holes());
    }

    public function nodes(): int
    {
        return $this->total(static fn (Figure $figure): int => $figure->nodes());
    }

    /** The areas of its figures added up, in sheet units squared. */
    public function figuresArea(): float
    {
        return $this->sum(static fn (Figure $figure): float => $figure->area());
    }

    /** What it covers, in sheet units squared. */
    public function area(): float
    {
        return $this->covered()->area;
    }

    /**
     * What its figures cover together. Of copies in so many cells that they are not spelt out, what cells overlap counts for each of them.
     */
    public function covered(): Covered
    {
        if ($this->painted !== null) {
            // No cell is painted in two colours at once.
            return Covered::apart($this->figuresArea());
        }
        $isEach = $this->spread === null || ($this->spread->count() <= Covered::MOST_FIGURES && $this->spread->canBeSpelt());
        $covered = Budget::tried(
            Covered::UNITS,
            fn (): Covered => $this->spread === null || $isEach ? Covered::by($this->figures()) : $this->spread->covered(),
        );

        return $covered ?? Covered::each($this->figuresArea());
    }

    public function perimeter(): float
    {
        return $this->sum(static fn (Figure $figure): float => $figure->perimeter());
    }

    public function bounds(): Bounds
    {
        if ($this->spread !== null) {
            return $this->spread->bounds();
        }
        $bounds = ($this->figures[0] ?? null)?->bounds() ?? new Bounds(0.0, 0.0, 0.0, 0.0);
        foreach ($this->figures as $figure) {
            $bounds = $bounds->with($figure->bounds());
        }

        return $bounds;
    }

    public function quantities(): array
    {
        $all = [];
        foreach ($this->quantityNames() as $name) {
            $all[$name] = $this->quantity($name) ?? 0.0;
        }

        return $all;
    }

    /** @return list<string> */
    public function quantityNames(): array
    {
        return array_values(array_unique(['wide', 'high', 'area', ...array_map(strval(...), array_keys($this->facts))]));
    }

    /** One of them, without what the others cost; null where there is none of this name. */
    public function quantity(string $name): ?float
    {
        $bounds = $this->bounds();

        return $this->facts[$name] ?? match ($name) {
            'wide' => $bounds->right - $bounds->left,
            'high' => $bounds->bottom - $bounds->top,
            'area' => $this->area(),
            default => null,
        };
    }

    /** How many curves all outlines have together. */
    public function curves(): int
    {
        return $this->total(static fn (Figure $figure): int => $figure->curves());
    }

    /** @param  callable(Figure): int  $measure  of a figure wherever it lies */
    private function total(callable $measure): int
    {
        return array_sum(array_map($measure, $this->ofCell())) * ($this->spread?->cells() ?? 1);
    }

    /** @param  callable(Figure): float  $measure  of a figure wherever it lies */
    private function sum(callable $measure): float
    {
        return array_sum(array_map($measure, $this->ofCell())) * ($this->spread?->cells() ?? 1);
    }
}
