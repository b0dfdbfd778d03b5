<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Inset;
use Sternbild\Core\Shape\Part;

/**
 * Copies around a centre of which each lies over the next one, all the way round, as no order from back to front could have it: what lies under is cut
 * away, with an even clearance where one is wanted.
 *
 * Copy i lies over copy j where j is the shorter way round in that sense; of two that are opposite, the lower number lies over. Where copies from more
 * than half the way round lie on one another no order would be left for the innermost of it, and nothing would be: that goes to the lowest number.
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
    public function __construct(private array $maps, private array $angles, private bool $clockwise, private float $gap, private Tolerance $tolerance)
    {
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
        $whole = $around = $boxes = [];
        foreach ($this->maps as $images) {
            $outlines = $this->outlines($sources, $images);
            $wide = $this->gap > 0.0 ? (new Inset(-$this->gap, Corner::Round, 4.0, $this->tolerance))->of(Combination::join([$outlines], $this->tolerance)) : $outlines;
            $whole[] = $outlines;
            $around[] = $wide;
            $boxes[] = self::box($wide);
        }
        $left = $this->gap > 0.0 ? [] : $this->leftOver($whole, $boxes);
        $seen = [];
        foreach ($this->maps as $copy => $images) {
            $ofCopy = [];
            foreach ($images as $map) {
                $ofImage = [];
                foreach ($sources as $source) {
                    $figures = [];
                    foreach ($source->figures() as $figure) {
                        $own = $figure->mapped($map);
                        $over = $this->over($copy, self::box($own->outlines()), $around, $boxes);
                        $rest = $this->rest($own->outlines(), $over, $left[$copy] ?? []);
                        if ($rest !== []) {
                            $figures[] = $over === [] ? $own : Figure::drawn($rest, [])->cameAs($own);
                        }
                    }
                    $ofImage[] = $figures;
                }
                $ofCopy[] = $ofImage;
            }
            $seen[] = $ofCopy;
        }

        return $seen;
    }

    /**
     * @param  list<Outline>  $outlines
     * @param  list<list<Outline>>  $over
     * @param  list<Outline>  $left  what comes back to it
     * @return list<Outline>
     *
     * @throws Unworkable
     */
    private function rest(array $outlines, array $over, array $left): array
    {
        if ($over === []) {
            return $outlines;
        }
        $rest = Combination::cut([$outlines, ...$over], $this->tolerance);

        return $left === [] ? $rest : Combination::join([$rest, Combination::common([$outlines, $left], $this->tolerance)], $this->tolerance);
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
        $seen = [];
        foreach ($whole as $copy => $outlines) {
            $over = $this->over($copy, $boxes[$copy], $whole, $boxes);
            $seen = [...$seen, ...($over === [] ? $outlines : Combination::cut([$outlines, ...$over], $this->tolerance))];
        }
        $left = [];
        $rest = Combination::cut([array_merge(...$whole), $seen], $this->tolerance);
        foreach ($whole as $copy => $outlines) {
            if ($rest === []) {
                break;
            }
            $left[$copy] = Combination::common([$rest, $outlines], $this->tolerance);
            $rest = Combination::cut([$rest, $outlines], $this->tolerance);
        }

        return $left;
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
