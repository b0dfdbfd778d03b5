<?php

declare(strict_types=1);

namespace Sternbild\Core\Guide;

use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Meeting;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Grid\Grid;

/** Where a guide meets another guide, or the lines of a grid. */
final class Crossings
{
    /** @return list<Meeting> in order along the first, each place once */
    public static function find(Guide $guide, Guide|Grid $other, Tolerance $tolerance): array
    {
        return self::findAmong($guide->curve, $other instanceof Grid ? $other->lines() : [$other->curve], $tolerance);
    }

    /**
     * @param  list<Curve>  $others
     * @return list<Meeting>
     */
    public static function findAmong(Curve $curve, array $others, Tolerance $tolerance): array
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
}
