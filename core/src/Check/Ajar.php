<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sector;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Part;

/**
 * Outlines that nearly reach the edge of their sector: a corner that misses a corner of the next copy, or of its own mirror image, by a
 * little.
 */
final class Ajar extends Check
{
    /** Corners of one repeat up to which they are compared. */
    private const MOST = 240;

    public function tells(): array
    {
        return [
            Sort::warning('ajar', 'a corner of what a repeat all the way around repeats misses the next copy, or its own mirror image, by less than the limit; for each repeat the one that misses by most', 'put where both meet, where it is written'),
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

    /** For each repeat the corner that misses by most. */
    public function look(Looked $looked): array
    {
        [$plan, $known] = [$looked->plan, $looked->known];
        $findings = [];
        foreach ($known as $id => $step) {
            $sector = $step->result instanceof Part ? Sector::ofRepeat($known, $plan->steps[$id]) : null;
            $corners = $sector === null ? [] : self::corners($plan->steps[$id], $known);
            if ($sector === null || count($corners) > self::MOST) {
                continue;
            }
            Budget::spend(count($corners) ** 2 / 20);
            $worst = self::worst($sector, $corners, $looked->limit('checks.miss'), $looked->tolerance->distance);
            if ($worst !== null) {
                [[$of, $number, $at], $beside, $distance] = $worst;
                $said = Numerals::plain((float) sprintf('%.3g', $distance));
                $finding = $this->found(
                    'ajar',
                    $id,
                    "a corner of what it repeats misses the next copy by $said {$plan->unit->value}, so that they do not close",
                )->at($at, $distance);
                $remedy = self::remedy($plan, $known[$of], $number, $at->towards($beside, 0.5));
                $findings[] = $remedy === null ? $finding : $finding->with($remedy);
            }
        }

        return $findings;
    }

    /**
     * @param  array<string, Evaluated>  $known
     * @return list<array{string, int, Vec}> the step, the number of its corner, and where that is
     */
    private static function corners(Step $repeat, array $known): array
    {
        $corners = [];
        foreach ($repeat->references() as $id) {
            $part = ($known[$id] ?? null)?->result;
            foreach ($part instanceof Part ? $part->figures() : [] as $figure) {
                foreach ($figure->corners() as $number => $at) {
                    $corners[] = [$id, $number, $at];
                    if (count($corners) > self::MOST) {
                        return $corners;
                    }
                }
            }
        }

        return $corners;
    }

    /**
     * @param  list<array{string, int, Vec}>  $corners
     * @return array{array{string, int, Vec}, Vec, float}|null the corner, the one of the next copy that it misses, and by how much
     */
    private static function worst(Sector $sector, array $corners, float $miss, float $tolerance): ?array
    {
        $turn = Affine::turn($sector->angle, $sector->center);
        $images = [$turn];
        if ($sector->mirrored) {
            $mirror = Affine::mirrorUpright($sector->center);
            $images = [$mirror, $mirror->then($turn)];
        }
        $worst = null;
        foreach ($images as $image) {
            $there = array_map(static fn (array $corner): Vec => $image->apply($corner[2]), $corners);
            foreach ($corners as $corner) {
                [$nearest, $distance] = [null, $miss];
                foreach ($there as $at) {
                    if (abs($at->x - $corner[2]->x) < $distance && $at->distanceTo($corner[2]) < $distance) {
                        [$nearest, $distance] = [$at, $at->distanceTo($corner[2])];
                    }
                }
                if ($nearest !== null && $distance > 64 * $tolerance && ($worst === null || $distance > $worst[2])) {
                    $worst = [$corner, $nearest, $distance];
                }
            }
        }

        return $worst;
    }

    /** @return Remedy|null where the corner is written: put where both meet */
    private static function remedy(Plan $plan, Evaluated $known, int $number, Vec $meet): ?Remedy
    {
        $points = $plan->steps[$known->id]->raw('points');
        if (
            ! is_array($points) ||
            ! ($known->result instanceof Part) ||
            $known->result->count() !== 1 ||
            count($known->places['points'] ?? []) !== count($points)
        ) {
            return null;
        }
        $at = ($known->result->first()?->corners()[$number] ?? null);
        foreach ($known->places['points'] as $point => $place) {
            if ($at !== null && $place->distanceTo($at) <= 64 * $plan->tolerance()->distance) {
                $decimals = $plan->tolerance()->decimals + 2;
                $points[$point] = [round($meet->x, $decimals), round($meet->y, $decimals)];

                return new Remedy('Close it', [['op' => 'set', 'id' => $known->id, 'field' => 'points', 'value' => array_values($points)]]);
            }
        }

        return null;
    }
}
