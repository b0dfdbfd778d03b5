<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Combination;

/** Steps of which nothing is seen: what lies wholly behind others. */
final class Hidden extends Check
{
    /** So many of what lies over a thing are named. */
    private const NAMED = 3;

    public function tells(): array
    {
        return [
            Sort::note('hidden', 'a part that lies wholly behind others', 'hidden'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Figures;
    }

    public function look(Looked $at): array
    {
        [$plan, $seen, $labels] = [$at->plan, $at->seen, $at->labels];
        $hidden = $behind = [];
        foreach ($seen as $k => $figure) {
            $over = array_values(
                array_filter(
                    array_slice($seen, $k + 1),
                    static fn (Seen $other): bool => $other->covers() && $other->bounds->meets($figure->bounds, 0.0),
                ),
            );
            if (
                $over === [] ||
                $figure->hasStroke() ||
                ! self::isWithin($figure->bounds, array_map(static fn (Seen $other): Bounds => $other->bounds, $over))
            ) {
                continue;
            }
            if (self::looksOut($figure, $over)) {
                continue;
            }
            try {
                $left = self::left($figure, $over, $plan);
            } catch (Unworkable) {
                continue;
            }
            if ($left <= 0.0) {
                $hidden[$figure->id] = ($hidden[$figure->id] ?? 0) + 1;
                $behind[$figure->id] = self::covering($figure, $over, $plan);
            }
        }
        $findings = [];
        foreach ($seen as $figure) {
            if (($hidden[$figure->id] ?? 0) === $figure->of) {
                $names = array_map(static fn (string $id): string => $labels[$id], $behind[$figure->id]);
                $last = array_pop($names);
                $findings[] = $this->found(
                    'hidden',
                    $figure->id,
                    'lies wholly behind '.($names === [] ? '' : implode(', ', $names).' and ')."$last",
                )
                    ->at($figure->bounds->center(), sqrt($figure->figure->area()))
                    ->with(new Remedy('Hide it', [['op' => 'set', 'id' => $figure->id, 'field' => 'hidden', 'value' => true]]));
                unset($hidden[$figure->id]);
            }
        }

        return $findings;
    }

    /**
     * What hides it: the frontmost that does so alone, else all that lie over it.
     *
     * @param  non-empty-list<Seen>  $over  from back to front
     * @return non-empty-list<string> their ids
     */
    private static function covering(Seen $figure, array $over, Plan $plan): array
    {
        foreach (array_reverse($over) as $one) {
            try {
                if (self::isWithin($figure->bounds, [$one->bounds]) && self::left($figure, [$one], $plan) <= 0.0) {
                    return [$one->id];
                }
            } catch (Unworkable) {
                continue;
            }
        }

        return array_slice(
            array_values(array_unique(array_map(static fn (Seen $one): string => $one->id, array_reverse($over)))),
            0,
            self::NAMED,
        );
    }

    /**
     * What of a figure others leave to be seen, beyond what a line along its edge is; sheet units squared.
     *
     * @param  non-empty-list<Seen>  $over
     *
     * @throws Unworkable
     */
    private static function left(Seen $figure, array $over, Plan $plan): float
    {
        $left = Combination::cut(
            [$figure->outlines, array_merge(...array_map(static fn (Seen $other): array => $other->outlines, $over))],
            $plan->tolerance(),
        );

        return array_sum(array_map(static fn (Outline $outline): float => abs($outline->area()), $left)) -
            $plan->tolerance()->distance * $figure->figure->perimeter();
    }

    /**
     * Whether its middle, where that is inside it, is seen; then nothing need be worked out.
     *
     * @param  list<Seen>  $over
     */
    private static function looksOut(Seen $figure, array $over): bool
    {
        $middle = $figure->outlines[0]->centroid();
        $isIn = static fn (Seen $one): bool => array_sum(
            array_map(static fn (Outline $outline): int => $outline->windingsAround($middle), $one->outlines),
        ) !== 0;

        return $isIn($figure) && array_filter($over, $isIn) === [];
    }

    /** @param  non-empty-list<Bounds>  $all */
    private static function isWithin(Bounds $bounds, array $all): bool
    {
        $box = Bounds::of(...$all);

        return $box->left <= $bounds->left && $box->top <= $bounds->top && $box->right >= $bounds->right && $box->bottom >= $bounds->bottom;
    }
}
