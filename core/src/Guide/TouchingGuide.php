<?php

declare(strict_types=1);

namespace Sternbild\Core\Guide;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\TouchingCircles;
use Sternbild\Core\Geometry\Vec;

/**
 * The circle that touches one, two or three lines and circles, chosen by a place.
 *
 * | touches | given | the place |
 * |---|---|---|
 * | one | a radius | is the one to which the centre comes as near as it can |
 * | one | no radius | is the centre |
 * | two | a radius | is the one whose nearest centre is taken |
 * | two | no radius | lies on the circle; the smallest one is taken |
 * | three | no radius | is the one whose nearest centre is taken |
 */
final class TouchingGuide
{
    /** Contacts within this share of a guide's length lie on it. */
    private const ON = 1e-9;

    /**
     * @param  non-empty-list<Curve>  $guides
     *
     * @throws Degenerate
     */
    public static function find(array $guides, ?float $radius, Vec $near): Circle
    {
        if (count($guides) > 3) {
            throw new Degenerate('a circle can touch at most three guides; these are '.count($guides));
        }
        if (count($guides) === 3 && $radius !== null) {
            throw new Degenerate('three guides leave no choice of a radius; take the radius or one guide away');
        }
        if (count($guides) === 1) {
            return self::one($guides[0], $radius, $near);
        }
        $things = count($guides) === 2 && $radius === null ? [...$guides, $near] : $guides;
        $found = TouchingCircles::all($things, $radius);
        if ($found === []) {
            throw new Degenerate($radius === null
                ? 'no circle touches these guides'.(count($guides) === 2 ? ' and goes through the place' : '')
                : 'no circle of this radius touches both guides');
        }
        $byNear = count($things) > count($guides)
            ? static fn (Circle $circle): float => $circle->radius
            : static fn (Circle $circle): float => $circle->center->distanceTo($near);
        // Circles that touch the guides where they are drawn come before those that touch where they would go on.
        usort($found, static fn (Circle $a, Circle $b): int => [self::misses($a, $guides), $byNear($a)] <=> [self::misses($b, $guides), $byNear($b)]);

        return $found[0];
    }

    /** @throws Degenerate */
    private static function one(Curve $guide, ?float $radius, Vec $near): Circle
    {
        if ($radius === null) {
            $distance = $guide->pointAt($guide->nearest($near))->distanceTo($near);

            return $distance > 0.0 ? new Circle($near, $distance) : throw new Degenerate('the place lies on the guide, which leaves no radius');
        }
        if ($guide instanceof Line) {
            $contact = TouchingCircles::contact(new Circle($near, $radius), $guide);
            $way = $near->minus($contact);
            $aside = $way->length() > 0.0 ? $way->unit() : $guide->tangentAt(0.0)->quarterTurned();

            return new Circle($contact->plus($aside->times($radius)), $radius);
        }
        if (! $guide instanceof Arc) {
            throw new Degenerate('a circle can touch lines, circles and arcs');
        }
        $way = $near->minus($guide->center());
        $out = $way->length() > 0.0 ? $way->unit() : new Vec(1.0, 0.0);
        $reaches = [$guide->radius() + $radius, abs($guide->radius() - $radius)];
        $reach = abs($way->length() - $reaches[0]) < abs($way->length() - $reaches[1]) || $reaches[1] === 0.0 ? $reaches[0] : $reaches[1];

        return new Circle($guide->center()->plus($out->times($reach)), $radius);
    }

    /** @param  non-empty-list<Curve>  $guides */
    private static function misses(Circle $circle, array $guides): int
    {
        $misses = 0;
        foreach ($guides as $guide) {
            $contact = TouchingCircles::contact($circle, $guide);
            $misses += $guide->pointAt($guide->nearest($contact))->distanceTo($contact) > self::ON * $guide->length() ? 1 : 0;
        }

        return $misses;
    }
}
