<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A whole circle. */
final readonly class Circle
{
    /** Points within this share of their spread of a straight line have no circle worth drawing. */
    private const STRAIGHT = 1e-9;

    /** @param  float  $radius sheet units, positive */
    public function __construct(public Vec $center, public float $radius)
    {
    }

    /**
     * The circumscribed circle of a triangle.
     *
     * @throws Degenerate for two equal points, and for three in a line
     */
    public static function through(Vec $a, Vec $b, Vec $c): self
    {
        $ab = $b->minus($a);
        $ac = $c->minus($a);
        $longest = max($ab->length(), $ac->length(), $b->distanceTo($c));
        if (min($ab->length(), $ac->length(), $b->distanceTo($c)) <= self::STRAIGHT * $longest) {
            throw new Degenerate('two of the three points are the same place');
        }
        $double = 2 * Exact::cross($a, $b, $a, $c);
        if (abs($double) <= self::STRAIGHT * $longest ** 2) {
            throw new Degenerate('the three points lie in a line, and no circle goes through them');
        }
        $center = new Vec(
            ($ac->y * $ab->dot($ab) - $ab->y * $ac->dot($ac)) / $double,
            ($ab->x * $ac->dot($ac) - $ac->x * $ab->dot($ab)) / $double,
        );

        return new self($a->plus($center), $center->length());
    }

    public function distanceTo(Vec $place): float
    {
        return abs($place->distanceTo($this->center) - $this->radius);
    }
}
