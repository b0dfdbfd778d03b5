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
        if ($found === [] && $radius !== null && count($guides) === 2) {
            $found = self::fittingEverywhere($guides[0], $guides[1], $radius, $near);
        }
        if ($found === []) {
            throw new Degenerate($radius === null
                ? 'no circle touches these guides'.(count($guides) === 2 ? ' and goes through the place' : '')
                : 'no circle of this radius touches both guides');
        }
        $byNear = count($things) > count($guides)
            ? static fn (Circle $circle): float => $circle->radius
            : static fn (Circle $circle): float => $circle->center->distanceTo($near);
        // Circles that touch the guides where they are drawn come before those that touch where they would go on.
        usort(
            $found,
            static fn (Circle $a, Circle $b): int => [self::misses($a, $guides), $byNear($a)] <=> [self::misses($b, $guides), $byNear($b)],
        );

        return $found[0];
    }

    /**
     * Between circles around one centre, and between parallel lines, a radius fits everywhere or nowhere. Of all places the one nearest to
     * the place that is asked for is taken, among equals the one straight up.
     *
     * @return list<Circle>
     */
    private static function fittingEverywhere(Curve $one, Curve $other, float $radius, Vec $near): array
    {
        $size = max($one->bounds()->with($other->bounds())->size(), $radius);
        if ($one instanceof Arc && $other instanceof Arc && $one->center()->distanceTo($other->center()) <= self::ON * $size) {
            $way = $near->minus($one->center());
            $out = $way->length() > self::ON * $size ? $way->unit() : new Vec(0.0, -1.0);
            $fitting = [];
            foreach ([abs($one->radius() - $radius), $one->radius() + $radius] as $reach) {
                foreach ([abs($other->radius() - $radius), $other->radius() + $radius] as $wanted) {
                    if (abs($reach - $wanted) <= self::ON * $size) {
                        $fitting[] = new Circle($one->center()->plus($out->times($reach)), $radius);
                    }
                }
            }

            return $fitting;
        }
        if (! $one instanceof Line || ! $other instanceof Line || abs($one->tangentAt(0.0)->cross($other->tangentAt(0.0))) > self::ON) {
            return [];
        }
        $along = $one->tangentAt(0.0);
        $aside = $along->quarterTurned();
        $apart = $other->start()->minus($one->start())->dot($aside);
        $foot = $one->start()->plus($along->times($near->minus($one->start())->dot($along)));
        if (abs(abs($apart) - 2 * $radius) <= self::ON * $size) {
            return [new Circle($foot->plus($aside->times($apart / 2)), $radius)];
        }
        // Twice the same line: it is touched from either side, and above comes first.
        $up = $aside->y < 0.0 || ($aside->y === 0.0 && $aside->x < 0.0) ? $aside : $aside->times(-1.0);

        return abs($apart) <= self::ON * $size
            ? [new Circle($foot->plus($up->times($radius)), $radius), new Circle($foot->minus($up->times($radius)), $radius)]
            : [];
    }

    /** @throws Degenerate */
    private static function one(Curve $guide, ?float $radius, Vec $near): Circle
    {
        if ($radius === null) {
            $distance = $guide->pointAt($guide->nearest($near))->distanceTo($near);

            return $distance > 0.0
                ? new Circle($near, $distance)
                : throw new Degenerate('the place lies on the guide, which leaves no radius');
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
