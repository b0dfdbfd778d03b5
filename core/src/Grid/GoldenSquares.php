<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;

/**
 * A golden rectangle from which squares are cut, each from the next side clockwise; the last cell is the rectangle that is left.
 *
 * Each square is 1/φ of the one before. Cells are numbered from 1 in the order in which they are cut, intersections by row, then by column;
 * places are written as shares of the rectangle's width and height.
 */
final class GoldenSquares extends Grid
{
    use Numbered;

    private const RATIO = 1.618033988749894848;

    private readonly float $width;

    private readonly float $height;

    /** @var list<array{Vec, Vec}> opposite corners of every cell, the upper left one first */
    private readonly array $cells;

    /**
     * @param  float  $across  and $down of the box that the rectangle fills as far as its ratio allows, from $origin
     * @param  int  $depth  squares that are cut, from 1
     * @param  int  $turn  the side of the first square: 0 left, 1 top, 2 right, 3 bottom; with 1 and 3 the rectangle stands upright
     * @param  bool  $circles  whether the circles inscribed in the squares belong to its lines
     */
    public function __construct(
        private readonly Vec $origin,
        float $across,
        float $down,
        int $depth,
        private readonly int $turn,
        private readonly bool $circles,
    ) {
        $long = $turn % 2 === 0 ? min($across, $down * self::RATIO) : min($down, $across * self::RATIO);
        $this->width = $turn % 2 === 0 ? $long : $long / self::RATIO;
        $this->height = $turn % 2 === 0 ? $long / self::RATIO : $long;
        $this->cells = self::cut($origin, $this->width, $this->height, $depth, $turn);
    }

    public function cellCount(): int
    {
        return count($this->cells);
    }

    public function area(): float
    {
        return $this->width * $this->height;
    }

    public function cellAt(Vec $place): ?int
    {
        foreach ($this->cells as $cell => [$near, $far]) {
            if ($place->x >= $near->x && $place->x <= $far->x && $place->y >= $near->y && $place->y <= $far->y) {
                return $cell;
            }
        }

        return null;
    }

    public function coordinatesAt(Vec $place): array
    {
        return [($place->x - $this->origin->x) / $this->width, ($place->y - $this->origin->y) / $this->height];
    }

    public function placeAt(float $u, float $v): Vec
    {
        return new Vec($this->origin->x + $u * $this->width, $this->origin->y + $v * $this->height);
    }

    public function pointAt(array $coordinates): Vec
    {
        self::expect($coordinates, 1, '@number');
        $mesh = $this->mesh();
        $point = self::within('point', $coordinates[0], 1, count($mesh->x)) - 1;

        return new Vec($mesh->x[$point], $mesh->y[$point]);
    }

    protected function thinnestAmong(): array
    {
        return [count($this->cells) - 1];
    }

    public function quantities(): array
    {
        return ['side' => min($this->width, $this->height)];
    }

    public function topologyKey(): string
    {
        return 'golden-squares-'.count($this->cells).($this->width > $this->height ? '-level' : '-upright').'-'.($this->firstSide());
    }

    public function arrows(): array
    {
        return ['right' => [1], 'up' => [-1], 'wraps' => [false]];
    }

    public function lines(): array
    {
        return [...parent::lines(), ...array_map(Arc::fullCircle(...), $this->inscribed())];
    }

    /** @return list<Circle> in the squares; none where they do not belong to the grid */
    public function inscribed(): array
    {
        if (! $this->circles) {
            return [];
        }

        return array_map(
            static fn (array $cell): Circle => new Circle($cell[0]->towards($cell[1], 0.5), ($cell[1]->x - $cell[0]->x) / 2),
            array_slice($this->cells, 0, -1),
        );
    }

    /**
     * Quarter circles through the squares, from the far corner of the first inwards, clockwise on the screen.
     *
     * @return non-empty-list<Arc>
     */
    public function spiral(): array
    {
        $arcs = [];
        foreach (array_slice($this->cells, 0, -1) as $number => [$near, $far]) {
            $corners = [$near, new Vec($far->x, $near->y), $far, new Vec($near->x, $far->y)];
            $first = ($this->turn + $number + 3) % 4;
            $start = $arcs === [] ? $corners[$first] : $arcs[count($arcs) - 1]->end();
            $arcs[] = Arc::around($corners[($first + 3) % 4], $far->x - $near->x, $start, $corners[($first + 2) % 4], true);
        }

        return $arcs === [] ? throw new \LogicException('There is at least one square.') : $arcs;
    }

    protected function buildMesh(): Mesh
    {
        $sides = [];
        foreach ($this->cells as [$near, $far]) {
            $right = new Vec($far->x, $near->y);
            $below = new Vec($near->x, $far->y);
            array_push($sides, new Line($near, $right), new Line($right, $far), new Line($far, $below), new Line($below, $near));
        }
        $arrangement = Arrangement::of($sides, Tolerance::ofSheet(max($this->width, $this->height)));
        $mesh = $arrangement->mesh();
        // The arrangement counts points by column; here they are counted by row.
        $order = array_keys($mesh->x);
        $row = array_map(fn (float $y): float => round(($y - $this->origin->y) / $this->height, 9), $mesh->y);
        usort($order, static fn (int $a, int $b): int => [$row[$a], $mesh->x[$a]] <=> [$row[$b], $mesh->x[$b]]);
        $rank = array_flip($order);
        $renumbered = static fn (array $points): array => array_map(static fn (int $point): int => $rank[$point], $points);
        $cells = [];
        foreach ($this->cells as [$near, $far]) {
            $cells[] = $mesh->cells[$arrangement->faceAt($near->towards($far, 0.5)) ?? throw new \LogicException('Every cell is a face.')];
        }

        return new Mesh(
            array_map(static fn (int $point): float => $mesh->x[$point], $order),
            array_map(static fn (int $point): float => $mesh->y[$point], $order),
            array_values($renumbered($mesh->from)),
            array_values($renumbered($mesh->to)),
            $mesh->carrier,
            [],
            $cells,
        );
    }

    private function firstSide(): string
    {
        [$near, $far] = $this->cells[0];

        return $near->x === $this->origin->x && $near->y === $this->origin->y ? 'near' : 'far';
    }

    /** @return list<array{Vec, Vec}> */
    private static function cut(Vec $origin, float $width, float $height, int $depth, int $turn): array
    {
        $short = min($width, $height);
        [$left, $top, $right, $bottom] = [$origin->x, $origin->y, $origin->x + $width, $origin->y + $height];
        $cells = [];
        for ($number = 0; $number < $depth; $number++) {
            $side = $short * self::RATIO ** -$number;
            $cells[] = match (($turn + $number) % 4) {
                0 => [new Vec($left, $top), new Vec($left += $side, $bottom)],
                1 => [new Vec($left, $top), new Vec($right, $top += $side)],
                2 => [new Vec($right -= $side, $top), new Vec($right + $side, $bottom)],
                default => [new Vec($left, $bottom -= $side), new Vec($right, $bottom + $side)],
            };
        }
        $cells[] = [new Vec($left, $top), new Vec($right, $bottom)];

        return $cells;
    }
}
