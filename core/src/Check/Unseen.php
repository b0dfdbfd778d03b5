<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Combination;

/** What lies wholly behind others, and details that are gone when they are shown small. */
final class Unseen
{
    /** So many of what lies over a thing are named. */
    private const NAMED = 3;

    /** How many times as large as the smallest size the next one is: 24 px beside 16. */
    private const LARGER = 1.5;

    /**
     * Steps of which nothing is seen.
     *
     * @param  list<Seen>  $seen  from back to front
     * @param  array<string, string>  $labels
     * @return list<Finding>
     */
    public static function hidden(Plan $plan, array $seen, array $labels): array
    {
        $hidden = $behind = [];
        foreach ($seen as $k => $figure) {
            $over = array_values(array_filter(array_slice($seen, $k + 1), static fn (Seen $other): bool => $other->covers() && $other->bounds->meets($figure->bounds, 0.0)));
            if ($over === [] || $figure->hasStroke() || ! self::isWithin($figure->bounds, array_map(static fn (Seen $other): Bounds => $other->bounds, $over))) {
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
                $findings[] = Finding::note($figure->id, Sort::Hidden->value, 'lies wholly behind '.($names === [] ? '' : implode(', ', $names).' and ')."$last")->at($figure->bounds->center(), sqrt($figure->figure->area()))
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

        return array_slice(array_values(array_unique(array_map(static fn (Seen $one): string => $one->id, array_reverse($over)))), 0, self::NAMED);
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
        $left = Combination::cut([$figure->outlines, array_merge(...array_map(static fn (Seen $other): array => $other->outlines, $over))], $plan->tolerance());

        return array_sum(array_map(static fn (Outline $outline): float => abs($outline->area()), $left)) - $plan->tolerance()->distance * $figure->figure->perimeter();
    }

    /**
     * Whether its middle, where that is inside it, is seen; then nothing need be worked out.
     *
     * @param  list<Seen>  $over
     */
    private static function looksOut(Seen $figure, array $over): bool
    {
        $middle = $figure->outlines[0]->centroid();
        $isIn = static fn (Seen $one): bool => array_sum(array_map(static fn (Outline $outline): int => $outline->windingsAround($middle), $one->outlines)) !== 0;

        return $isIn($figure) && array_filter($over, $isIn) === [];
    }

    /**
     * Details that are less than half a pixel at the smallest size, and how many of them at half as much again.
     *
     * @param  list<Seen>  $seen
     * @return list<Finding> one at most, at the thinnest
     */
    public static function vanishing(Plan $plan, array $seen): array
    {
        $small = $plan->limits->small;
        if ($small <= 0.0) {
            return [];
        }
        $limit = $plan->leastSeen();
        $thin = [];
        foreach ($seen as $figure) {
            foreach ($figure->outlines as $outline) {
                $width = self::width($outline);
                if ($width < $limit) {
                    $thin[] = [$width, $figure, $outline];
                }
            }
        }
        if ($thin === []) {
            return [];
        }
        usort($thin, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        [$width, $figure, $outline] = $thin[0];
        $count = count($thin);
        $also = count(array_filter($thin, static fn (array $one): bool => $one[0] < $limit / self::LARGER));
        $message = sprintf(
            $count === 1 ? 'a detail of %2$s %3$s is less than half a pixel at %4$s px' : '%1$d details are less than half a pixel at %4$s px, the thinnest only %2$s %3$s wide',
            $count, Numerals::plain((float) sprintf('%.3g', $width)), $plan->unit->value, Numerals::plain($small),
        );
        $also = $also === 0 ? '' : '; '.($also === $count ? '' : "$also of them ").'at '.Numerals::plain($small * self::LARGER).' px, too';

        return [Finding::note($figure->id, Sort::Vanishes->value, $message.$also)->at($outline->bounds()->center(), $width)];
    }

    /** The shorter side of the rectangle with the same area and perimeter; of what is rounder than a square the diameter of about the same. */
    private static function width(Outline $outline): float
    {
        $area = abs($outline->area());
        $half = $outline->perimeter() / 2;
        $root = $half * $half / 4 - $area;

        return $half === 0.0 ? 0.0 : ($root > 0.0 ? $half / 2 - sqrt($root) : 2 * $area / $half);
    }

    /** @param  non-empty-list<Bounds>  $all */
    private static function isWithin(Bounds $bounds, array $all): bool
    {
        $box = Bounds::of(...$all);

        return $box->left <= $bounds->left && $box->top <= $bounds->top && $box->right >= $bounds->right && $box->bottom >= $bounds->bottom;
    }
}
