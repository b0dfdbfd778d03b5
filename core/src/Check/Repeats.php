<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\ShortestWay;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Geometry\WholePixels;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Unit;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Spread;
use Sternbild\Core\Symmetry\Elements;
use Sternbild\Core\Symmetry\PlaneGroup;

/** What of a pattern nobody meant: copies that just miss one another or just overlap, parts astride a mirror, stripes, a tile of broken pixels. */
final class Repeats
{
    /** Curves of a motif up to which its copies are compared. */
    private const MOST_CURVES = 160;

    /** Pairs of curves that are. */
    private const MOST_PAIRS = 4_000;

    /** What looking at neighbours may take; what a way between two curves does, and how deep one figure lies in another, for each of its curves. */
    private const UNITS = 4e5;

    private const WAY = 150;

    private const DEEP = 20;

    /** Of a tile's size in pixels: what rounding leaves. */
    private const WHOLE = 1e-6;

    /**
     * @param  array<string, Evaluated>  $known
     * @param  array<string, string>  $labels
     * @return list<Finding>
     */
    public static function in(Plan $plan, array $known, array $labels): array
    {
        $findings = [];
        foreach ($known as $id => $step) {
            $part = $step->result;
            $isPattern = $plan->steps[$id]->kind->name() === 'pattern';
            if (! $part instanceof Part || $part->spread === null || (! $isPattern && $plan->steps[$id]->kind->name() !== 'frieze')) {
                continue;
            }
            if ($plan->limits->miss > 0.0) {
                $group = $plan->steps[$id]->raw('group');
                array_push($findings, ...self::neighbours($plan, $id, $part->spread), ...self::astride($plan, $id, $part->spread, is_string($group) ? $group : 'p1', ! $isPattern, $labels));
            }
            if ($isPattern && $plan->limits->small > 0.0) {
                array_push($findings, ...Stripes::in($plan, $id, $part->spread), ...self::pixels($plan, $id, $part));
            }
        }

        return $findings;
    }

    /** @return list<Finding> the narrowest way between copies, and the least overlap, where these are below the limit */
    private static function neighbours(Plan $plan, string $id, Spread $spread): array
    {
        $own = array_merge(...array_map(static fn (array $copies): array => $copies[0], $spread->cell));
        if (array_sum(array_map(static fn (Figure $figure): int => $figure->curves(), $own)) > self::MOST_CURVES) {
            return [];
        }

        // Where there are so many that looking at them does not end in time, nothing is told of them.
        return Budget::tried(self::UNITS, static fn (): array => self::looked($plan, $id, $spread, $own)) ?? [];
    }

    /**
     * @param  list<Figure>  $own
     * @return list<Finding>
     */
    private static function looked(Plan $plan, string $id, Spread $spread, array $own): array
    {
        $miss = $plan->limits->miss;
        $gap = $overlap = null;
        $pairs = 0;
        foreach ($own as $figure) {
            $box = $figure->bounds();
            foreach (self::others($spread, $box, $miss) as $other) {
                $pairs += $figure->curves() * $other->curves();
                if ($pairs > self::MOST_PAIRS) {
                    break 2;
                }
                $way = self::between($figure, $other, $miss, $plan->tolerance());
                if ($way === null) {
                    continue;
                }
                if ($way->distance > 64 * $plan->tolerance()->distance) {
                    $gap = $gap === null || $way->distance < $gap->distance ? $way : $gap;
                } else {
                    $deep = self::deepest($figure, $other);
                    $overlap = $deep !== null && $deep[1] > 64 * $plan->tolerance()->distance && $deep[1] <= $miss && ($overlap === null || $deep[1] > $overlap[1]) ? $deep : $overlap;
                }
            }
        }
        $unit = $plan->unit->value;

        return [
            ...($gap === null ? [] : [Finding::warning($id, Sort::CopiesMiss->value, 'its copies miss one another by '.self::short($gap->distance)." $unit")->at($gap->from, $gap->distance)]),
            ...($overlap === null ? [] : [Finding::warning($id, Sort::CopiesOverlap->value, 'its copies overlap by '.self::short($overlap[1])." $unit")->at($overlap[0], $overlap[1])]),
        ];
    }

    /** @return iterable<Figure> of other copies, near a box */
    private static function others(Spread $spread, Bounds $box, float $reach): iterable
    {
        [$first, $last, $top, $bottom] = $spread->covering(new Bounds($box->left - $reach, $box->top - $reach, $box->right + $reach, $box->bottom + $reach));
        foreach ($spread->ways([max(-3, $first), min(3, $last), max(-3, $top), min(3, $bottom)]) as $way) {
            $map = Affine::move($way);
            foreach ($spread->cell as $copies) {
                foreach ($copies as $copy => $figures) {
                    foreach ($copy === 0 && $map->isIdentity() ? [] : $figures as $figure) {
                        if ($figure->bounds()->mapped($map)->meets($box, $reach)) {
                            yield $figure->mapped($map);
                        }
                    }
                }
            }
        }
    }

    /** The shortest way between two figures; null where it is longer than the reach. */
    private static function between(Figure $one, Figure $other, float $reach, Tolerance $tolerance): ?ShortestWay
    {
        $best = null;
        foreach (self::curves($one) as $curve) {
            foreach (self::curves($other) as $facing) {
                Budget::spend(1);
                if ($curve->bounds()->meets($facing->bounds(), $best === null ? $reach : $best->distance)) {
                    Budget::spend(self::WAY);
                    $way = ShortestWay::between($curve, $facing, $tolerance);
                    $best = $best === null || $way->distance < $best->distance ? $way : $best;
                    if ($best->distance === 0.0) {
                        return $best;
                    }
                }
            }
        }

        return $best === null || $best->distance > $reach ? null : $best;
    }

