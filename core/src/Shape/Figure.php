<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Paint\Recoloured;

/** A shape, the map that brought it where it is, and the steps that it came through, which decide its look. */
final readonly class Figure
{
    /**
     * @param  list<string>  $steps  ids, the first one made it
     * @param  Strand|null  $own  of a band the way that it follows, before the map
     * @param  Affine|null  $way  what has moved it since it was made, also where the shape has been made anew since; the map unless said
     * @param  Gradient|null  $tint  what it is filled with unless it is given a look, in the coordinates of the shape
     * @param  Recoloured|null  $recoloured  the colour that it got as a copy
     * @param  array<int, Affine>  $passed  what had moved it before a step that it came through did, by the step's number; nothing unless
     *   said
     */
    private function __construct(
        public Shape $shape,
        public Affine $map,
        public array $steps,
        public ?Blend $blend = null,
        private ?Strand $own = null,
        private ?Affine $way = null,
        private array $passed = [],
        public ?Gradient $tint = null,
        public ?Recoloured $recoloured = null,
    ) {
    }

    /**
     * @param  non-empty-list<Outline>  $outlines  pieces and holes, where they are
     * @param  list<string>  $steps
     */
    public static function drawn(array $outlines, array $steps): self
    {
        return new self(new Shape($outlines), Affine::identity(), $steps);
    }

    /** The same as a band that follows a way. */
    public function following(Strand $strand): self
    {
        return new self(
            $this->shape,
            $this->map,
            $this->steps,
            $this->blend,
            $strand,
            $this->way,
            $this->passed,
            $this->tint,
            $this->recoloured,
        );
    }

    public function tinted(Gradient $tint): self
    {
        return new self(
            $this->shape,
            $this->map,
            $this->steps,
            $this->blend,
            $this->own,
            $this->way,
            $this->passed,
            $tint,
            $this->recoloured,
        );
    }

    /** The same in a colour that the last step that it came through gives it. */
    public function recoloured(string $colour): self
    {
        return new self(
            $this->shape,
            $this->map,
            $this->steps,
            $this->blend,
            $this->own,
            $this->way,
            $this->passed,
            $this->tint,
            new Recoloured($colour, count($this->steps) - 1),
        );
    }

    /** The way that it follows, where it is a band or a ring. */
    public function strand(): ?Strand
    {
        return $this->own === null ? Strand::ofRing($this) : ($this->map->isIdentity() ? $this->own : $this->own->mapped($this->map));
    }

    /** The same before its map. */
    public function strandOfShape(): ?Strand
    {
        return $this->own ?? Strand::ofRing(new self($this->shape, Affine::identity(), $this->steps));
    }

    public function blended(Blend $blend): self
    {
        return new self(
            $this->shape,
            $this->map,
            $this->steps,
            $blend,
            $this->own,
            $this->way,
            $this->passed,
            $this->tint,
            $this->recoloured,
        );
    }

    /** The same as if it had come through what another one did, and been moved as that was. */
    public function cameAs(self $other): self
    {
        return new self(
            $this->shape,
            $this->map,
            $other->steps,
            $this->blend ?? $other->blend,
            $this->own,
            $other->moved(),
            $other->passed,
            $this->tint,
            $this->recoloured ?? $other->recoloured,
        );
    }

    /**
     * What brings a place from the sheet as it was behind a step that it came through to where the figure is now; the last of these steps
     * that it did.
     */
    public function since(string ...$steps): ?Affine
    {
        foreach (array_reverse($this->steps, true) as $number => $step) {
            if (in_array($step, $steps, true)) {
                return $number === count($this->steps) - 1
                    ? Affine::identity()
                    : ($this->passed[$number + 1] ?? Affine::identity())->inverse()->then($this->moved());
            }
        }

        return null;
    }

    private function moved(): Affine
    {
        return $this->way ?? $this->map;
    }

    public function throughStep(string $id): self
    {
        $moved = $this->moved();
        $passed = $moved->isIdentity() ? $this->passed : $this->passed + [count($this->steps) => $moved];

        return new self(
            $this->shape,
            $this->map,
            [...$this->steps, $id],
            $this->blend?->through($id),
            $this->own,
            $this->way,
            $passed,
            $this->tint,
            $this->recoloured,
        );
    }

    public function mapped(Affine $map): self
    {
        return $map->isIdentity()
            ? $this
            : new self(
                $this->shape,
                $this->map->then($map),
                $this->steps,
                $this->blend,
                $this->own,
                $this->way?->then($map),
                $this->passed,
                $this->tint,
                $this->recoloured,
            );
    }

    /**
     * The outlines where they are, spelt out.
     *
     * @return non-empty-list<Outline>
     */
    public function outlines(): array
    {
        return $this->map->isIdentity()
            ? $this->shape->outlines
            : array_map(fn (Outline $outline): Outline => $outline->mapped($this->map), $this->shape->outlines);
    }

    public function holes(): int
    {
        return $this->shape->holes();
    }

    public function nodes(): int
    {
        // Arcs that are no longer round become several cubics.
        return $this->map->isSimilarity() ? $this->shape->nodes() : (new Shape($this->outlines()))->nodes();
    }

    public function curves(): int
    {
        return $this->shape->curves();
    }

    public function area(): float
    {
        return $this->map->isIdentity() ? $this->shape->area() : $this->shape->area() * abs($this->map->determinant());
    }

    public function perimeter(): float
    {
        return match (true) {
            $this->map->isIdentity() => $this->shape->perimeter(),
            $this->map->isSimilarity() => $this->shape->perimeter() * $this->map->scale(),
            default => (new Shape($this->outlines()))->perimeter(),
        };
    }

    public function bounds(): Bounds
    {
        return $this->map->isIdentity() ? $this->shape->bounds() : (new Shape($this->outlines()))->bounds();
    }

    /**
     * Corners and curve joins, in the order of the outlines.
     *
     * @return list<Vec>
     */
    public function corners(): array
    {
        $corners = [];
        foreach ($this->shape->outlines as $outline) {
            if ($outline->nodes() > 0) {
                foreach ($outline->curves as $curve) {
                    $corners[] = $this->map->apply($curve->start());
                }
            }
        }

        return $corners;
    }
}
