<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;

/** A shape of the result: one or more figures, drawn in order. */
final readonly class Part implements Result
{
    /** @param  non-empty-list<Figure>  $figures */
    public function __construct(public array $figures)
    {
    }

    public function role(): Role
    {
        return Role::Part;
    }

    /** The same part as the step $id gives it on; a look given to $id reaches it from now on. */
    public function throughStep(string $id): self
    {
        return new self(array_map(static fn (Figure $figure): Figure => $figure->throughStep($id), $this->figures));
    }

    public function mapped(Affine $map): self
    {
        return new self(array_map(static fn (Figure $figure): Figure => $figure->mapped($map), $this->figures));
    }

    public function pieces(): int
    {
        return $this->outlines() - $this->holes();
    }

    /** Pieces and holes together. */
    public function outlines(): int
    {
        return $this->total(static fn (Figure $figure): int => count($figure->outlines));
    }

    public function holes(): int
    {
        return $this->total(static fn (Figure $figure): int => $figure->holes());
    }

    public function nodes(): int
    {
        return $this->total(static fn (Figure $figure): int => $figure->nodes());
    }

    /** Sheet units squared; what figures overlap counts for each of them. */
    public function area(): float
    {
        return array_sum(array_map(static fn (Figure $figure): float => $figure->area(), $this->figures));
    }

    public function perimeter(): float
    {
        return array_sum(array_map(static fn (Figure $figure): float => $figure->perimeter(), $this->figures));
    }

    public function bounds(): Bounds
    {
        $bounds = $this->figures[0]->bounds();
        foreach ($this->figures as $figure) {
            $bounds = $bounds->with($figure->bounds());
        }

        return $bounds;
    }

    /** How many curves all outlines have together. */
    public function curves(): int
    {
        return $this->total(static fn (Figure $figure): int => $figure->curves());
    }

    /** @param  callable(Figure): int  $measure */
    private function total(callable $measure): int
    {
        return array_sum(array_map($measure, $this->figures));
    }
}
