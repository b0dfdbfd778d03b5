<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Outline;

/** Outlines that are filled together, and the steps that they came through, which decide their look. */
final readonly class Figure
{
    /**
     * @param  non-empty-list<Outline>  $outlines  pieces and holes
     * @param  list<string>  $steps  ids, the first one made it
     */
    public function __construct(public array $outlines, public array $steps)
    {
    }

    public function throughStep(string $id): self
    {
        return new self($this->outlines, [...$this->steps, $id]);
    }

    public function mapped(Affine $map): self
    {
        return new self(array_map(static fn (Outline $outline): Outline => $outline->mapped($map), $this->outlines), $this->steps);
    }

    public function holes(): int
    {
        return count(array_filter($this->outlines, static fn (Outline $outline): bool => $outline->isHole()));
    }

    public function nodes(): int
    {
        return array_sum(array_map(static fn (Outline $outline): int => $outline->nodes(), $this->outlines));
    }

    public function curves(): int
    {
        return array_sum(array_map(static fn (Outline $outline): int => count($outline->curves), $this->outlines));
    }

    public function area(): float
    {
        return array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $this->outlines));
    }

    public function perimeter(): float
    {
        return array_sum(array_map(static fn (Outline $outline): float => $outline->perimeter(), $this->outlines));
    }

    public function bounds(): Bounds
    {
        $bounds = $this->outlines[0]->bounds();
        foreach ($this->outlines as $outline) {
            $bounds = $bounds->with($outline->bounds());
        }

        return $bounds;
    }
}
