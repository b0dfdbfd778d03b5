<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A place or a displacement on the sheet, in sheet units; y grows downwards. */
final readonly class Vec
{
    public function __construct(public float $x, public float $y)
    {
    }

    public static function zero(): self
    {
        return new self(0.0, 0.0);
    }

    /**
     * The unit vector at a heading as polar grids count it: clockwise on the screen, 0 straight up.
     *
     * @param  float  $degrees  any finite angle
     */
    public static function heading(float $degrees): self
    {
        return new self(Angle::sine($degrees), -Angle::cosine($degrees));
    }

    public function plus(self $other): self
    {
        return new self($this->x + $other->x, $this->y + $other->y);
    }

    public function minus(self $other): self
    {
        return new self($this->x - $other->x, $this->y - $other->y);
    }

    public function times(float $factor): self
    {
        return new self($this->x * $factor, $this->y * $factor);
    }

    public function dot(self $other): float
    {
        return $this->x * $other->x + $this->y * $other->y;
    }

    /** Positive when $other lies clockwise of this one on the screen. */
    public function cross(self $other): float
    {
        return $this->x * $other->y - $this->y * $other->x;
    }

    public function length(): float
    {
        return hypot($this->x, $this->y);
    }

    /** @return self of length 1 in the same direction; zero stays zero */
    public function unit(): self
    {
        $length = $this->length();

        return $length > 0.0 ? new self($this->x / $length, $this->y / $length) : $this;
    }

    /** A quarter turn clockwise on the screen. */
    public function quarterTurned(): self
    {
        return new self(-$this->y, $this->x);
    }

    /** Radians, clockwise on the screen, 0 to the right. */
    public function angle(): float
    {
        return atan2($this->y, $this->x);
    }

    /** The place at the share $t of the way to $other. */
    public function towards(self $other, float $t): self
    {
        return new self($this->x + ($other->x - $this->x) * $t, $this->y + ($other->y - $this->y) * $t);
    }

    public function isFinite(): bool
    {
        return is_finite($this->x) && is_finite($this->y);
    }

    public function distanceTo(self $other): float
    {
        return hypot($this->x - $other->x, $this->y - $other->y);
    }
}
