<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Remedy;

/** How the curves of what is drawn run into one another: almost tangent, too sharp, or as if there were no node. */
final class Joins
{
    /** Degrees; curves that turn by less were meant to run into one another, and those that turn by less than the second do. */
    private const ALMOST = 5.0;

    private const STRAIGHT = 0.01;

    /** Of the longer side of the sheet: the radius by which a corner that is too sharp is rounded. */
    private const ROUNDED = 1 / 400;

    /**
     * @param  array<string, Evaluated>  $known
     * @param  list<Seen>  $seen
     * @return list<Finding> of each sort one a step, at the worst of them
     */
    public static function in(Plan $plan, array $known, array $seen): array
    {
        /** @var array<string, array{Finding, float, int}> $worst */
        $worst = [];
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
                    $key = "$sort->value $figure->id";
                    // Of joins the one that turns most, of corners the sharpest.
                    if (! isset($worst[$key]) || $degrees > $worst[$key][1]) {
                        $origin = $known[$figure->figure->steps[0]] ?? null;
                        $at = $number === 0 && $origin !== null && count($figure->outlines) === 1 && $figure->figure->map->isIdentity() ? self::written($plan->steps[$origin->id], $origin, $k, $count) : null;
                        $worst[$key] = [self::finding($plan, $figure->id, $sort, $degrees, $before, $after, $at), $degrees, ($worst[$key][2] ?? 0) + 1];
                    } else {
                        $worst[$key][2]++;
                    }
                }
            }
        }

        return array_map(static fn (array $one): Finding => $one[0], array_values($worst));
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

    /** @param  array{Step, int}|null  $written  the step that says this corner as one of its points, and which one */
    private static function finding(Plan $plan, string $id, Sort $sort, float $degrees, Curve $before, Curve $after, ?array $written): Finding
    {
        $place = $after->start();
        $measure = $sort === Sort::Sharp ? 180.0 - $degrees : $degrees;
        $said = Numerals::plain((float) sprintf('%.2g', $measure));
        $finding = Finding::note($id, $sort->value, match ($sort) {
            Sort::AlmostTangent => "two curves of it are not quite tangent, they turn by {$said}°",
            Sort::Sharp => "has a corner of {$said}°, sharper than ".Numerals::plain($plan->limits->corner).'°',
            default => 'has a node that changes nothing',
        })->at($place, $sort === Sort::SpareNode ? 0.0 : $measure);
        $remedy = match ($sort) {
            Sort::AlmostTangent => $written === null ? null : self::tangent($written[0], $written[1]),
            Sort::Sharp => self::rounded($plan, $id, $place, min($before->length(), $after->length()), 180.0 - $degrees),
            default => $written === null ? null : self::without($written[0], $written[1]),
        };

        return $remedy === null ? $finding : $finding->with($remedy);
    }

    /** @return array{Step, int}|null the step whose point number $k this corner is */
    private static function written(Step $step, Evaluated $known, int $k, int $count): ?array
    {
        $points = $step->raw('points');

        return is_array($points) && count($points) === $count && count($known->places['points'] ?? []) === $count ? [$step, $k] : null;
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

    /** @return Remedy|null null for a cusp, which has no room for an arc */
    private static function rounded(Plan $plan, string $id, Vec $place, float $room, float $angle): ?Remedy
    {
        // As large as the sheet lets it, and no larger than half of the shorter way has room for.
        $radius = min(max($plan->width, $plan->height) * self::ROUNDED, 0.4 * $room * tan(deg2rad($angle / 2)));
        if ($radius < 100 * $plan->tolerance()->distance) {
            return null;
        }
        $address = sprintf('%s@%.6F,%.6F', $id, $place->x, $place->y);

        return new Remedy('Round it', [['op' => 'add', 'step' => ['kind' => 'round', 'of' => [$id], 'radius' => (float) sprintf('%.3g', $radius), 'corners' => [$address]]]]);
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
