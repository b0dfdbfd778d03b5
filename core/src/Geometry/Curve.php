<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A line, a circular arc or a cubic, with a direction and a parameter from 0 at the start to 1 at the end. */
interface Curve
{
    public function start(): Vec;

    public function end(): Vec;

    /** Sheet units. */
    public function length(): float;

    public function bounds(): Bounds;

    /** The same points, run the other way. */
    public function reversed(): self;

    /** @param  float  $t  from 0 at the start to 1 at the end */
    public function pointAt(float $t): Vec;

    /** @return Vec the unit vector along the run at $t */
    public function tangentAt(float $t): Vec;

    /** The piece between two parameters, $from below $to. Its ends are those that pointAt gives, to the last bit. */
    public function part(float $from, float $to): static;

    /**
     * Both sides of a parameter.
     *
     * @return array{static, static}
     */
    public function split(float $t): array;

    /** @return float the parameter of the point nearest to $place; the lowest one where several are */
    public function nearest(Vec $place): float;

    /** @return non-empty-list<self> several where the map makes cubics of an arc */
    public function mapped(Affine $map): array;

    /**
     * How often it passes straight above a place on the screen: to the right counts 1, to the left −1. Of two curves that meet straight
     * above it one counts.
     */
    public function passesAbove(Vec $place): int;

    /**
     * The signed area between this segment and the two straight lines from its ends to $apex, exact.
     *
     * Positive where the segment runs clockwise on the screen around $apex. Summed over a closed outline it is the enclosed area; an
     * $apex on the outline keeps the digits of a small outline far from the origin.
     */
    public function areaSeenFrom(Vec $apex): float;

    /** The first moments of that area about $apex, exact. */
    public function momentSeenFrom(Vec $apex): Vec;
}
