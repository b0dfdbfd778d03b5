<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Copies;

/**
 * The figures of one cell, and the cells that show them: copies by the ten thousand, spelt out only where somebody asks for each of them.
 */
final class Spread
{
    /** Copies and their curves that may be spelt out. */
    public const MOST_SPELT = 10_000;

    public const MOST_CURVES = 200_000;

    /** @var non-empty-list<Figure>|null */
    private ?array $spelt = null;

    /** @var Copies<Part>|null */
    private ?Copies $copies = null;

    /**
     * @param  non-empty-list<Part>  $sources  as they come through the step
     * @param  non-empty-list<Affine>  $maps  of the copies in the first cell
     * @param  list<list<list<Figure>>>  $cell  what is seen of every source and copy in that cell, where it lies
     * @param  array{int, int, int, int}  $range  the first and the last cell along `a`, the first and the last along `b`
     * @param  string|null  $group  of the plane, or of a frieze; null for what another step made of the one that lays it
     * @param  bool  $isFrieze  whether it repeats along one way only
     */
    public function __construct(
        public readonly array $sources,
        public readonly array $maps,
        public readonly array $cell,
        public readonly Lattice $lattice,
        public readonly array $range,
        public readonly ?string $group,
        public readonly bool $isFrieze,
    ) {
    }

    /** @return array<string, mixed> what was spelt out is not kept */
    public function __serialize(): array
    {
        return [
            'sources' => $this->sources,
            'maps' => $this->maps,
            'cell' => $this->cell,
            'lattice' => $this->lattice,
            'range' => $this->range,
            'group' => $this->group,
            'isFrieze' => $this->isFrieze,
        ];
    }

    /** @return list<list<Figure>> of each source the figures in the first cell, from back to front */
    public function blocks(): array
    {
        return array_map(static fn (array $copies): array => array_merge(...$copies), $this->cell);
    }

    /** @return list<Figure> all of them */
    public function ofCell(): array
    {
        return array_merge(...$this->blocks());
    }

    /** @return list<int> for each of these the number of its copy, from 1 */
    public function copyNumbers(): array
    {
        $numbers = [];
        foreach ($this->cell as $copies) {
            foreach ($copies as $copy => $figures) {
                array_push($numbers, ...array_fill(0, count($figures), $copy + 1));
            }
        }

        return $numbers;
    }

    public function cells(): int
    {
        [$first, $last, $top, $bottom] = $this->range;

        return ($last - $first + 1) * ($bottom - $top + 1);
    }

    /**
     * From the first cell to the others, row by row.
     *
     * @param  array{int, int, int, int}|null  $range
     * @return list<Vec>
     */
    public function ways(?array $range = null): array
    {
        [$first, $last, $top, $bottom] = $range ?? $this->range;
        $ways = [];
        for ($row = $top; $row <= $bottom; $row++) {
            for ($column = $first; $column <= $last; $column++) {
                $ways[] = $this->lattice->a->times($column)->plus($this->lattice->b->times($row));
            }
        }

        return $ways;
    }

    /** How many figures there are. */
    public function count(): int
    {
        return count($this->ofCell()) * $this->cells();
    }

    public function canBeSpelt(): bool
    {
        return $this->cells() * count($this->maps) <= self::MOST_SPELT &&
            array_sum(array_map(static fn (Figure $figure): int => $figure->curves(), $this->ofCell())) * $this->cells() <=
                self::MOST_CURVES;
    }

    /**
     * @return non-empty-list<Figure> from back to front
     *
     * @throws OverBudget where there are too many
     */
    public function figures(): array
    {
        if ($this->spelt === null) {
            if (! $this->canBeSpelt()) {
                throw new OverBudget('There are too many copies to take each by itself.');
            }
            Budget::spend(25 * $this->count());
            $this->spelt = iterator_to_array($this->each(), false) ?: throw new \LogicException('A pattern shows something.');
        }

        return $this->spelt;
    }

    /** @return \Generator<int, Figure> one after another */
    public function each(): \Generator
    {
        $ways = array_map(Affine::move(...), $this->ways());
        foreach ($this->blocks() as $block) {
            foreach ($ways as $way) {
                foreach ($block as $figure) {
                    yield $figure->mapped($way);
                }
            }
        }
    }

