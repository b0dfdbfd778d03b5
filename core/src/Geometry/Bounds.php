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

    public static function around(Vec ...$places): self
    {
        $bounds = new self(INF, INF, -INF, -INF);
        foreach ($places as $place) {
            $bounds = new self(
                min($bounds->left, $place->x),
                min($bounds->top, $place->y),
                max($bounds->right, $place->x),
                max($bounds->bottom, $place->y),
            );
        }

        return $places === [] ? new self(0.0, 0.0, 0.0, 0.0) : $bounds;
    }

    /** What holds all of them; a point at the origin where there is none. */
    public static function of(self ...$all): self
    {
        return array_reduce($all, static fn (?self $so, self $one): self => $so?->with($one) ?? $one) ?? self::around();
    }

    /** What holds it when it has been mapped. */
    public function mapped(Affine $map): self
    {
        $corners = [[$this->left, $this->top], [$this->right, $this->top], [$this->right, $this->bottom], [$this->left, $this->bottom]];

        return self::around(...array_map(static fn (array $corner): Vec => $map->apply(new Vec(...$corner)), $corners));
    }

    public function meets(self $other, float $within): bool
    {
        return $this->left <= $other->right + $within && $other->left <= $this->right + $within
            && $this->top <= $other->bottom + $within && $other->top <= $this->bottom + $within;
    }

    public function grownBy(float $distance): self
    {
        return new self($this->left - $distance, $this->top - $distance, $this->right + $distance, $this->bottom + $distance);
    }

    /** The longer side. */
    public function size(): float
    {
        return max($this->right - $this->left, $this->bottom - $this->top);
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
