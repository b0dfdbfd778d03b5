<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Rounding;
use Sternbild\Core\Shape\TooRound;

/** How the curves of what is drawn run into one another: almost tangent, too sharp, or as if there were no node. */
final class Joins
{
    /** Degrees; curves that turn by less were meant to run into one another, and those that turn by less than the second do. */
    private const ALMOST = 5.0;

    private const STRAIGHT = 0.01;

    /** Of the longer side of the sheet: the radius by which a corner that is too sharp is rounded. */
    private const ROUNDED = 1 / 400;

    /** Of the room that there is, so that what is written in three digits has it too. */
    private const OF_ROOM = 0.8;

    /** Corners that are rounded at once. */
    private const MOST_ROUNDED = 100;

    /**
     * @param  array<string, Evaluated>  $known
     * @param  list<Seen>  $seen
     * @return list<Finding> of each sort one a step, at the worst of them
     */
    public static function in(Plan $plan, array $known, array $seen): array
    {
        $worst = $sharp = [];
        foreach ($seen as $figure) {
            foreach ($figure->outlines as $number => $outline) {
                $count = count($outline->curves);
                Budget::spend(2 * $count);
                for ($k = 0; $count > 1 && $k < $count; $k++) {
                    [$before, $after] = [$outline->curves[($k + $count - 1) % $count], $outline->curves[$k]];
                    $found = self::between($before, $after, $plan->limits->corner);
                    if ($found === null) {
                        continue;
                    }
                    [$sort, $degrees] = $found;
                    if ($sort === Sort::Sharp) {
                        $sharp[$figure->id][spl_object_id($outline)] ??= [$outline, []];
                        $sharp[$figure->id][spl_object_id($outline)][1][] = $k;
                    }
                    $key = "$sort->value $figure->id";
                    // Of joins the one that turns most, of corners the sharpest.
                    if (! isset($worst[$key]) || $degrees > $worst[$key][2]) {
                        $worst[$key] = [$figure, $sort, $degrees, $number, $k, $after->start()];
                    }
                }
            }
        }
        $findings = [];
        foreach ($worst as [$figure, $sort, $degrees, $number, $k, $place]) {
            $finding = self::finding($plan, $figure->id, $sort, $degrees, $place);
            $written = $sort === Sort::Sharp ? null : self::written($plan, $known, $figure, $number, $k);
            $remedy = match (true) {
                $sort === Sort::Sharp => self::rounded($plan, $figure->id, array_values($sharp[$figure->id])),
                $written === null => null,
                $sort === Sort::AlmostTangent => self::tangent($written[0], $written[1]),
                default => self::without($written[0], $written[1]),
            };
            $findings[] = $remedy === null ? $finding : $finding->with($remedy);
        }

        return $findings;
    }

    /** @return array{Sort, float}|null what is wrong between two curves, and by how many degrees they turn */
    private static function between(Curve $before, Curve $after, float $sharpest): ?array
    {
        $in = $before->tangentAt(1.0)->unit();
        $out = $after->tangentAt(0.0)->unit();
        $degrees = abs(rad2deg(atan2($in->cross($out), $in->dot($out))));
        $areLines = $before instanceof Line && $after instanceof Line;
        $areOne = $areLines || ($before instanceof Arc && $after instanceof Arc && $before->center()->distanceTo($after->center()) + abs($before->radius() - $after->radius()) <= 1e-9 * $before->radius());

        return match (true) {
            $degrees <= self::STRAIGHT => $areOne ? [Sort::SpareNode, $degrees] : null,
            $degrees < self::ALMOST && ! $areLines => [Sort::AlmostTangent, $degrees],
            180.0 - $degrees < $sharpest => [Sort::Sharp, $degrees],
            default => null,
        };
    }

