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
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Spread;

/** Copies of a pattern or a frieze that just miss one another, or just overlap. */
final class CopiesApart extends Check
{
    /** Curves of a motif up to which its copies are compared. */
    private const MOST_CURVES = 160;

    /** Pairs of curves that are. */
    private const MOST_PAIRS = 4_000;

    /**
     * What looking at neighbours may take; what a way between two curves does, and how deep one figure lies in another, for each of its
     * curves.
     */
    private const UNITS = 4e5;

    private const WAY = 150;

    private const DEEP = 20;

    public function tells(): array
    {
        return [
            Sort::warning('copies-miss', 'copies of a pattern or a frieze that miss one another by less than the limit: the narrowest way'),
            Sort::warning('copies-overlap', 'copies of a pattern or a frieze that overlap by less than the limit: the deepest overlap'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    public function limits(): array
    {
        return [Limit::miss()];
    }

    public function look(Looked $at): array
    {
        return array_merge(
            [],
            ...array_map(fn (LaidPattern $one): array => $this->neighbours($at->plan, $one->id, $one->spread), LaidPattern::all($at)),
        );
    }

    /** @return list<Finding> the narrowest way between copies, and the least overlap, where these are below the limit */
    private function neighbours(Plan $plan, string $id, Spread $spread): array
    {
        $own = array_merge(...array_map(static fn (array $copies): array => $copies[0], $spread->cell));
        if (array_sum(array_map(static fn (Figure $figure): int => $figure->curves(), $own)) > self::MOST_CURVES) {
            return [];
        }

        // Where there are so many that looking at them does not end in time, nothing is told of them.
        return Budget::tried(self::UNITS, fn (): array => $this->looked($plan, $id, $spread, $own)) ?? [];
    }

    /**
     * @param  list<Figure>  $own
     * @return list<Finding>
     */
    private function looked(Plan $plan, string $id, Spread $spread, array $own): array
    {
        $miss = $plan->limit('checks.miss');
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
                    $overlap =
                        $deep !== null &&
                        $deep[1] > 64 * $plan->tolerance()->distance &&
                        $deep[1] <= $miss &&
                        ($overlap === null || $deep[1] > $overlap[1])
                            ? $deep
                            : $overlap;
                }
            }
        }
        $unit = $plan->unit->value;

        return [
            ...$gap === null
                ? []
                : [
                    $this->found('copies-miss', $id, 'its copies miss one another by '.self::short($gap->distance)." $unit")->at(
                        $gap->from,
                        $gap->distance,
                    ),
                ],
            ...$overlap === null
                ? []
                : [
                    $this->found('copies-overlap', $id, 'its copies overlap by '.self::short($overlap[1])." $unit")->at(
                        $overlap[0],
                        $overlap[1],
                    ),
                ],
        ];
    }

    /** @return iterable<Figure> of other copies, near a box */
    private static function others(Spread $spread, Bounds $box, float $reach): iterable
    {
        [$first, $last, $top, $bottom] = $spread->covering(
            new Bounds($box->left - $reach, $box->top - $reach, $box->right + $reach, $box->bottom + $reach),
        );
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
        foreach (LaidPattern::curves($one) as $curve) {
            foreach (LaidPattern::curves($other) as $facing) {
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
        foreach (LaidPattern::curves($one) as $curve) {
            Budget::spend(self::DEEP * $other->curves());
            foreach ([0.0, 0.25, 0.5, 0.75] as $t) {
                $at = $curve->pointAt($t);
                $inside = array_sum(array_map(static fn ($outline): int => $outline->windingsAround($at), $around)) !== 0;
                $depth = $inside
                    ? min(
                        array_map(
                            static fn (Curve $edge): float => $edge->pointAt($edge->nearest($at))->distanceTo($at),
                            LaidPattern::curves($other),
                        ) ?: [0.0],
                    )
                    : 0.0;
                if ($inside && ($deepest === null || $depth > $deepest[1])) {
                    $deepest = [$at, $depth];
                }
            }
        }

        return $deepest;
    }

    private static function short(float $length): string
    {
        return Numerals::plain((float) sprintf('%.6g', $length));
    }
}
