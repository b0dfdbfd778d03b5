<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/** Outlines that are filled together. What is measured of them is kept: copies by the thousand share one shape. */
final class Shape
{
    private ?float $area = null;

    private ?float $perimeter = null;

    private ?int $holes = null;

    private ?Bounds $bounds = null;

    /** @param  non-empty-list<Outline>  $outlines  pieces clockwise on the screen, holes the other way */
    public function __construct(public readonly array $outlines)
    {
    }

    /** Sheet units squared. */
    public function area(): float
    {
        return $this->area ??= array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $this->outlines));
    }

    public function perimeter(): float
    {
        return $this->perimeter ??= array_sum(array_map(static fn (Outline $outline): float => $outline->perimeter(), $this->outlines));
    }

    public function holes(): int
    {
        return $this->holes ??= count(array_filter($this->outlines, static fn (Outline $outline): bool => $outline->isHole()));
    }

    public function nodes(): int
    {
        return array_sum(array_map(static fn (Outline $outline): int => $outline->nodes(), $this->outlines));
    }

    public function curves(): int
    {
        return array_sum(array_map(static fn (Outline $outline): int => count($outline->curves), $this->outlines));
    }

    public function bounds(): Bounds
    {
        return $this->bounds ??= array_reduce(
            $this->outlines,
            static fn (?Bounds $all, Outline $outline): Bounds => $all?->with($outline->bounds()) ?? $outline->bounds(),
        ) ?? Bounds::around();
    }

    /**
     * The pieces that do not hang together, each with its holes.
     *
     * @return list<non-empty-list<Outline>>
     */
    public function pieces(): array
    {
        $pieces = [];
        foreach ($this->outlines as $outline) {
            if (! $outline->isHole()) {
                $pieces[] = [$outline];
            }
        }
        foreach ($this->outlines as $outline) {
            if ($outline->isHole()) {
                $around = self::tightestAround($pieces, $outline->curves[0]->pointAt(0.5));
                if ($around !== null) {
                    $pieces[$around][] = $outline;
                }
            }
        }

        return $pieces;
    }

    /**
     * The piece that encloses a place.
     *
     * @return non-empty-list<Outline>|null
     */
    public function pieceAt(Vec $place): ?array
    {
        foreach ($this->pieces() as $piece) {
            $windings = array_sum(array_map(static fn (Outline $outline): int => $outline->windingsAround($place), $piece));
            if ($windings !== 0) {
                return $piece;
            }
        }

        return null;
    }

    /** @param  list<non-empty-list<Outline>>  $pieces */
    private static function tightestAround(array $pieces, Vec $place): ?int
    {
        $best = null;
        foreach ($pieces as $number => $piece) {
            if (
                (count($pieces) === 1 || $piece[0]->isAround($place)) &&
                ($best === null || $piece[0]->area() < $pieces[$best][0]->area())
            ) {
                $best = $number;
            }
        }

        return $best;
    }
}
