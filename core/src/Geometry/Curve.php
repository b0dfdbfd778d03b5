<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** One segment of an outline, with a direction. */
interface Curve
{
    public function start(): Vec;

    public function end(): Vec;

    /** Sheet units. */
    public function length(): float;

    public function bounds(): Bounds;

    /** The same points, run the other way. */
    public function reversed(): self;

    public function mapped(Affine $map): self;

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
