<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * An affine map of the plane, kept as the matrix (a c e; b d f) in the order of SVG's `matrix(a b c d e f)`.
 *
 * Under a similarity (turn, mirror, move, even scaling) circular arcs stay circular arcs; under any other map they become cubics.
 */
final readonly class Affine
{
    private function __construct(
        public float $a,
        public float $b,
        public float $c,
        public float $d,
        public float $e,
        public float $f,
    ) {
    }

    public static function identity(): self
    {
        return new self(1.0, 0.0, 0.0, 1.0, 0.0, 0.0);
    }

    /** @param  float  $degrees clockwise on the screen */
    public static function turn(float $degrees, Vec $about): self
    {
        $cos = Angle::cosine($degrees);
        $sin = Angle::sine($degrees);

        return new self(
            $cos, $sin, -$sin, $cos,
            $about->x - $cos * $about->x + $sin * $about->y,
            $about->y - $sin * $about->x - $cos * $about->y,
        );
    }

    /** The mirror image in the upright line through $on. */
    public static function mirrorUpright(Vec $on): self
    {
        return new self(-1.0, 0.0, 0.0, 1.0, 2 * $on->x, 0.0);
    }

    /** The mirror image in the line through $on that falls at 45°: x and y change places. */
    public static function diagonal(Vec $on): self
    {
        return new self(0.0, 1.0, 1.0, 0.0, $on->x - $on->y, $on->y - $on->x);
    }

    /** Lengths along x times $acrossX and along y times $acrossY, seen from $about. */
    public static function scaling(float $acrossX, float $acrossY, Vec $about): self
    {
        return new self($acrossX, 0.0, 0.0, $acrossY, $about->x * (1 - $acrossX), $about->y * (1 - $acrossY));
    }

    public static function move(Vec $by): self
    {
        return new self(1.0, 0.0, 0.0, 1.0, $by->x, $by->y);
    }

    /** This map first, then $next. */
    public function then(self $next): self
    {
        return new self(
            $next->a * $this->a + $next->c * $this->b,
            $next->b * $this->a + $next->d * $this->b,
            $next->a * $this->c + $next->c * $this->d,
            $next->b * $this->c + $next->d * $this->d,
            $next->a * $this->e + $next->c * $this->f + $next->e,
            $next->b * $this->e + $next->d * $this->f + $next->f,
        );
    }

    public function inverse(): self
    {
        $scale = $this->a * $this->d - $this->b * $this->c;

        return new self(
            $this->d / $scale, -$this->b / $scale, -$this->c / $scale, $this->a / $scale,
            ($this->c * $this->f - $this->d * $this->e) / $scale,
            ($this->b * $this->e - $this->a * $this->f) / $scale,
        );
    }

    public function apply(Vec $point): Vec
    {
        return new Vec(
            $this->a * $point->x + $this->c * $point->y + $this->e,
            $this->b * $point->x + $this->d * $point->y + $this->f,
        );
    }

    /** Whether it turns clockwise outlines into counter-clockwise ones. */
    public function isMirrored(): bool
    {
        return $this->a * $this->d - $this->b * $this->c < 0.0;
    }

    /** Whether it keeps circles circles, up to the rounding of a few doubles. */
    public function isSimilarity(): bool
    {
        $size = max(abs($this->a), abs($this->b), abs($this->c), abs($this->d));
        $way = $this->isMirrored() ? -1.0 : 1.0;

        return abs($this->a - $way * $this->d) <= Tolerance::ROUNDING * $size && abs($this->b + $way * $this->c) <= Tolerance::ROUNDING * $size;
    }

    /** The factor by which lengths grow under a similarity. */
    public function scale(): float
    {
        return hypot($this->a, $this->b);
    }
}
