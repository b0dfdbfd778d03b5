<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** Two ways that a pattern repeats along, from an origin. */
final readonly class Lattice
{
    /** Lattice ways that are looked through for those that lie level and upright, to each side. */
    private const LOOKED_THROUGH = 48;

    /** Of the shorter way: what is off by less is not off. */
    private const LEVEL = 1e-9;

    public function __construct(public Vec $origin, public Vec $a, public Vec $b)
    {
    }

    /** Sheet units squared. */
    public function area(): float
    {
        return abs($this->a->cross($this->b));
    }

    public function mapped(Affine $map): self
    {
        $way = static fn (Vec $one): Vec => $map->apply($one)->minus($map->apply(Vec::zero()));

        return new self($map->apply($this->origin), $way($this->a), $way($this->b));
    }

    /** A map of lattice coordinates as one of the sheet. */
    public function onSheet(Affine $map): Affine
    {
        return $this->frame()->inverse()->then($map)->then($this->frame());
    }

    /** A place of the sheet in lattice coordinates. */
    public function coordinates(Vec $place): Vec
    {
        return $this->frame()->inverse()->apply($place);
    }

    /** A place in lattice coordinates on the sheet. */
    public function place(Vec $coordinates): Vec
    {
        return $this->frame()->apply($coordinates);
    }

    private function frame(): Affine
    {
        return Affine::ofMatrix($this->a->x, $this->a->y, $this->b->x, $this->b->y, $this->origin->x, $this->origin->y);
    }

    /**
     * The cells of which something may lie in a box, when what is in each reaches as far as another box does around its own cell.
     *
     * @return array{int, int, int, int} the first and the last along `a`, the first and the last along `b`
     */
    public function cellsFor(Bounds $shown, Bounds $reaching): array
    {
        $back = Affine::ofMatrix($this->a->x, $this->a->y, $this->b->x, $this->b->y, 0.0, 0.0)->inverse();
        $ways = [];
        foreach (
            [
                [$shown->left - $reaching->right, $shown->top - $reaching->bottom],
                [$shown->right - $reaching->left, $shown->top - $reaching->bottom],
                [$shown->left - $reaching->right, $shown->bottom - $reaching->top],
                [$shown->right - $reaching->left, $shown->bottom - $reaching->top],
            ] as [$x, $y]
        ) {
            $ways[] = $back->apply(new Vec($x, $y));
        }
        $across = array_map(static fn (Vec $way): float => $way->x, $ways);
        $down = array_map(static fn (Vec $way): float => $way->y, $ways);

        return [
            (int) ceil(min($across) - 1e-9),
            (int) floor(max($across) + 1e-9),
            (int) ceil(min($down) - 1e-9),
            (int) floor(max($down) + 1e-9),
        ];
    }

    /**
     * The smallest upright rectangle whose sides are ways of the lattice.
     *
     * @param  bool  $isCentred  whether the middles of its cells belong to it as well
     * @return array{float, float}|null width and height; null where there is none of up to 48 cells
     */
    public function tile(bool $isCentred): ?array
    {
        $size = max($this->a->length(), $this->b->length());
        $wide = $high = INF;
        $half = $isCentred ? 0.5 : 1.0;
        for ($i = -self::LOOKED_THROUGH; $i <= self::LOOKED_THROUGH; $i++) {
            for ($j = -self::LOOKED_THROUGH; $j <= self::LOOKED_THROUGH; $j++) {
                if ($isCentred && ($i + $j) % 2 !== 0) {
                    continue;
                }
                $x = $half * ($i * $this->a->x + $j * $this->b->x);
                $y = $half * ($i * $this->a->y + $j * $this->b->y);
                $wide = abs($y) <= self::LEVEL * $size && $x > self::LEVEL * $size ? min($wide, $x) : $wide;
                $high = abs($x) <= self::LEVEL * $size && $y > self::LEVEL * $size ? min($high, $y) : $high;
            }
        }

        return is_finite($wide) && is_finite($high) ? [$wide, $high] : null;
    }
}
