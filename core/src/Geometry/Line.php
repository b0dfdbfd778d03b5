<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A straight segment. */
final readonly class Line implements Curve
{
    use Splitting;

    public function __construct(private Vec $start, private Vec $end)
    {
    }

    public function start(): Vec
    {
        return $this->start;
    }

    public function end(): Vec
    {
        return $this->end;
    }

    public function length(): float
    {
        return $this->start->distanceTo($this->end);
    }

    public function bounds(): Bounds
    {
        return new Bounds(
            min($this->start->x, $this->end->x),
            min($this->start->y, $this->end->y),
            max($this->start->x, $this->end->x),
            max($this->start->y, $this->end->y),
        );
    }

    public function reversed(): self
    {
        return new self($this->end, $this->start);
    }

    public function pointAt(float $t): Vec
    {
        return match ($t) {
            0.0 => $this->start,
            1.0 => $this->end,
            default => $this->start->towards($this->end, $t),
        };
    }

    public function tangentAt(float $t): Vec
    {
        return $this->end->minus($this->start)->unit();
    }

    public function part(float $from, float $to): static
    {
        return new self($this->pointAt($from), $this->pointAt($to));
    }

    public function nearest(Vec $place): float
    {
        $run = $this->end->minus($this->start);
        $squared = $run->dot($run);

        return $squared > 0.0 ? min(1.0, max(0.0, $place->minus($this->start)->dot($run) / $squared)) : 0.0;
    }

    /** Whether another line lies on this one, as far as this one would go on. */
    public function carries(self $line, float $tolerance): bool
    {
        $along = $this->tangentAt(0.0);

        return abs($along->cross($line->start->minus($this->start))) <= $tolerance &&
            abs($along->cross($line->end->minus($this->start))) <= $tolerance;
    }

    public function mapped(Affine $map): array
    {
        return [new self($map->apply($this->start), $map->apply($this->end))];
    }

    public function passesAbove(Vec $place): int
    {
        $rightwards = $this->start->x <= $place->x && $this->end->x > $place->x;
        if (! $rightwards && ! ($this->end->x <= $place->x && $this->start->x > $place->x)) {
            return 0;
        }
        $side = Exact::side($this->start, $this->end, $place);

        return $rightwards ? ($side > 0.0 ? 1 : 0) : ($side < 0.0 ? -1 : 0);
    }

    public function areaSeenFrom(Vec $apex): float
    {
        return $this->start->minus($apex)->cross($this->end->minus($apex)) / 2;
    }

    public function momentSeenFrom(Vec $apex): Vec
    {
        // A triangle's centroid is a third of the sum of its corners.
        return $this->start->plus($this->end)->minus($apex->times(2))->times($this->areaSeenFrom($apex) / 3);
    }
}