    /** @return Copies<Part> */
    public function copies(): Copies
    {
        if ($this->copies !== null) {
            return $this->copies;
        }
        $maps = $places = $counts = [];
        $starts = [];
        $first = 0;
        foreach ($this->blocks() as $member => $block) {
            $starts[$member] = [$first, count($block)];
            $first += count($block) * $this->cells();
        }
        foreach ($this->ways() as $cell => $way) {
            $moved = Affine::move($way);
            $before = array_fill(0, count($this->cell), 0);
            foreach ($this->maps as $copy => $map) {
                $number = count($maps);
                $maps[] = $map->then($moved);
                foreach ($this->cell as $member => $copies) {
                    [$start, $size] = $starts[$member];
                    $places[$number][$member] = $start + $cell * $size + $before[$member];
                    $counts[$number][$member] = count($copies[$copy]);
                    $before[$member] += count($copies[$copy]);
                }
            }
        }

        return $this->copies = new Copies(
            $this->sources,
            $maps ?: [Affine::identity()],
            array_map(array_values(...), array_values($places)),
            array_map(array_values(...), array_values($counts)),
        );
    }

    public function mapped(Affine $map): self
    {
        return new self(
            $this->sources,
            array_map(static fn (Affine $one): Affine => $one->then($map), $this->maps),
            $this->changed(static fn (Figure $figure): Figure => $figure->mapped($map)),
            $this->lattice->mapped($map),
            $this->range,
            null,
            $this->isFrieze,
        );
    }

    public function throughStep(string $id): self
    {
        return new self(
            $this->sources,
            $this->maps,
            $this->changed(static fn (Figure $figure): Figure => $figure->throughStep($id)),
            $this->lattice,
            $this->range,
            null,
            $this->isFrieze,
        );
    }

    /**
     * The cells of which something may lie in a box, however many are shown.
     *
     * @return array{int, int, int, int} as the range
     */
    public function covering(Bounds $shown): array
    {
        return $this->lattice->cellsFor($shown, $this->box());
    }

    /** How many copies may lie in a box, however many are shown. */
    public function copiesWithin(Bounds $shown): int
    {
        [$first, $last, $top, $bottom] = $this->covering($shown);

        return max(0, $last - $first + 1) * max(0, $bottom - $top + 1) * count($this->maps);
    }

    /** Of what the first cell shows. */
    private function box(): Bounds
    {
        return Bounds::of(...array_map(static fn (Figure $figure): Bounds => $figure->bounds(), $this->ofCell()));
    }

    public function bounds(): Bounds
    {
        $box = $this->box();
        [$first, $last, $top, $bottom] = $this->range;
        $corners = [];
        foreach ([$first, $last] as $column) {
            foreach ([$top, $bottom] as $row) {
                $way = $this->lattice->a->times($column)->plus($this->lattice->b->times($row));
                $corners[] = new Bounds($box->left + $way->x, $box->top + $way->y, $box->right + $way->x, $box->bottom + $way->y);
            }
        }

        return Bounds::of(...$corners);
    }

    /** What all of them cover together, cell by cell: exact unless copies of one cell reach over those of another. */
    public function covered(): Covered
    {
        return Covered::by($this->ofCell())->times($this->cells(), ! $this->reachesOver());
    }

    /** Whether boxes of figures meet those of figures in other cells. */
    private function reachesOver(): bool
    {
        $boxes = array_map(static fn (Figure $figure): Bounds => $figure->bounds(), $this->ofCell());
        [$first, $last, $top, $bottom] = $this->covering($this->box());
        for ($column = $first; $column <= $last; $column++) {
            for ($row = $top; $row <= $bottom; $row++) {
                $way = $this->lattice->a->times($column)->plus($this->lattice->b->times($row));
                foreach ($column === 0 && $row === 0 ? [] : $boxes as $box) {
                    $moved = new Bounds($box->left + $way->x, $box->top + $way->y, $box->right + $way->x, $box->bottom + $way->y);
                    if (
                        array_filter($boxes, static fn (Bounds $one): bool => $one->meets($moved, -Covered::TOUCH * $moved->size())) !== []
                    ) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /**
     * @param  callable(Figure): Figure  $change
     * @return list<list<list<Figure>>>
     */
    private function changed(callable $change): array
    {
        return array_map(
            static fn (array $copies): array => array_map(static fn (array $figures): array => array_map($change, $figures), $copies),
            $this->cell,
        );
    }
}
