<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Geometry\Side;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;
use Sternbild\Core\Result\Role;

/**
 * Grids, guides and parts laid over one another; their lines cut the sheet into cells.
 *
 * A cell is held by what bounds it: the cell of every grid that it lies in, and the side of every guide and part on which it lies, where
 * their lines run along its edge. Then a place inside it decides, in the coordinates of one of the grids. So it is found again when numbers
 * change.
 */
final class Overlay extends Tiling
{
    /** More cells than this are cut and can be named in a plan, but are not offered to be picked one by one. */
    public const MOST_PICKED = 60_000;

    /** Digits behind the point that an address begins with; more are taken where a cell is too small for them. */
    private const DIGITS = [1, 2, 3, 5, 8, 12];

    /** Of cells that agree equally the nearest are compared by their edges; so many of them, by a place inside. */
    private const COMPARED = 12;

    /** Cells in the same cells of the grids beyond which they are told apart by their edges and their places alone. */
    private const RIVALS = 200;

    /** @var array<int, string> */
    private array $addresses = [];

    /** @var array<string, array<string, list<int>>> cells by where they lie in a grid or beside a guide, as far as it was asked for */
    private array $sorted = [];

    /** @var array<string, list<int>>|null worked out when first asked for */
    private ?array $rivals = null;

    /** @var array<int, Vec> a place inside every cell, as far as it was asked for */
    private array $inside = [];

