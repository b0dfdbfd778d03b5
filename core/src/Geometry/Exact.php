<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Quantities whose sign or last digits decide how curves lie to one another: computed plainly where a bound on the rounding error shows
 * that to be enough, and exactly where it does not.
 */
final class Exact
{
    /** Half the distance from 1 to the next double. */
    private const EPSILON = 1.1102230246251565e-16;

    /** The bound of Shewchuk's orientation test, for a determinant of differences. */
    private const CROSS_ERROR = (3 + 16 * self::EPSILON) * self::EPSILON;

    /** Plain results have to be good to this share, not only in their sign. */
    private const WANTED = 1e-12;

    /**
     * (b − a) × (d − c): positive where the second way turns clockwise from the first on the screen.
     *
     * The sign is exact, and so are all but the last digits.
     */
    public static function cross(Vec $a, Vec $b, Vec $c, Vec $d): float
    {
        $left = ($b->x - $a->x) * ($d->y - $c->y);
        $right = ($b->y - $a->y) * ($d->x - $c->x);
        $plain = $left - $right;
        if (abs($plain) * self::WANTED > self::CROSS_ERROR * (abs($left) + abs($right))) {
            return $plain;
        }

        return self::crossExpanded($a, $b, $c, $d)->value();
    }

    /** The side of the line from $a to $b on which $place lies: positive to the right on the screen, 0 on the line. Exact. */
    public static function side(Vec $a, Vec $b, Vec $place): float
    {
        return self::cross($a, $b, $a, $place);
    }

    /** r² − d² with d the distance from $center to the line through $a and $b, times its length squared; negative where they miss. */
    public static function lineCircleGap(Vec $a, Vec $b, Vec $center, float $radius): float
    {
        $length = Expansion::difference($b->x, $a->x)->squared()->plus(Expansion::difference($b->y, $a->y)->squared());
        $cross = self::crossExpanded($a, $b, $a, $center);

        return Expansion::of($radius)->squared()->times($length)->minus($cross->squared())->value();
    }

    /** ((r + s)² − d²)·(d² − (r − s)²) of two circles a distance d apart: 16 times the squared area of their triangle. */
    public static function circleCircleGap(Circle $one, Circle $other): float
    {
        $square = Expansion::difference($other->center->x, $one->center->x)->squared()
            ->plus(Expansion::difference($other->center->y, $one->center->y)->squared());
        $radius = Expansion::of($one->radius);
        $sum = $radius->plus(Expansion::of($other->radius))->squared();
        $difference = $radius->minus(Expansion::of($other->radius))->squared();

        return $sum->minus($square)->times($square->minus($difference))->value();
    }

    private static function crossExpanded(Vec $a, Vec $b, Vec $c, Vec $d): Expansion
    {
        return Expansion::difference($b->x, $a->x)->times(Expansion::difference($d->y, $c->y))
            ->minus(Expansion::difference($b->y, $a->y)->times(Expansion::difference($d->x, $c->x)));
    }
}