    private static function finding(Plan $plan, string $id, Sort $sort, float $degrees, Vec $place): Finding
    {
        $measure = $sort === Sort::Sharp ? 180.0 - $degrees : $degrees;
        $said = Numerals::plain((float) sprintf('%.2g', $measure));

        return Finding::note($id, $sort->value, match ($sort) {
            Sort::AlmostTangent => "two curves of it are not quite tangent, they turn by {$said}°",
            Sort::Sharp => "has a corner of {$said}°, sharper than ".Numerals::plain($plan->limits->corner).'°',
            default => 'has a node that changes nothing',
        })->at($place, $sort === Sort::SpareNode ? 0.0 : $measure);
    }

    /**
     * @param  array<string, Evaluated>  $known
     * @return array{Step, int}|null the step that says a corner as one of its points, and which one
     */
    private static function written(Plan $plan, array $known, Seen $figure, int $number, int $k): ?array
    {
        $origin = $known[$figure->figure->steps[0]] ?? null;
        if ($number !== 0 || $origin === null || count($figure->outlines) !== 1 || ! $figure->figure->map->isIdentity()) {
            return null;
        }
        $step = $plan->steps[$origin->id];
        $points = $step->raw('points');
        $count = count($figure->outlines[0]->curves);

        return is_array($points) && count($points) === $count && count($origin->places['points'] ?? []) === $count ? [$step, $k] : null;
    }

    /** Leaves the way before without a corner, where the way behind is an arc. */
    private static function tangent(Step $step, int $k): ?Remedy
    {
        $bends = $step->raw('bends');
        if ($k === 0 || ! is_array($bends) || ! isset($bends[$k]['bulge']) && ! isset($bends[$k]['through'])) {
            return null;
        }
        $bends[$k] = ['tangent' => true];

        return new Remedy('Make it tangent', [['op' => 'set', 'id' => $step->id, 'field' => 'bends', 'value' => $bends]]);
    }

    /**
     * All corners of a part that are too sharp rounded by one radius: as large as the sheet lets it, or as there is room for.
     *
     * @param  list<array{Outline, list<int>}>  $corners
     * @return Remedy|null null where one of them is a cusp, which has no room for an arc
     */
    private static function rounded(Plan $plan, string $id, array $corners): ?Remedy
    {
        if (array_sum(array_map(static fn (array $one): int => count($one[1]), $corners)) > self::MOST_ROUNDED) {
            return null;
        }
        $radius = max($plan->width, $plan->height) * self::ROUNDED;
        $addresses = [];
        foreach ($corners as [$outline, $numbers]) {
            try {
                (new Rounding($radius, false, $plan->tolerance()))->of($outline, $numbers);
            } catch (TooRound $fault) {
                $radius = min($radius, self::OF_ROOM * self::room($outline, $numbers, $fault->largest, $plan->tolerance()));
            }
            if ($radius < 100 * $plan->tolerance()->distance) {
                return null;
            }
            foreach ($numbers as $number) {
                $at = $outline->curves[$number]->start();
                $addresses[] = sprintf('%s@%.6F,%.6F', $id, $at->x, $at->y);
            }
        }

        return new Remedy(count($addresses) === 1 ? 'Round it' : 'Round all of them', [['op' => 'add', 'step' => ['kind' => 'round', 'of' => [$id], 'radius' => (float) sprintf('%.3g', $radius), 'corners' => $addresses]]]);
    }

    /**
     * The radius for which all corners of an outline have room, where one of them has for the given one.
     *
     * @param  list<int>  $numbers
     */
    private static function room(Outline $outline, array $numbers, float $radius, Tolerance $tolerance): float
    {
        for ($round = 0; $round < count($numbers); $round++) {
            try {
                (new Rounding($radius * self::OF_ROOM, false, $tolerance))->of($outline, $numbers);

                return $radius;
            } catch (TooRound $fault) {
                $radius = min($radius * self::OF_ROOM, $fault->largest);
            }
        }

        return 0.0;
    }

    private static function without(Step $step, int $k): ?Remedy
    {
        $points = $step->raw('points');
        $bends = $step->raw('bends');
        if (! is_array($points) || count($points) <= 3 || $bends !== null) {
            return null;
        }
        array_splice($points, $k, 1);

        return new Remedy('Take it out', [['op' => 'set', 'id' => $step->id, 'field' => 'points', 'value' => array_values($points)]]);
    }
}
