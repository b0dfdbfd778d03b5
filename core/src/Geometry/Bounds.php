<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** An upright box in sheet units. */
final readonly class Bounds
{
    public function __construct(public float $left, public float $top, public float $right, public float $bottom)
    {
    }

    public function with(self $other): self
    {
        return new self(
            min($this->left, $other->left),
            min($this->top, $other->top),
            max($this->right, $other->right),
            max($this->bottom, $other->bottom),
        );
    }

    public function center(): Vec
    {
        return new Vec(($this->left + $this->right) / 2, ($this->top + $this->bottom) / 2);
    }

    /** @return array{float, float, float, float} left, top, right, bottom */
    public function toArray(): array
    {
        return [$this->left, $this->top, $this->right, $this->bottom];
    }
}