    /** @return array{Vec, float}|null the place of one figure that lies deepest in another, and how deep */
    private static function deepest(Figure $one, Figure $other): ?array
    {
        $deepest = null;
        $around = $other->outlines();
        foreach (self::curves($one) as $curve) {
            Budget::spend(self::DEEP * $other->curves());
            foreach ([0.0, 0.25, 0.5, 0.75] as $t) {
                $at = $curve->pointAt($t);
                $inside = array_sum(array_map(static fn ($outline): int => $outline->windingsAround($at), $around)) !== 0;
                $depth = $inside ? min(array_map(static fn (Curve $edge): float => $edge->pointAt($edge->nearest($at))->distanceTo($at), self::curves($other)) ?: [0.0]) : 0.0;
                if ($inside && ($deepest === null || $depth > $deepest[1])) {
                    $deepest = [$at, $depth];
                }
            }
        }

        return $deepest;
    }

    /**
     * Parts that a mirror runs through, and that are not their own mirror images in it.
     *
     * @param  array<string, string>  $labels
     * @return list<Finding>
     */
    private static function astride(Plan $plan, string $id, Spread $spread, string $group, bool $isFrieze, array $labels): array
    {
        $positions = $isFrieze ? PlaneGroup::alongFrieze($group) : PlaneGroup::positions($group);
        $mirrors = array_filter(Elements::ofGroup($group, $positions, $isFrieze)['lines'], static fn (array $line): bool => ! $line[4]);
        $findings = [];
        $least = max($plan->limits->miss, 64 * $plan->tolerance()->distance);
        foreach ($spread->sources as $source) {
            $points = self::points($source);
            foreach ($mirrors as [$u, $v, $du, $dv]) {
                $at = $points === [] ? null : self::astrideAt($spread, $points, new Vec($u, $v), new Vec($du, $dv), $least);
                if ($at !== null) {
                    $made = $source->first()?->steps[0] ?? $id;
                    $findings[] = Finding::warning($id, Sort::Astride->value, ($labels[$made] ?? $made).' lies on a mirror, and is not symmetrical about it: it lies over its own image')->at($at[0], $at[1]);
                    break;
                }
            }
        }

        return $findings;
    }

    /** @return list<Vec> of its outlines; none where there are too many to be compared */
    private static function points(Part $part): array
    {
        $points = [];
        foreach ($part->curves() > self::MOST_CURVES ? [] : $part->figures() as $figure) {
            foreach (self::curves($figure) as $curve) {
                array_push($points, $curve->start(), $curve->pointAt(0.5));
            }
        }

        return $points;
    }

    /**
     * @param  non-empty-list<Vec>  $points  of an outline
     * @param  Vec  $on  and $way of a mirror, in lattice coordinates; it repeats from cell to cell
     * @return array{Vec, float}|null where it reaches farthest beyond the mirror, and how far
     */
    private static function astrideAt(Spread $spread, array $points, Vec $on, Vec $way, float $least): ?array
    {
        $lattice = $spread->lattice;
        $direction = $lattice->a->times($way->x)->plus($lattice->b->times($way->y))->unit();
        $middle = $lattice->coordinates(Bounds::around(...$points)->center());
        for ($row = -1; $row <= 1; $row++) {
            for ($column = -1; $column <= 1; $column++) {
                $place = $lattice->place(new Vec($on->x + floor($middle->x) + $column, $on->y + floor($middle->y) + $row));
                $off = array_map(static fn (Vec $point): float => $direction->cross($point->minus($place)), $points);
                if (min($off) < -$least && max($off) > $least) {
                    $mirror = Affine::mirror($place, $place->plus($direction));
                    foreach ($points as $point) {
                        $image = $mirror->apply($point);
                        if (min(array_map(static fn (Vec $other): float => $other->distanceTo($image), $points)) > $least) {
                            $farthest = abs(min($off)) < max($off) ? array_search(min($off), $off, true) : array_search(max($off), $off, true);

                            return [$points[(int) $farthest], min(abs(min($off)), max($off))];
                        }
                    }
                }
            }
        }

        return null;
    }

    /** @return list<Finding> */
    private static function pixels(Plan $plan, string $id, Part $part): array
    {
        $size = [$part->facts['wide'] ?? null, $part->facts['high'] ?? null];
        if ($plan->unit !== Unit::Px || $size[0] === null || $size[1] === null || (abs($size[0] - round($size[0])) <= self::WHOLE && abs($size[1] - round($size[1])) <= self::WHOLE)) {
            return [];
        }
        $near = WholePixels::near($size[0], $size[1], max(1, (int) round($size[0])));
        $sizes = implode(' or ', array_map(static fn (array $one): string => "$one[0] × $one[1]", $near));

        return [Finding::note($id, Sort::BrokenPixels->value, 'its tile is '.self::short($size[0]).' × '.self::short($size[1]).' px, no whole pixels'.($sizes === '' ? '' : "; as a picture $sizes is exact"))->at($part->spread->lattice->origin ?? Vec::zero(), max(abs($size[0] - round($size[0])), abs($size[1] - round($size[1]))))];
    }

    /** @return list<Curve> */
    private static function curves(Figure $figure): array
    {
        return array_merge(...array_map(static fn ($outline): array => $outline->curves, $figure->outlines()));
    }

    private static function short(float $length): string
    {
        return Numerals::plain((float) sprintf('%.6g', $length));
    }
}
