<?php

declare(strict_types=1);

namespace Sternbild\Core\Snap;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\TouchingCircles;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Guide;

/** Where a circle that is dragged settles: beside the lines and circles that it nearly touches, so that it touches them. */
final readonly class Settling
{
    /** @param  list<array{id: string, label: string, at: Vec}>  $touches  what it touches there, and where */
    private function __construct(public Vec $center, public array $touches)
    {
    }

    /**
     * @param  Arc  $circle  that is dragged
     * @param  array<string, Guide>  $others  that it may touch, by id
     * @param  array<string, string>  $labels  of the steps
     * @param  Vec  $center  where the pointer has it
     * @param  float  $reach  how far it may be moved to touch something, sheet units
     */
    public static function of(Arc $circle, array $others, array $labels, Tolerance $tolerance, Vec $center, float $reach): self
    {
        $radius = $circle->radius();
        $others = array_filter($others, static fn (Guide $other): bool => $other->curve !== null);
        $settled = self::settled($others, $radius, $center, $reach);
        $touches = [];
        foreach ($others as $name => $other) {
            $contact = TouchingCircles::contact(new Circle($settled, $radius), $other->single());
            $slack = 1e3 * $tolerance->distance;
            $onBoth =
                abs($contact->distanceTo($settled) - $radius) <= $slack &&
                $other
                    ->single()
                    ->pointAt($other->single()->nearest($contact))
                    ->distanceTo($contact) <= $slack;
            if ($onBoth) {
                $touches[] = ['id' => $name, 'label' => $labels[$name], 'at' => $contact];
            }
        }

        return new self($settled, $touches);
    }

    /**
     * @param  array<string, Guide>  $others
     */
    private static function settled(array $others, float $radius, Vec $center, float $reach): Vec
    {
        $near = [];
        foreach ($others as $other) {
            foreach (self::places($other->single(), $radius, $center) as $place) {
                if ($place->distanceTo($center) <= $reach) {
                    $near[] = [$place->distanceTo($center), $place, $other->single()];
                }
            }
        }
        usort($near, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        if (count($near) > 1 && $near[0][2] !== $near[1][2]) {
            // Two at once, where there is such a place.
            foreach (TouchingCircles::all([$near[0][2], $near[1][2]], $radius) as $circle) {
                if ($circle->center->distanceTo($center) <= 1.5 * $reach) {
                    return $circle->center;
                }
            }
        }

        return $near === [] ? $center : $near[0][1];
    }

    /** @return list<Vec> the nearest centres from which a circle touches a curve */
    private static function places(Curve $curve, float $radius, Vec $center): array
    {
        $from = $curve instanceof Arc ? $curve->center() : TouchingCircles::contact(new Circle($center, $radius), $curve);
        $way = $center->minus($from);
        if ($way->length() === 0.0) {
            return [];
        }
        $reaches = $curve instanceof Arc ? [$curve->radius() + $radius, abs($curve->radius() - $radius)] : [$radius];

        return array_map(static fn (float $far): Vec => $from->plus($way->unit()->times($far)), $reaches);
    }
}
