<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * A similarity of the plane, kept as the matrix (a c e; b d f) in the order of SVG's `matrix(a b c d e f)`.
 *
 * Only turns, mirrors, moves and even scalings can be made here, so that circular arcs stay circular arcs.
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

    /** The factor by which lengths grow. */
    public function scale(): float
    {
        return hypot($this->a, $this->b);
    }
}
