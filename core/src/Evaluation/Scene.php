<?php

declare(strict_types=1);

namespace Sternbild\Core\Evaluation;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sector;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Memory;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Seam\Face;
use Sternbild\Core\Seam\Seams;
use Sternbild\Core\Seam\Stroke;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Painted;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Snap\Settling;
use Sternbild\Core\Snap\SnapList;
use Sternbild\Core\Snap\Snapper;
use Sternbild\Core\Snap\SnapPlaces;

/** What a plan comes to. */
final readonly class Scene
{
    /** The scale down to which nothing shows between neighbours. */
    private const SMALL = 0.5;

    /** How far from an edge the pixels reach that it runs through. */
    private const FILLS = 1.5;

    /** Edges that are closer, in shares of the sheet's size, are shared. */
    private const ONE = 1e-7;

    /** Shares of the sheet's size in which what is drawn under edges is told apart. */
    private const TOLD_APART = 1e-5;

    /** Curves of a pattern beyond which its seams are looked for in one cell, for all. */
    private const MANY_CURVES = 4_000;

    /** Copies of one guide or part beyond which a pointer does not snap to them. */
    private const MOST_COPIES = 2000;

    /**
     * @param  array<string, string>  $labels  what messages call the steps, by id
     * @param  array<string, Evaluated>  $known  results by step id, in order
     * @param  list<DrawnPart>  $drawing  from back to front
     * @param  array<string, list<Evaluated>>  $sources  what each step is made of
     * @param  array<string, true>  $usedUp  ids of steps that are not shown by themselves any more
     * @param  list<Finding>  $findings
     * @param  list<DrawnPart>  $inside  what motifs are made of, where it lies; no part of the result
     * @param  array<string, Painted>  $paints  what of painted cells is left after what was painted over them, by their steps
     * @param  array<string, DrawnPart>  $cells  the patterns that fill something, by their steps
     * @param  Memory  $memory  of what is worked out from it
     */
    public function __construct(
        public Plan $plan,
        public array $labels,
        public array $known,
        public array $drawing,
        public array $sources,
        public array $usedUp,
        public array $findings,
        public array $inside = [],
        public array $cells = [],
        public array $paints = [],
        public Memory $memory = new ShortMemory,
    ) {
    }

    /** @return array<string, Grid> */
    public function grids(): array
    {
        return $this->resultsOf(Grid::class);
    }

    /** @return array<string, Guide> */
    public function guides(): array
    {
        return $this->resultsOf(Guide::class);
    }

    /** @return array<string, Overlay> */
    public function overlays(): array
    {
        return $this->resultsOf(Overlay::class);
    }

    /** @return array<string, Part> */
    public function parts(): array
    {
        return $this->resultsOf(Part::class);
    }

    /** @return array<string, Measurement> */
    public function measures(): array
    {
        return $this->resultsOf(Measurement::class);
    }

    /**
     * What is drawn under the edges that figures share, so that nothing shows between them.
     *
     * @param  float  $scale  the smallest scale at which it is looked at, output pixels to a CSS pixel
     * @param  (\Closure(string): bool)|null  $shows  which steps are drawn; all unless said
     * @return list<Stroke>
     */
    public function seams(float $scale = self::SMALL, ?\Closure $shows = null): array
    {
        $figures = $strokes = [];
        $many = 0;
        foreach ($this->plan->seamsOpen() ? [] : $this->drawing as $drawn) {
            if ($shows !== null && ! $shows($drawn->id)) {
                continue;
            }
            $spread = $drawn->part->spread;
            if ($spread !== null && $drawn->part->curves() > self::MANY_CURVES) {
                // What lies in the middle of others is the same in all cells.
                [$first, $last, $top, $bottom] = $spread->range;
                $inside = [$first + 1, $last - 1, $top + 1, $bottom - 1];
                array_push(
                    $strokes,
                    ...$inside[0] > $inside[1] || $inside[2] > $inside[3]
                        ? []
                        : $this->seamsInCells($drawn, $spread->lattice, $inside, $this->fills($scale), Affine::identity()),
                );

                continue;
            }
            $many += $drawn->part->curves();
            if ($many > Seams::MOST_EDGES) {
                return [];
            }
            array_push($figures, ...$drawn->styled());
        }

        return [...$strokes, ...$this->seamsAmong($figures, $this->fills($scale))];
    }

    /**
     * The same of a pattern, in each of some cells: between what lies there and all around.
     *
     * @param  array{int, int, int, int}  $range
     * @param  float  $least  how far to both sides a line has to reach
     * @param  Affine  $map  that what they are drawn with is brought by
     * @return list<Stroke>
     */
    public function seamsInCells(DrawnPart $drawn, Lattice $lattice, array $range, float $least, Affine $map): array
    {
        $figures = [];
        $many = 0;
        foreach ($this->plan->seamsOpen() ? [] : $drawn->styled([-1, 1, -1, 1]) as [$figure, $style]) {
            $figures[] = [$figure->mapped($map), $style];
            $many += $figure->curves();
        }

        return $many > self::MANY_CURVES * 2
            ? []
            : array_map(
                static fn (Stroke $stroke): Stroke => $stroke->inCells($lattice->mapped($map), $range),
                $this->seamsAmong($figures, $least),
            );
    }

    /**
     * The same of some figures only.
     *
     * @param  list<array{Figure, Style}>  $figures  from back to front
     * @param  float  $least  how far to both sides a line has to reach, in their unit
     * @return list<Stroke>
     */
    public function seamsAmong(array $figures, float $least): array
    {
        $faces = [];
        foreach ($this->plan->seamsOpen() ? [] : $figures as [$figure, $style]) {
            if ($style->covers()) {
                $faces[] = new Face($figure, $style);
            }
        }
        $size = max($this->plan->width, $this->plan->height);

        return Stroke::along(Seams::between($faces, $size * self::ONE, $size, $least), $size * self::TOLD_APART);
    }

    /**
     * How far to both sides of an edge the pixels reach that it runs through, in the sheet's unit, at a scale and at all that are larger
     * than a half.
     */
    public function fills(float $scale): float
    {
        return self::FILLS / min(self::SMALL, $scale) / $this->plan->unit->pixels();
    }

    /** A pattern with its looks, whether it is drawn by itself or not; null for what is none. */
    public function cell(string $id): ?DrawnPart
    {
        foreach ($this->drawing as $drawn) {
            if ($drawn->id === $id) {
                return $drawn->part->spread === null ? null : $drawn;
            }
        }

        return $this->cells[$id] ?? null;
    }

    /** What a pointer can snap to: all that is shown. */
    public function snapper(): Snapper
    {
        $naming = new Naming($this->plan, $this->labels);
        $guides = $labels = $frames = [];
        foreach (array_filter($this->guides(), $this->isShown(...), ARRAY_FILTER_USE_KEY) as $id => $guide) {
            foreach (count($guide->runs) > self::MOST_COPIES ? [] : $guide->named($id) as $name => $one) {
                if (count($one->runs) === 1) {
                    $guides[$name] = $one;
                    $labels[$name] = $naming->step($name);
                }
            }
        }
        $drawn = array_flip(array_map(static fn (DrawnPart $part): string => $part->id, $this->drawing));
        $parts = array_filter(
            array_intersect_key($this->parts(), $drawn),
            static fn (Part $part): bool => $part->count() <= self::MOST_COPIES,
        );
        foreach (array_keys($parts) as $id) {
            foreach ($this->known[$id]->frames as $frame => $grid) {
                if ($grid->result instanceof Grid) {
                    $frames[$id] ??= [$frame, $grid->result];
                }
            }
        }

        $sources = [];
        foreach (array_keys($parts) as $id) {
            foreach ($this->sources[$id] ?? [] as $source) {
                if ($source->result instanceof Part) {
                    $sources[$id][$source->id] = $source->result;
                }
            }
        }

        $centres = [];
        foreach (array_keys($parts) as $id) {
            $sector = Sector::ofRepeat($this->known, $this->plan->steps[$id]);
            if ($sector !== null) {
                $centres[$id] = [$sector->center, $this->plan->steps[$id]->raw('center')];
            }
        }

        return new Snapper(
            $guides,
            array_filter($this->grids(), $this->isShown(...), ARRAY_FILTER_USE_KEY),
            $labels + $this->labels,
            $this->plan->tolerance(),
            $parts,
            $frames,
            $sources,
            $centres,
        );
    }

    /**
     * All places that a pointer can snap to, of guides and parts.
     *
     * @param  array<array-key, mixed>  $has  hashes of what the receiver knows already
     */
    public function snapPlaces(array $has): SnapList
    {
        $snapper = $this->snapper();
        $prints = [];
        foreach ([...array_keys($snapper->guides), ...array_keys($snapper->grids), ...array_keys($snapper->parts)] as $name) {
            $id = explode('[', (string) $name)[0];
            $known = $this->known[$id];
            $sources = array_map(static fn (Evaluated $source): string => $source->id, $this->sources[$id] ?? []);
            $prints[$name] = implode("\n", [
                $name,
                $this->labels[$id],
                $this->plan->tolerance()->decimals,
                $known->fingerprint(),
                ...$sources,
            ]);
        }

        return SnapPlaces::list($snapper, $prints, $has);
    }

    /**
     * Where a dragged circle comes to lie; it does not settle on what hangs on it.
     *
     * @param  string  $id  of the circle's step
     * @param  Vec  $center  where the pointer has it
     * @param  float  $reach  how far it may be moved to touch something, sheet units
     * @return Settling|null null where the step is no circle
     */
    public function settle(string $id, Vec $center, float $reach): ?Settling
    {
        $discs = array_filter(array_map(self::circleOf(...), $this->parts()));
        $circle = ($this->guides()[$id] ?? $discs[$id] ?? null)?->curve;
        if (! $circle instanceof Arc || ! $circle->isFullCircle()) {
            return null;
        }
        $others = array_filter(
            [...$this->guides(), ...$discs],
            fn (string $other): bool => $other !== $id && $this->isShown($other) && ! $this->hangsOn($other, $id),
            ARRAY_FILTER_USE_KEY,
        );

        return Settling::of($circle, $others, $this->labels, $this->plan->tolerance(), $center, $reach);
    }

    /** The outline of a part that is one circle; null of all others. */
    private static function circleOf(Part $part): ?Guide
    {
        $only = $part->count() === 1 && $part->curves() === 1 ? $part->allCurves()[0] : null;

        return $only instanceof Arc && $only->isFullCircle() ? Guide::along($only, false) : null;
    }

    public function isShown(string $id): bool
    {
        return ! $this->plan->steps[$id]->hidden && ! isset($this->usedUp[$id]);
    }

    public function background(): ?string
    {
        $background = $this->plan->background;

        return $background === null ? null : strtolower($this->plan->palette[$background] ?? $background);
    }

    public function hasErrors(): bool
    {
        return $this->errors() > 0;
    }

    /** How many. */
    public function errors(): int
    {
        return count(array_filter($this->findings, static fn (Finding $finding): bool => $finding->isError()));
    }

    /** How many steps come to nothing, with an error or without one. */
    public function failures(): int
    {
        return count(array_filter($this->findings, static fn (Finding $finding): bool => $finding->isFatal()));
    }

    private function hangsOn(string $step, string $on): bool
    {
        foreach ($this->plan->steps[$step]->references() as $reference) {
            if ($reference === $on || (isset($this->plan->steps[$reference]) && $this->hangsOn($reference, $on))) {
                return true;
            }
        }

        return false;
    }

    /**
     * @template T of Result
     *
     * @param  class-string<T>  $class
     * @return array<string, T>
     */
    private function resultsOf(string $class): array
    {
        $found = [];
        foreach ($this->known as $id => $step) {
            if ($step->result instanceof $class) {
                $found[$id] = $step->result;
            }
        }

        return $found;
    }
}
