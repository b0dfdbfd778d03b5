<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;
use Sternbild\Core\Result\Role;

/**
 * Grids and guides laid over one another; their lines cut the sheet into cells.
 *
 * A cell is held by a place inside it, in the coordinates of one of the grids, so that it is found again when the grid's numbers change.
 */
final class Overlay extends Tiling
{
    /** More cells than this are cut and can be named in a plan, but are not offered to be picked one by one. */
    public const MOST_PICKED = 60_000;

    /** Digits behind the point that an address begins with; more are taken where a cell is too small for them. */
    private const DIGITS = [1, 2, 3, 5, 8, 12];

    /** @var array<int, string> */
    private array $addresses = [];

    /**
     * @param  array<string, Grid>  $frames  the grids in whose coordinates its cells can be held, by step id: those laid over one another, then
     *                                      those that the guides are built on
     * @param  string  $key  equal for equal overlays
     */
    public function __construct(private readonly array $frames, private readonly Arrangement $arrangement, private readonly string $key)
    {
    }

    public function role(): Role
    {
        return Role::Overlay;
    }

    public function arrangement(): Arrangement
    {
        return $this->arrangement;
    }

    public function cellCount(): int
    {
        return $this->arrangement->faceCount();
    }

    public function area(): float
    {
        $area = 0.0;
        for ($face = 0; $face < $this->arrangement->faceCount(); $face++) {
            $area += $this->arrangement->area($face);
        }

        return $area;
    }

    public function cellAt(Vec $place): ?int
    {
        return $this->arrangement->faceAt($place);
    }

    /**
     * The cell that an address means.
     *
     * @param  Grid|null  $frame  the grid whose coordinates they are, of this overlay or not; null for sheet units
     *
     * @throws NoSuchPlace
     */
    public function cellHeldBy(?Grid $frame, float $u, float $v): int
    {
        $place = $frame === null ? new Vec($u, $v) : $frame->placeAt($u, $v);

        return $this->arrangement->faceAt($place) ?? throw new NoSuchPlace('no cell encloses the place any more');
    }

    public function cellAddress(int $cell): string
    {
        return $this->addresses[$cell] ??= $this->heldBy($cell);
    }

    public function topologyKey(): string
    {
        return "overlay-$this->key";
    }

    protected function buildMesh(): Mesh
    {
        return $this->arrangement->mesh();
    }

    private function heldBy(int $cell): string
    {
        $place = $this->arrangement->placeInside($cell);
        // Of the grids the first in which the place lies; beyond all of them the first one's numbers go on.
        $around = array_filter($this->frames, static fn (Grid $grid): bool => $grid->cellAt($place) !== null);
        $frame = array_key_first($around) ?? array_key_first($this->frames);
        $grid = $frame === null ? null : $this->frames[$frame];
        [$u, $v] = $grid === null ? [$place->x, $place->y] : $grid->coordinatesAt($place);
        foreach (self::DIGITS as $digits) {
            [$shortU, $shortV] = [round($u, $digits), round($v, $digits)];
            $short = $grid === null ? new Vec($shortU, $shortV) : $grid->placeAt($shortU, $shortV);
            // Twice as far from the middle it is still inside: the short place does not stand at the edge.
            if ($this->arrangement->encloses($cell, $short) && $this->arrangement->encloses($cell, $place->towards($short, 2.0))) {
                [$u, $v] = [$shortU, $shortV];
                break;
            }
        }

        return '~'.($grid === null ? '' : "$frame:").self::written($u).','.self::written($v);
    }

    private static function written(float $number): string
    {
        $text = rtrim(rtrim(number_format($number, 12, '.', ''), '0'), '.');

        return $text === '-0' ? '0' : $text;
    }
}
