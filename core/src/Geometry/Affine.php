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

    /** In the order of SVG's `matrix(a b c d e f)`. */
    public static function ofMatrix(float $a, float $b, float $c, float $d, float $e, float $f): self
    {
        return new self($a, $b, $c, $d, $e, $f);
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

    /** The mirror image in the line through two different places. */
    public static function mirror(Vec $a, Vec $b): self
    {
        $way = $b->minus($a);
        $square = $way->dot($way);
        $cos = ($way->x * $way->x - $way->y * $way->y) / $square;
        $sin = 2 * $way->x * $way->y / $square;

        return new self($cos, $sin, $sin, -$cos, $a->x - $cos * $a->x - $sin * $a->y, $a->y - $sin * $a->x + $cos * $a->y);
    }

    /**
     * The map that takes three places to three others.
     *
     * @param  array{Vec, Vec, Vec}  $from
     * @param  array{Vec, Vec, Vec}  $to
     *
     * @throws Degenerate where three of them lie in a line
     */
    public static function onto(array $from, array $to): self
    {
        foreach ([$from, $to] as $places) {
            [$u, $v] = [$places[1]->minus($places[0]), $places[2]->minus($places[0])];
            if (abs($u->cross($v)) <= 1e-9 * max($u->dot($u), $v->dot($v))) {
                throw new Degenerate('the three places lie in a line, and leave no way to say where the rest goes');
            }
        }

        return self::frame($from)->inverse()->then(self::frame($to));
    }

    /** @param  array{Vec, Vec, Vec}  $places to which the origin and the ends of the unit vectors go */
    private static function frame(array $places): self
    {
        [$o, $u, $v] = $places;

        return new self($u->x - $o->x, $u->y - $o->y, $v->x - $o->x, $v->y - $o->y, $o->x, $o->y);
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

    /** By how much areas grow; negative where it mirrors. */
    public function determinant(): float
    {
        return $this->a * $this->d - $this->b * $this->c;
    }

    public function isIdentity(): bool
    {
        return $this->toArray() === [1.0, 0.0, 0.0, 1.0, 0.0, 0.0];
    }

    /** @return array{float, float, float, float, float, float} in the order of SVG's matrix() */
    public function toArray(): array
    {
        return [$this->a, $this->b, $this->c, $this->d, $this->e, $this->f];
    }

    /** Whether it turns clockwise outlines into counter-clockwise ones. */
    public function isMirrored(): bool
    {
        return $this->determinant() < 0.0;
    }

    /** Whether it keeps circles circles, up to the rounding of a few doubles. */
    public function isSimilarity(): bool
    {
        $size = max(abs($this->a), abs($this->b), abs($this->c), abs($this->d));
        $way = $this->isMirrored() ? -1.0 : 1.0;

        return abs($this->a - $way * $this->d) <= Tolerance::ROUNDING * $size &&
            abs($this->b + $way * $this->c) <= Tolerance::ROUNDING * $size;
    }

    /** The factor by which lengths grow under a similarity. */
    public function scale(): float
    {
        return hypot($this->a, $this->b);
    }
}
