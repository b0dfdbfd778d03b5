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

    /** @return Circle|null null where it is not one full circle */
    public function circle(): ?Circle
    {
        $curve = $this->curves[0];

        return count($this->curves) === 1 && $curve instanceof Arc && $curve->isFullCircle() ? $curve->circle() : null;
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

    /**
     * How often it runs around a place, clockwise on the screen; of places on it either side.
     *
     * Counts the crossings of a line that goes straight up from there.
     */
    public function windingsAround(Vec $place): int
    {
        $windings = 0;
        foreach ($this->curves as $curve) {
            $windings += $curve->passesAbove($place);
        }

        return $windings;
    }

    public function isAround(Vec $place): bool
    {
        return $this->windingsAround($place) !== 0;
    }

    /** The same points, run the other way: of a piece the hole of its form. */
    public function reversed(): self
    {
        return new self(self::runBackwards($this->curves));
    }

    /** Whether a curve is longer than a length: where its ends are farther apart than that its own length need not be worked out. */
    public static function isLonger(Curve $curve, float $length): bool
    {
        return $curve->start()->distanceTo($curve->end()) > $length || $curve->length() > $length;
    }

    /**
     * Its curves without those that are shorter than a length; the ones before them reach over.
     *
     * @return list<Curve>
     */
    public function withoutTrifles(float $length): array
    {
        $kept = array_values(array_filter($this->curves, static fn (Curve $curve): bool => self::isLonger($curve, $length)));
        $count = count($kept);
        if ($count === count($this->curves)) {
            return $kept;
        }
        foreach ($kept as $number => $curve) {
            $next = $kept[($number + 1) % $count]->start();
            if ($curve->end()->x !== $next->x || $curve->end()->y !== $next->y) {
                $kept[$number] = match (true) {
                    $curve instanceof Arc && $count > 1 => Arc::around(
                        $curve->center(),
                        $curve->radius(),
                        $curve->start(),
                        $next,
                        $curve->sweep() > 0.0,
                    ),
                    $curve instanceof Cubic => new Cubic($curve->start(), $curve->leaving, $curve->arriving, $next),
                    default => new Line($curve->start(), $next),
                };
            }
        }

        return $kept;
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
