<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Inset;
use Sternbild\Core\Shape\Part;

/**
 * Copies around a centre of which each lies over the next one, all the way round, as no order from back to front could have it: what lies
 * under is cut away, with an even clearance where one is wanted.
 *
 * Copy i lies over copy j where j is the shorter way round in that sense; of two that are opposite, the lower number lies over. Where
 * copies from more than half the way round lie on one another no order would be left for the innermost of it, and nothing would be: that
 * goes to the lowest number.
 */
final readonly class Lap
{
    /** Degrees within which two copies are opposite. */
    private const OPPOSITE = 1e-9;

    /**
     * @param  list<non-empty-list<Affine>>  $maps  of each copy, with those of its mirror image
     * @param  list<float>  $angles  degrees clockwise, of each copy
     * @param  bool  $clockwise  whether each lies over the next one clockwise
     * @param  float  $gap  that is kept clear beside what lies over
     */
    public function __construct(
        private array $maps,
        private array $angles,
        private bool $clockwise,
        private float $gap,
        private Tolerance $tolerance,
    ) {
    }

    /**
     * What is seen of each copy.
     *
     * @param  non-empty-list<Part>  $sources
     * @return list<list<list<list<Figure>>>> figures by copy, image and source; fewer where some are covered
     *
     * @throws Unworkable
     */
    public function seen(array $sources): array
    {
        $turns = $this->turns();
        $whole = $around = $boxes = [];
        foreach ($this->maps as $copy => $images) {
            $outlines = $turns === null || $copy === 0 ? $this->outlines($sources, $images) : self::mapped($whole[0], $turns[$copy]);
            $wide = match (true) {
                $this->gap <= 0.0 => $outlines,
                $turns === null || $copy === 0 => (new Inset(-$this->gap, Corner::Round, 4.0, $this->tolerance))->of(
                    Combination::join([$outlines], $this->tolerance),
                ),
                default => self::mapped($around[0], $turns[$copy]),
            };
            $whole[] = $outlines;
            $around[] = $wide;
            $boxes[] = self::box($wide);
        }
        $seen = [];
        foreach (array_keys($this->maps) as $copy) {
            $like = $turns === null ? $copy : $this->firstLike($copy, $boxes);
            $seen[] = $turns === null || $like === $copy
                ? $this->seenOf($copy, $sources, $around, $boxes)
                : self::turned($seen[$like], $turns[$like]->inverse()->then($turns[$copy]));
        }
        foreach ($this->gap > 0.0 ? [] : $this->leftOver($whole, $boxes) as $copy => $left) {
            $seen[$copy] = $this->with($seen[$copy], $sources, $this->maps[$copy], $left);
        }

        return array_map(
            static fn (array $images): array => array_map(
                static fn (array $parts): array => array_map(
                    static fn (array $figures): array => array_values(
                        array_filter($figures, static fn (?Figure $figure): bool => $figure !== null),
                    ),
                    $parts,
                ),
                $images,
            ),
            $seen,
        );
    }

    /**
     * @param  non-empty-list<Part>  $sources
     * @param  list<list<Outline>>  $around
     * @param  list<Bounds>  $boxes
     * @return list<list<list<Figure|null>>> figures of one copy by image and source; null for one that is covered
     *
     * @throws Unworkable
     */
    private function seenOf(int $copy, array $sources, array $around, array $boxes): array
    {
        $ofCopy = [];
        foreach ($this->maps[$copy] as $map) {
            $ofImage = [];
            foreach ($sources as $source) {
                $figures = [];
                foreach ($source->figures() as $figure) {
                    $own = $figure->mapped($map);
                    $over = $this->over($copy, self::box($own->outlines()), $around, $boxes);
                    $rest = $over === [] ? [] : Combination::cut([$own->outlines(), ...$over], $this->tolerance);
                    $figures[] = match (true) {
                        $over === [] => $own,
                        $rest === [] => null,
                        default => Figure::drawn($rest, [])->cameAs($own),
                    };
                }
                $ofImage[] = $figures;
            }
            $ofCopy[] = $ofImage;
        }

        return $ofCopy;
    }

    /**
     * A copy with what comes back to it.
     *
     * @param  list<list<list<Figure|null>>>  $seen
     * @param  non-empty-list<Part>  $sources
     * @param  non-empty-list<Affine>  $images
     * @param  list<Outline>  $left
     * @return list<list<list<Figure|null>>>
     *
     * @throws Unworkable
     */
    private function with(array $seen, array $sources, array $images, array $left): array
    {
        $box = self::box($left);
        foreach ($images as $image => $map) {
            foreach ($sources as $member => $source) {
                foreach ($source->figures() as $number => $figure) {
                    $own = $figure->mapped($map);
                    if (! $own->bounds()->meets($box, 0.0)) {
                        continue;
                    }
                    $back = Combination::common([$own->outlines(), $left], $this->tolerance);
                    $before = ($seen[$image][$member][$number] ?? null)?->outlines() ?? [];
                    $all = $before === [] || $back === [] ? $back : Combination::join([$before, $back], $this->tolerance);
                    if ($all !== []) {
                        $seen[$image][$member] = array_values(
                            array_replace($seen[$image][$member] ?? [], [$number => Figure::drawn($all, [])->cameAs($own)]),
                        );
                    }
                }
            }
        }

        return array_values(array_map(array_values(...), $seen));
    }

    /**
     * What brings the first copy to each, where they stand evenly all the way round; then all that is not opposite is seen of each alike.
     *
     * @return list<Affine>|null
     */
    private function turns(): ?array
    {
        $count = count($this->maps);
        $turns = [];
        foreach ($this->maps as $copy => $images) {
            $turn = $this->maps[0][0]->inverse()->then($images[0]);
            $off = Angle::normalised($this->angles[$copy] - $this->angles[0] - $copy * 360 / $count);
            if (min($off, 360.0 - $off) > self::OPPOSITE || ! $turn->isSimilarity() || abs($turn->determinant() - 1.0) > 1e-9) {
                return null;
            }
            $turns[] = $turn;
        }

        return $turns;
    }

    /**
     * The first copy that as much is seen of: any, where opposite copies do not meet, else one of the same half.
     *
     * @param  list<Bounds>  $boxes
     */
    private function firstLike(int $copy, array $boxes): int
    {
        $half = intdiv(count($boxes), 2);

        return count($boxes) % 2 === 0 && $copy >= $half && $boxes[0]->meets($boxes[$half], 0.0) ? $half : 0;
    }

    /**
     * @param  list<Outline>  $outlines
     * @return list<Outline>
     */
    private static function mapped(array $outlines, Affine $map): array
    {
        return array_map(static fn (Outline $outline): Outline => $outline->mapped($map), $outlines);
    }

    /**
     * @param  list<list<list<Figure|null>>>  $seen
     * @return list<list<list<Figure|null>>>
     */
    private static function turned(array $seen, Affine $turn): array
    {
        return array_map(
            static fn (array $image): array => array_map(
                static fn (array $figures): array => array_map(static fn (?Figure $figure): ?Figure => $figure?->mapped($turn), $figures),
                $image,
            ),
            $seen,
        );
    }

    /** Whether one copy lies over another. */
    public function isOver(int $one, int $other): bool
    {
        $ahead = Angle::normalised($this->angles[$other] - $this->angles[$one]);
        if (abs($ahead - 180.0) <= self::OPPOSITE || min($ahead, 360.0 - $ahead) <= self::OPPOSITE) {
            return $one < $other;
        }

        return $this->clockwise === $ahead < 180.0;
    }

    /**
     * What lies over a copy near a box.
     *
     * @param  list<list<Outline>>  $around
     * @param  list<Bounds>  $boxes
     * @return list<list<Outline>>
     */
    private function over(int $copy, Bounds $box, array $around, array $boxes): array
    {
        $over = [];
        foreach ($around as $other => $outlines) {
            if ($other !== $copy && $boxes[$other]->meets($box, 0.0) && $this->isOver($other, $copy)) {
                $over[] = $outlines;
            }
        }

        return $over;
    }

    /**
     * What all that lie there would have cut away from one another, by the copy that it goes to.
     *
     * @param  list<list<Outline>>  $whole
     * @param  list<Bounds>  $boxes
     * @return array<int, list<Outline>>
     *
     * @throws Unworkable
     */
    private function leftOver(array $whole, array $boxes): array
    {
        if (! $this->meetsAllAround($boxes)) {
            return [];
        }
        $curves = $operands = [];
        foreach ($whole as $copy => $outlines) {
            foreach ($outlines as $outline) {
                foreach ($outline->withoutTrifles(Arrangement::TRIFLE * $this->tolerance->distance) as $curve) {
                    $curves[] = $curve;
                    $operands[] = $copy;
                }
            }
        }
        $arrangement = Arrangement::of($curves, $this->tolerance);
        $faces = [];
        foreach ($arrangement->operandsByFace($operands) as $face => $copies) {
            Budget::spend(count($copies));
            if (count($copies) > 2 && $this->isCutByAll($copies)) {
                $faces[$copies[0]][] = $face;
            }
        }

        return array_map($arrangement->boundary(...), $faces);
    }

    /**
     * Whether each of some copies lies under another one of them: they go more than half the way round.
     *
     * @param  list<int>  $copies
     */
    private function isCutByAll(array $copies): bool
    {
        foreach ($copies as $copy) {
            Budget::spend(0.2 * count($copies));
            foreach ($copies as $other) {
                if ($other !== $copy && $this->isOver($other, $copy)) {
                    continue 2;
                }
            }

            return false;
        }

        return true;
    }

    /**
     * Whether the first copy meets some that is not next to it.
     *
     * @param  list<Bounds>  $boxes
     */
    private function meetsAllAround(array $boxes): bool
    {
        foreach ($boxes as $other => $box) {
            $ahead = Angle::normalised($this->angles[$other] - $this->angles[0]);
            if ($other > 0 && min($ahead, 360.0 - $ahead) >= 120.0 - self::OPPOSITE && $box->meets($boxes[0], 0.0)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  non-empty-list<Part>  $sources
     * @param  non-empty-list<Affine>  $images
     * @return list<Outline>
     */
    private function outlines(array $sources, array $images): array
    {
        $outlines = [];
        foreach ($images as $map) {
            foreach ($sources as $source) {
                array_push($outlines, ...$source->mapped($map)->allOutlines());
            }
        }

        return $outlines;
    }

    /** @param  list<Outline>  $outlines */
    private static function box(array $outlines): Bounds
    {
        return Bounds::of(...array_map(static fn (Outline $outline): Bounds => $outline->bounds(), $outlines));
    }
}
