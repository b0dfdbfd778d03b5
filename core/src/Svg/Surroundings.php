<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Affine;

/** What an element of a drawing takes from all that it lies in. */
final readonly class Surroundings
{
    /**
     * @param  Affine  $map  from its coordinates to the sheet
     * @param  array<string, string>  $look
     * @param  list<list<DrawnShape>>  $clips
     * @param  list<\DOMElement>  $uses  what is being used, so that nothing uses itself
     */
    public function __construct(
        public Affine $map,
        public array $look,
        public float $opacity = 1.0,
        public array $clips = [],
        public array $uses = [],
    ) {
    }

    /** @param  array<string, string>  $look */
    public function within(Affine $map, array $look, float $opacity): self
    {
        return new self(
            $map->isIdentity() ? $this->map : $map->then($this->map),
            $look,
            $this->opacity * $opacity,
            $this->clips,
            $this->uses,
        );
    }

    /** @param  list<DrawnShape>  $clip */
    public function clippedBy(array $clip): self
    {
        return new self($this->map, $this->look, $this->opacity, [...$this->clips, $clip], $this->uses);
    }

    public function using(\DOMElement $element): self
    {
        return new self($this->map, $this->look, $this->opacity, $this->clips, [...$this->uses, $element]);
    }
}
