<?php

declare(strict_types=1);

namespace Sternbild\Core\Guide;

use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Meeting;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/** Where a guide or an outline meets others, or the lines of a grid. */
final class Crossings
{
    /**
     * @param  list<Curve>  $others
     * @return list<Meeting> in order along the curve, each place once
     */
    public static function find(Curve $curve, array $others, Tolerance $tolerance): array
    {
        $meetings = [];
        foreach ($others as $other) {
            array_push($meetings, ...Intersections::find($curve, $other, $tolerance));
        }
        usort($meetings, static fn (Meeting $a, Meeting $b): int => $a->s <=> $b->s);
        $distinct = [];
        foreach ($meetings as $meeting) {
            $last = $distinct[count($distinct) - 1] ?? null;
            if ($last === null || $last->at->distanceTo($meeting->at) > $tolerance->distance) {
                $distinct[] = $meeting;
            }
        }

        return $distinct;
    }

    /**
     * The same along several curves, one after another.
     *
     * @param  list<Curve>  $curves
     * @param  list<Curve>  $others
     * @return list<Vec> a joint of two curves counts once
     */
    public static function findAlong(array $curves, array $others, Tolerance $tolerance): array
    {
        $places = [];
        foreach ($curves as $number => $curve) {
            foreach (self::find($curve, $others, $tolerance) as $meeting) {
                $last = $places[count($places) - 1] ?? null;
                $again = $number > 0 && $last !== null && $last->distanceTo($meeting->at) <= $tolerance->distance;
                // A closed outline comes back to where it began.
                $closing =
                    $number > 0 && $meeting->s === 1.0 && $places !== [] && $places[0]->distanceTo($meeting->at) <= $tolerance->distance;
                if (! $again && ! $closing) {
                    $places[] = $meeting->at;
                }
            }
        }

        return $places;
    }
}
