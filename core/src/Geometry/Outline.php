<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * A closed run of curves. Clockwise on the screen it bounds a piece, counter-clockwise a hole.
 *
 * One full circle is an outline of a single arc.
 */
final readonly class Outline
{
    /** @param  non-empty-list<Curve>  $curves each begins where the one before ends, the first where the last ends */
    public function __construct(public array $curves)
    {
    }

    /** Sheet units squared; negative for a hole. */
    public function area(): float
    {
        $apex = $this->curves[0]->start();

        $area = 0.0;
        foreach ($this->curves as $curve) {
            $area += $curve->areaSeenFrom($apex);
        }

        return $area;
    }

    /** The centre of gravity of the enclosed area. */
    public function centroid(): Vec
    {
        $apex = $this->curves[0]->start();
        $moment = Vec::zero();
        foreach ($this->curves as $curve) {
            $moment = $moment->plus($curve->momentSeenFrom($apex));
        }

        return $apex->plus($moment->times(1 / $this->area()));
    }

    public function perimeter(): float
    {
        return array_sum(array_map(static fn (Curve $curve): float => $curve->length(), $this->curves));
    }

    public function bounds(): Bounds
    {
        $bounds = $this->curves[0]->bounds();
        foreach ($this->curves as $curve) {
            $bounds = $bounds->with($curve->bounds());
        }

        return $bounds;
    }

    /** Corners and curve joins; a full circle has none. */
    public function nodes(): int
    {
        $count = count($this->curves);

        return $count === 1 ? 0 : $count;
    }

    public function isHole(): bool
    {
        return $this->area() < 0.0;
    }

    /** The image under $map; a mirror also reverses the run, so that a piece stays a piece and a hole a hole. */
    public function mapped(Affine $map): self
    {
        $curves = [];
        foreach ($this->curves as $curve) {
            array_push($curves, ...$curve->mapped($map));
        }

        return new self($map->isMirrored() ? self::runBackwards($curves) : $curves);
    }

    /**
     * @param  non-empty-list<Curve>  $curves
     * @return non-empty-list<Curve>
     */
    private static function runBackwards(array $curves): array
    {
        return array_map(static fn (Curve $curve): Curve => $curve->reversed(), array_reverse($curves));
    }
}
