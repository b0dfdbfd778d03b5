<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/**
 * Copies in a pattern of which each lies over the next one around every turning centre, as no order from back to front could have it: what
 * lies under is cut away, the same in every cell.
 *
 * What brings one copy to another decides, as the first of them sees it, so that the pattern's own turns and ways keep the order: where
 * that turns by less than half, the one lies over the other; where it only moves, the one farther down, or farther right, lies over; half
 * turns and mirror images have no sense, and there the copy with the lower number does.
 */
final readonly class LapInCell
{
    /** What rounding may leave of a turn or of a way. */
    private const NOTHING = 1e-9;

    /** Copies of all cells around that may lie on those of one cell. */
    private const MOST_AROUND = 4_000;

    /**
     * @param  non-empty-list<Affine>  $maps  of the copies in a cell
     * @param  bool  $clockwise  whether each lies over the next one clockwise
     */
    public function __construct(private Lattice $lattice, private array $maps, private bool $clockwise, private Tolerance $tolerance)
    {
    }

    /**
     * What is seen of each source and copy in the first cell.
     *
     * @param  non-empty-list<Part>  $sources  as they came through the step
     * @return list<list<list<Figure>>>
     *
     * @throws Unworkable where too many lie on one another
     */
    public function seen(array $sources): array
    {
        $whole = $boxes = [];
        foreach ($this->maps as $copy => $map) {
            $whole[$copy] = array_merge(...array_map(static fn (Part $source): array => $source->mapped($map)->allOutlines(), $sources));
            $boxes[$copy] = Bounds::of(...array_map(static fn (Outline $outline): Bounds => $outline->bounds(), $whole[$copy]));
        }
        $near = array_map(fn (int $copy): array => $this->near($copy, $boxes, $whole), array_keys($this->maps));
        $left = $this->leftOver($whole, $near);
        $seen = [];
        foreach ($sources as $source) {
            $ofSource = [];
            foreach ($this->maps as $copy => $map) {
                $figures = [];
                foreach ($source->figures() as $figure) {
                    $own = $figure->mapped($map);
                    $rest = $this->rest($own, $near[$copy], $left[$copy] ?? []);
                    array_push($figures, ...($rest === null ? [$own] : ($rest === [] ? [] : [Figure::drawn($rest, [])->cameAs($own)])));
                }
                $ofSource[] = $figures;
            }
            $seen[] = $ofSource;
        }

        return $seen;
    }

    /**
     * @param  list<array{Bounds, list<Outline>, bool, int, Affine}>  $near
     * @param  list<Outline>  $left  what comes back to it
     * @return list<Outline>|null null where nothing lies over it
     *
     * @throws Unworkable
     */
    private function rest(Figure $own, array $near, array $left): ?array
    {
        $box = $own->bounds();
        $over = array_values(
            array_map(
                static fn (array $one): array => $one[1],
                array_filter($near, static fn (array $one): bool => $one[2] && $one[0]->meets($box, 0.0)),
            ),
        );
        if ($over === []) {
            return null;
        }
        $rest = Combination::cut([$own->outlines(), ...$over], $this->tolerance);

        return $left === []
            ? $rest
            : Combination::join([$rest, Combination::common([$own->outlines(), $left], $this->tolerance)], $this->tolerance);
    }

    /**
     * What copies that lie over one another all the way round would have cut away from each other: it goes to the one with the lowest
     * number.
     *
     * @param  array<int, list<Outline>>  $whole
     * @param  array<int, list<array{Bounds, list<Outline>, bool, int, Affine}>>  $near
     * @return array<int, list<Outline>> by copy
     *
     * @throws Unworkable
     */
    private function leftOver(array $whole, array $near): array
    {
        $seen = [];
        foreach ($whole as $copy => $outlines) {
            $over = array_values(
                array_map(static fn (array $one): array => $one[1], array_filter($near[$copy], static fn (array $one): bool => $one[2])),
            );
            $seen[$copy] = $over === [] ? $outlines : Combination::cut([$outlines, ...$over], $this->tolerance);
        }
        $left = [];
        foreach ($whole as $copy => $outlines) {
            if (count(array_filter($near[$copy], static fn (array $one): bool => $one[2])) === 0 || count($near[$copy]) < 2) {
                continue;
            }
            $shown = $first = [];
            foreach ($near[$copy] as [, $others, , $other, $way]) {
                $shown[] = array_map(static fn (Outline $outline): Outline => $outline->mapped($way), $seen[$other]);
                if ($other < $copy || ($other === $copy && ($way->f < 0.0 || ($way->f === 0.0 && $way->e < 0.0)))) {
                    $first[] = $others;
                }
            }
            $hole = Combination::cut([$outlines, $seen[$copy], ...$shown], $this->tolerance);
            $left[$copy] = $hole === [] || $first === [] ? $hole : Combination::cut([$hole, ...$first], $this->tolerance);
        }

        return $left;
    }

    /**
     * What lies on a copy of the first cell, over it or under it.
     *
     * @param  non-empty-array<int, Bounds>  $boxes
     * @param  array<int, list<Outline>>  $whole
     * @return list<array{Bounds, list<Outline>, bool, int, Affine}> its box and its outlines, whether it lies over it, its number, and the
     *   way to its cell
     *
     * @throws Unworkable
     */
    private function near(int $copy, array $boxes, array $whole): array
    {
        $near = [];
        foreach ($this->maps as $other => $map) {
            [$first, $last, $top, $bottom] = $this->lattice->cellsFor($boxes[$copy], $boxes[$other]);
            if (($last - $first + 1) * ($bottom - $top + 1) > self::MOST_AROUND) {
                throw new Unworkable(
                    'too many copies lie on one another to be laid over each other in turn; a smaller motif or a larger cell would do',
                );
            }
            for ($row = $top; $row <= $bottom; $row++) {
                for ($column = $first; $column <= $last; $column++) {
                    $way = Affine::move($this->lattice->a->times($column)->plus($this->lattice->b->times($row)));
                    $box = $boxes[$other]->mapped($way);
                    if (! ($row === 0 && $column === 0 && $other === $copy) && $box->meets($boxes[$copy], 0.0)) {
                        Budget::spend(20 * count($whole[$other]));
                        $near[] = [
                            $box,
                            array_map(static fn (Outline $outline): Outline => $outline->mapped($way), $whole[$other]),
                            $this->isOver($map->then($way), $other, $this->maps[$copy], $copy),
                            $other,
                            $way,
                        ];
                    }
                }
            }
        }

        return $near;
    }

    /** Whether the copy of a map lies over that of another. */
    private function isOver(Affine $one, int $number, Affine $other, int $otherNumber): bool
    {
        // From the one to the other, as the one sees it: its own ways are those of what is copied.
        $between = $other->then($one->inverse());
        if ($between->isMirrored()) {
            return $number < $otherNumber;
        }
        $turn = atan2($between->b, $between->a);
        if (abs($turn) > self::NOTHING && M_PI - abs($turn) > self::NOTHING) {
            return $this->clockwise === $turn > 0.0;
        }
        if (abs($turn) > self::NOTHING) {
            return $number < $otherNumber;
        }
        $way = new Vec($between->e, $between->f);
        $least = self::NOTHING * (1.0 + $way->length());

        // The other lies back, or to the left.
        return abs($way->y) > $least ? $way->y < 0.0 : $way->x < 0.0;
    }
}
