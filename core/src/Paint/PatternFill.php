<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

use Sternbild\Core\Geometry\Affine;

/** A pattern as a fill: it goes on in all directions, and is seen inside the outline only. */
final readonly class PatternFill
{
    /**
     * @param  string  $pattern  the step that makes it
     * @param  Affine  $map  brings it from where that step has it to where it is seen
     * @param  string  $plain  #rrggbb, what stands for it where there is one colour only
     */
    public function __construct(public string $pattern, public Affine $map, public string $plain = '#808080')
    {
    }

    public function mapped(Affine $map): self
    {
        return new self($this->pattern, $this->map->then($map), $this->plain);
    }

    public function shownAs(string $plain): self
    {
        return new self($this->pattern, $this->map, $plain);
    }

    /** What tells it from others, as far as anybody sees. */
    public function key(): string
    {
        return $this->pattern.
            ' '.
            implode(' ', array_map(static fn (float $one): string => sprintf('%.9g', $one), $this->map->toArray())).
            ' '.
            $this->plain;
    }
}
