<?php

declare(strict_types=1);

namespace Sternbild\Core\Tracing;

use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\CircleFit;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\LineFit;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Pixel\Unreadable;

/**
 * A circle or a line fitted to a line of a picture: least squares of distances, with what lies off left out.
 *
 * Off is what lies farther than three times the usual deviation, by the median of all: P. J. Rousseeuw, A. M. Leroy, Robust Regression and
 * Outlier Detection (1987).
 */
final readonly class SketchFit
{
    /** Places of the line that a fit takes at least. */
    private const FEWEST = 6;

    private const NONE = 'no line of the picture is found along the way; nearer to it, or with another reach, there may be one';

    private const ROUNDS = 12;

    /** Triples that a first circle is sought with. */
    private const TRIES = 40;

    /** Standard deviations to the median of absolute ones, of normal errors. */
    private const NORMAL = 1.4826;

    private const OFF = 3.0;

    /** Pixels: what lies as near as this is never off. */
    private const NEAR = 0.35;

    /**
     * Of the reach, how far is looked once it is known where the line runs; the least, in pixels; and in deviations of a line that was
     * drawn by hand.
     */
    private const CLOSER = 0.4;

    private const CLOSEST = 4.0;

    private const WAVERING = 4.0;

    /** Of the reach: half of what is found lies nearer than this to a line. What lies anywhere is grain. */
    private const ANYWHERE = 0.35;

    /**
     * @param  Circle|null  $circle  on the sheet; null where it is a line
     * @param  array{Vec, Vec}  $line  two places of it, about where the way began and ended
     * @param  float  $deviation  root of the mean square, sheet units
     * @param  float  $farthest  of what was not left out, sheet units
     * @param  list<Vec>  $places  of the sheet that it was fitted to
     * @param  float|null  $costs  by how much the deviation is more than it would have to be, where it was settled on something
     */
    private function __construct(
        public ?Circle $circle,
        public array $line,
        public float $deviation,
        public float $farthest,
        private array $places = [],
        private ?float $costs = null,
    ) {
    }

    /** @return array<string, float> */
    public function facts(): array
    {
        return ['deviation' => $this->deviation, 'farthest' => $this->farthest, ...$this->costs === null ? [] : ['costs' => $this->costs]];
    }

    /**
     * A circle about a certain centre, or with one of certain radii, or both, where that adds no more than so much to the deviation.
     *
     * @param  Vec|null  $center  null for none
     * @param  list<float>  $radii
     * @param  float  $most  sheet units
     */
    public function settled(?Vec $center, array $radii, float $most): self
    {
        if ($this->circle === null || $this->places === []) {
            return $this;
        }
        $about =
            $center === null
                ? null
                : array_sum(array_map(static fn (Vec $place): float => $place->distanceTo($center), $this->places)) / count($this->places);
        usort(
            $radii,
            fn (float $one, float $other): int => abs($one - ($about ?? $this->circle->radius)) <=>
                abs($other - ($about ?? $this->circle->radius)),
        );
        $candidates = [];
        if ($center !== null && $about !== null) {
            array_push($candidates, ...($radii === [] ? [] : [new Circle($center, $radii[0])]), ...[new Circle($center, $about)]);
        }
        array_push($candidates, ...($radii === [] ? [] : [new Circle($this->circle->center, $radii[0])]));
        foreach ($candidates as $circle) {
            $off = array_map(static fn (Vec $place): float => abs($circle->distanceTo($place)), $this->places);
            $costs = max(0.0, self::mean($off) - $this->deviation);
            if ($circle->radius > 0.0 && $costs <= $most) {
                return new self($circle, $this->line, self::mean($off), max($off), $this->places, $costs);
            }
        }

        return $this;
    }

    /**
     * @param  list<Vec>  $along  places of the sheet, at least two
     * @param  float  $reach  sheet units
     *
     * @throws Degenerate where there is no such line
     * @throws Unreadable
     */
    public static function circle(PlacedPicture $picture, array $along, float $reach): self
    {
        [$grey, $way, $scale] = self::copied($picture, $along);
        $reach *= $scale;
        $least = LineTrace::least($grey, $way, $reach);
        $places = LineTrace::along($grey, self::rounded($way, $reach), $reach, $least);
        $circle = null;
        for ($pass = 0; $pass < 2; $pass++) {
            $kept = self::kept(
                self::enough($places),
                self::first(...),
                CircleFit::to(...),
                static fn (Circle $one, Vec $place): float => abs($one->distanceTo($place)),
            );
            $circle = CircleFit::to($kept);
            $far = static fn (Vec $place): float => abs($circle->distanceTo($place));
            if ($pass === 0) {
                self::holdLine(array_map($far, $places), $reach);
                // Along it once more, nearer by.
                $places = LineTrace::along($grey, self::onCircle($circle, $way), self::closer($reach, array_map($far, $kept)), $least);
            }
        }
        $off = array_map(static fn (Vec $place): float => abs($circle->distanceTo($place)), $kept);
        $back = self::back($picture, $grey);

        return new self(
            new Circle($back($circle->center), $circle->radius / $scale),
            [$along[0], $along[count($along) - 1]],
            self::mean($off) / $scale,
            max($off) / $scale,
            array_map($back, $kept),
        );
    }

    /**
     * Arcs along a longer line, each tangent to the one before.
     *
     * @param  list<Vec>  $along
     * @param  float  $within  how far the line may lie from them, sheet units
     * @return array{non-empty-list<Curve>, array{deviation: float, farthest: float}}
     *
     * @throws Degenerate
     * @throws Unreadable
     */
    public static function chain(PlacedPicture $picture, array $along, float $reach, float $within): array
    {
        [$grey, $way, $scale] = self::copied($picture, $along);
        $places = self::enough(LineTrace::along($grey, $way, $reach * $scale, LineTrace::least($grey, $way, $reach * $scale)));
        $back = self::back($picture, $grey);
        $places = self::steady(array_map($back, $places), $reach);
        $curves = ArcChain::along($places, $within);
        $off = array_map(
            static fn (Vec $place): float => min(
                array_map(static fn (Curve $curve): float => $curve->pointAt($curve->nearest($place))->distanceTo($place), $curves),
            ),
            $places,
        );

        return [$curves, ['deviation' => self::mean($off), 'farthest' => max($off)]];
    }

    /**
     * Without single places that jump aside.
     *
     * @param  non-empty-list<Vec>  $places
     * @return non-empty-list<Vec>
     *
     * @throws Degenerate
     */
    private static function steady(array $places, float $reach): array
    {
        $steady = [];
        foreach ($places as $k => $place) {
            $beside = [$places[$k - 3] ?? $place, $places[$k - 1] ?? $place, $place, $places[$k + 1] ?? $place, $places[$k + 3] ?? $place];
            $x = array_column($beside, 'x');
            $y = array_column($beside, 'y');
            sort($x);
            sort($y);
            if ($place->distanceTo(new Vec($x[2], $y[2])) < 0.3 * $reach) {
                $steady[] = $place;
            }
        }

        return self::enough($steady);
    }

    /**
     * @param  list<Vec>  $along
     *
     * @throws Degenerate
     * @throws Unreadable
     */
    public static function line(PlacedPicture $picture, array $along, float $reach): self
    {
        [$grey, $way, $scale] = self::copied($picture, $along);
        $reach *= $scale;
        $ends = [$way[0], $way[count($way) - 1]];
        $least = LineTrace::least($grey, $ends, $reach);
        $places = LineTrace::along($grey, $ends, $reach, $least);
        $far = static fn (LineFit $line, Vec $place): float => $line->distanceTo($place);
        $line = null;
        for ($pass = 0; $pass < 2; $pass++) {
            $kept = self::kept(self::enough($places), LineFit::to(...), LineFit::to(...), $far);
            $line = LineFit::to($kept);
            $ends = array_map($line->foot(...), $ends);
            if ($pass === 0) {
                self::holdLine(array_map(static fn (Vec $place): float => $far($line, $place), $places), $reach);
                $places = LineTrace::along(
                    $grey,
                    $ends,
                    self::closer($reach, array_map(static fn (Vec $place): float => $far($line, $place), $kept)),
                    $least,
                );
            }
        }
        $off = array_map(static fn (Vec $place): float => $far($line, $place), $kept);
        $back = self::back($picture, $grey);

        return new self(null, [$back($ends[0]), $back($ends[1])], self::mean($off) / $scale, max($off) / $scale);
    }

    /**
     * The grey copy, the way in its pixels, and how many of these go to a sheet unit.
     *
     * @param  list<Vec>  $along
     * @return array{GreyCopy, non-empty-list<Vec>, float}
     *
     * @throws Degenerate
     * @throws Unreadable
     */
    private static function copied(PlacedPicture $picture, array $along): array
    {
        $grey = GreyCopy::of($picture->file);
        $back = $picture->map()->inverse();
        $way = array_map(static fn (Vec $place): Vec => $back->apply($place)->times($grey->scale), $along);
        $inside = array_filter(
            $way,
            static fn (Vec $at): bool => $at->x >= 0 && $at->y >= 0 && $at->x <= $grey->width && $at->y <= $grey->height,
        );
        if ($inside === [] || count($way) < 2) {
            throw new Degenerate('the way runs beside the picture, not over it');
        }

        return [$grey, $way, $grey->scale / $picture->scale()];
    }

    /** @return \Closure(Vec): Vec from pixels of the copy to the sheet */
    private static function back(PlacedPicture $picture, GreyCopy $grey): \Closure
    {
        $map = $picture->map();

        return static fn (Vec $at): Vec => $map->apply($at->times(1 / $grey->scale));
    }

    /**
     * A way of a few places that lie about a circle, bent along it.
     *
     * @param  non-empty-list<Vec>  $way
     * @return list<Vec>
     */
    private static function rounded(array $way, float $reach): array
    {
        try {
            $circle = count($way) < 3 ? null : CircleFit::to($way);
        } catch (Degenerate) {
            return $way;
        }
        $isNear = $circle !== null && array_filter($way, static fn (Vec $place): bool => abs($circle->distanceTo($place)) > $reach) === [];

        return $isNear ? self::onCircle($circle, $way) : $way;
    }

    /**
     * Along a circle, as far as a way goes beside it.
     *
     * @param  non-empty-list<Vec>  $way
     * @return list<Vec>
     */
    private static function onCircle(Circle $circle, array $way): array
    {
        $turned = 0.0;
        $least = $most = 0.0;
        $from = $way[0]->minus($circle->center)->angle();
        $angle = $from;
        foreach ($way as $place) {
            $next = $place->minus($circle->center)->angle();
            $turned += fmod($next - $angle + 3 * M_PI, 2 * M_PI) - M_PI;
            [$least, $most, $angle] = [min($least, $turned), max($most, $turned), $next];
        }
        $most = min($most, $least + 2 * M_PI);
        $steps = max(8, (int) ceil(abs($most - $least) * $circle->radius / 4));
        $places = [];
        for ($k = 0; $k <= $steps; $k++) {
            $at = $from + $least + ($most - $least) * $k / $steps;
            $places[] = $circle->center->plus((new Vec(cos($at), sin($at)))->times($circle->radius));
        }

        return $places;
    }

    /**
     * What does not lie off.
     *
     * @template Fit
     *
     * @param  non-empty-list<Vec>  $places
     * @param  callable(non-empty-list<Vec>): Fit  $first
     * @param  callable(non-empty-list<Vec>): Fit  $fit
     * @param  callable(Fit, Vec): float  $far
     * @return non-empty-list<Vec>
     *
     * @throws Degenerate
     */
    private static function kept(array $places, callable $first, callable $fit, callable $far): array
    {
        $now = $first($places);
        $kept = $places;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $off = array_map(static fn (Vec $place): float => $far($now, $place), $places);
            $sorted = $off;
            sort($sorted);
            $limit = max(self::NEAR, self::OFF * self::NORMAL * $sorted[intdiv(count($sorted), 2)]);
            $next = self::enough(
                array_values(array_filter($places, static fn (Vec $place, int $k): bool => $off[$k] <= $limit, ARRAY_FILTER_USE_BOTH)),
            );
            $same = count($next) === count($kept) && $round > 0;
            $kept = $next;
            if ($same) {
                break;
            }
            $now = $fit($kept);
        }

        return $kept;
    }

    /**
     * The circle through three of them that the middle one of all lies nearest to.
     *
     * @param  non-empty-list<Vec>  $places
     *
     * @throws Degenerate
     */
    private static function first(array $places): Circle
    {
        $count = count($places);
        $best = null;
        $least = INF;
        $thinned = array_values(
            array_filter($places, static fn (int $k): bool => $k % max(1, intdiv($count, 150)) === 0, ARRAY_FILTER_USE_KEY),
        );
        for ($try = 0; $try < self::TRIES; $try++) {
            // Spread over the way, the same every time.
            $at = static fn (float $share): int => min($count - 1, (int) ($count * fmod($share + $try * 0.618033988749895 / 3, 1.0)));
            try {
                $circle = Circle::through($places[$at(0.05)], $places[$at(0.4)], $places[$at(0.75)]);
            } catch (Degenerate) {
                continue;
            }
            $off = array_map(static fn (Vec $place): float => abs($circle->distanceTo($place)), $thinned);
            sort($off);
            if ($off[intdiv(count($off), 2)] < $least) {
                [$least, $best] = [$off[intdiv(count($off), 2)], $circle];
            }
        }

        return $best ?? throw new Degenerate('the line is straight, and no circle fits it');
    }

    /**
     * @param  list<Vec>  $places
     * @return non-empty-list<Vec>
     *
     * @throws Degenerate
     */
    private static function enough(array $places): array
    {
        return count($places) >= self::FEWEST ? $places : throw new Degenerate(self::NONE);
    }

    /**
     * @param  list<float>  $off  of all that was found
     *
     * @throws Degenerate where it lies anywhere
     */
    private static function holdLine(array $off, float $reach): void
    {
        sort($off);
        if (($off[intdiv(count($off), 2)] ?? 0.0) > self::ANYWHERE * $reach) {
            throw new Degenerate(self::NONE);
        }
    }

    /** @param  non-empty-list<float>  $off */
    private static function closer(float $reach, array $off): float
    {
        return min($reach, max(self::CLOSEST, self::CLOSER * $reach, self::WAVERING * self::mean($off)));
    }

    /** @param  non-empty-list<float>  $off */
    private static function mean(array $off): float
    {
        return sqrt(array_sum(array_map(static fn (float $one): float => $one ** 2, $off)) / count($off));
    }
}