    /**
     * @param  array<string, Grid>  $frames  the grids in whose coordinates its cells can be held, by step id: those laid over one another,
     *   then
     *                                      those that the guides are built on
     * @param  string  $key  equal for equal overlays
     * @param  list<string>  $sources  for each curve of the arrangement what it belongs to: the id of a grid, or how a plan names a guide
     *   or a part
     * @param  array<string, Side>  $sides  of the guides and parts among them that have sides
     */
    public function __construct(
        private readonly array $frames,
        private readonly Arrangement $arrangement,
        private readonly string $key,
        private readonly array $sources,
        private readonly array $sides,
    ) {
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

    /** @return list<Vec> where its lines meet or end */
    public function points(): array
    {
        return $this->arrangement->points();
    }

    /**
     * The cell that agrees with most of what holds it; among equals the one that encloses the place, then the nearest.
     *
     * @param  list<Bound>  $bounds
     * @return HeldCell|null null where none agrees with anything
     */
    public function cellHeldBy(Vec $place, array $bounds): ?HeldCell
    {
        $around = $this->arrangement->faceAt($place);
        $unlike = $around === null ? $bounds : $this->unlike($around, $bounds);
        if ($around !== null && $unlike === []) {
            return new HeldCell($around, []);
        }
        $agreed = [];
        foreach ($bounds as $bound) {
            foreach ($this->cellsAt($bound) as $cell) {
                $agreed[$cell] = ($agreed[$cell] ?? 0) + 1;
            }
        }
        if ($agreed === []) {
            return null;
        }
        $best = array_keys($agreed, max($agreed), true);
        $cell = match (true) {
            $around !== null && in_array($around, $best, true) => $around,
            count($best) > 1 => $this->nearest($best, $place),
            default => $best[0],
        };

        return new HeldCell($cell, $this->unlike($cell, $bounds));
    }

    /** @return list<int> the cells that agree with one thing */
    private function cellsAt(Bound $bound): array
    {
        // Of what lies here it is the same for every question; other steps can change while this overlay stays.
        if (! isset($this->frames[$bound->key]) && ! isset($this->sides[$bound->key])) {
            return $this->sorted($bound)[$bound->wanted] ?? [];
        }

        return ($this->sorted[$bound->key] ??= $this->sorted($bound))[$bound->wanted] ?? [];
    }

    /** @return array<string, list<int>> all cells by where they lie */
    private function sorted(Bound $bound): array
    {
        $sorted = [];
        for ($cell = 0, $count = $this->arrangement->faceCount(); $cell < $count; $cell++) {
            $sorted[$bound->at($this->inside($cell))][] = $cell;
        }

        return $sorted;
    }

    public function cellMark(): string
    {
        return '~';
    }

    public static function cellWords(): array
    {
        return [];
    }

    public static function pointWords(): array
    {
        return [];
    }

    public function pointCoordinates(int $point): ?array
    {
        return null;
    }

    public function arrows(): ?array
    {
        return null;
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

    private function inside(int $cell): Vec
    {
        return $this->inside[$cell] ??= $this->arrangement->placeInside($cell);
    }

    /**
     * @param  list<Bound>  $bounds
     * @return list<Bound> those that a cell does not agree with
     */
    private function unlike(int $cell, array $bounds): array
    {
        $place = $this->inside($cell);

        return array_values(array_filter($bounds, static fn (Bound $bound): bool => $bound->at($place) !== $bound->wanted));
    }

    /** @param  non-empty-list<int>  $cells */
    private function nearest(array $cells, Vec $place): int
    {
        $far = [];
        foreach ($cells as $cell) {
            $far[$cell] = $this->inside($cell)->distanceTo($place);
        }
        asort($far);
        $best = (int) array_key_first($far);
        $least = INF;
        foreach (array_slice(array_keys($far), 0, self::COMPARED) as $cell) {
            foreach ($this->cellOutlines($cell) as $outline) {
                foreach ($outline->curves as $curve) {
                    $distance = $curve->pointAt($curve->nearest($place))->distanceTo($place);
                    if ($distance < $least) {
                        [$least, $best] = [$distance, $cell];
                    }
                }
            }
        }

        return $best;
    }

    private function heldBy(int $cell): string
    {
        $place = $this->inside($cell);
        // Of the grids the first in which the place lies; beyond all of them the first one's numbers go on.
        $around = array_filter($this->frames, static fn (Grid $grid): bool => $grid->cellAt($place) !== null);
        $frame = array_key_first($around) ?? array_key_first($this->frames);
        $grid = $frame === null ? null : $this->frames[$frame];
        [$u, $v] = $this->written($cell, $grid, $place);
        $address = '~'.($grid === null ? '' : "$frame:")."$u,$v";
        $sides = [];
        foreach ($this->laid() as $source => $other) {
            if ($source !== $frame) {
                [$u, $v] = $this->written($cell, $other, $place);
                $address .= ";$source:$u,$v";
            }
        }
        foreach ($this->bounding($cell) as $source) {
            if (isset($this->sides[$source])) {
                $sides[$source] = $this->sides[$source]->holds($place);
            }
        }
        $sides += $this->tellingApart($cell, $place, $sides);
        $said = array_map(static fn (string $source): string => ($sides[$source] ? '' : '-').$source, array_keys($sides));

        return $said === [] ? $address : "$address;".implode(',', $said);
    }

    /**
     * What does not run along the edge of a cell, but tells it from others in the same cells of the grids and on the same sides: when
     * numbers change, these come nearer.
     *
     * @param  array<string, bool>  $sides  that are said already
     * @return array<string, bool>
     */
    private function tellingApart(int $cell, Vec $place, array $sides): array
    {
        $rivals = $this->rivals()[$this->inGrids($place)] ?? [];
        if (count($rivals) > self::RIVALS) {
            return [];
        }
        $more = [];
        foreach ($rivals as $rival) {
            if ($rival === $cell) {
                continue;
            }
            $there = $this->inside($rival);
            $differs = fn (string $source, bool $side): bool => $this->sides[$source]->holds($there) !== $side;
            foreach ($sides + $more as $source => $side) {
                if ($differs((string) $source, $side)) {
                    continue 2;
                }
            }
            foreach ($this->sides as $source => $side) {
                $here = $side->holds($place);
                if ($differs($source, $here)) {
                    $more[$source] = $here;
                    break;
                }
            }
        }

        return $more;
    }

    /** @return array<string, Grid> the grids among what is laid over one another */
    private function laid(): array
    {
        return array_intersect_key($this->frames, array_flip($this->sources));
    }

    /** @return array<string, list<int>> cells of the overlay by the cells of the grids that they lie in */
    private function rivals(): array
    {
        if ($this->rivals === null) {
            $this->rivals = [];
            for ($cell = 0, $count = $this->arrangement->faceCount(); $cell < $count; $cell++) {
                $this->rivals[$this->inGrids($this->inside($cell))][] = $cell;
            }
        }

        return $this->rivals;
    }

    private function inGrids(Vec $place): string
    {
        return implode(' ', array_map(static fn (Grid $grid): string => (string) ($grid->cellAt($place) ?? '-'), $this->frames));
    }

    /** @return list<string> what runs along the edge of a cell, in the order in which it was laid over one another */
    private function bounding(int $cell): array
    {
        $numbers = [];
        foreach ($this->arrangement->edgesAround($cell) as $edge) {
            foreach ($this->arrangement->origins($edge) as [$number]) {
                $numbers[$number] = true;
            }
        }
        ksort($numbers);

        return array_values(array_unique(array_map(fn (int $number): string => $this->sources[$number], array_keys($numbers))));
    }

    /** @return array{string, string} coordinates of a place in a cell, in as few digits as leave it well inside */
    private function written(int $cell, ?Grid $grid, Vec $place): array
    {
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

        return [self::plain($u), self::plain($v)];
    }

    private static function plain(float $number): string
    {
        $text = rtrim(rtrim(number_format($number, 12, '.', ''), '0'), '.');

        return $text === '-0' ? '0' : $text;
    }
}
