<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;

/**
 * Square cells in such numbers that no list of them is made: a place, an edge and an outline are worked out where they are asked for.
 *
 * What it comes to is what a grid of the same cells comes to.
 */
final class FineGrid extends RectangularGrid
{
    /** Cells from which on a pixel grid is one. */
    public const FROM = 20_000;

    public const MOST_CELLS = 1_000_000;

    /** The four ways along the edges of cells: right, down, left, up. */
    private const WAYS = [[1, 0], [0, 1], [-1, 0], [0, -1]];

    public function __construct(Vec $origin, int $columns, int $rows, float $cell)
    {
        parent::__construct($origin, $columns, $rows, $cell, $cell, 0, 0, 1, 0);
    }

    public function mesh(): Mesh
    {
        throw new \LogicException('A grid so fine has no list of its cells.');
    }

    public function pointCount(): int
    {
        return $this->across->lineCount() * $this->down->lineCount();
    }

    public function edgeCount(): int
    {
        return $this->across->count() * $this->down->lineCount() + $this->across->lineCount() * $this->down->count();
    }

    public function middle(): Vec
    {
        return $this->placeAt($this->across->count() / 2, $this->down->count() / 2);
    }

    public function listed(): Mesh
    {
        return Mesh::none();
    }

    public function lattice(): array
    {
        $corner = $this->placeAt(0.0, 0.0);

        return [
            'size' => $this->size(),
            'corner' => $corner,
            'across' => $this->placeAt(1.0, 0.0)->minus($corner),
            'down' => $this->placeAt(0.0, 1.0)->minus($corner),
        ];
    }

    /** The nearest one: cells so fine lie closer together than anybody points. */
    public function pointsNear(Vec $place, float $reach): array
    {
        $point = $this->nearestPoint($place);
        $at = $this->pointAt($point);

        return abs($at->x - $place->x) <= $reach && abs($at->y - $place->y) <= $reach ? [[$point, $at]] : [];
    }

    public function middlesNear(Vec $place, float $reach): array
    {
        [$u, $v] = $this->coordinatesAt($place);
        [$columns, $rows] = $this->size();
        $near = [];
        foreach ([[floor($u) + 0.5, round($v)], [round($u), floor($v) + 0.5]] as [$across, $down]) {
            $middle = $this->placeAt($across, $down);
            if ($across >= 0 && $down >= 0 && $across <= $columns && $down <= $rows && $middle->distanceTo($place) <= $reach) {
                $near[] = $middle;
            }
        }

        return $near;
    }

    public function nearestIntersection(Vec $place): Vec
    {
        return $this->placeAt(...array_map(floatval(...), $this->nearestPoint($place)));
    }

    /** @return array{int, int} the intersection that is nearest to a place, as its address has it */
    private function nearestPoint(Vec $place): array
    {
        [$u, $v] = $this->coordinatesAt($place);

        return [(int) max(0, min($this->across->count(), round($u))), (int) max(0, min($this->down->count(), round($v)))];
    }

    public function cellOutlines(int $cell): array
    {
        return $this->joined([$cell]);
    }

    public function lines(): array
    {
        [$right, $bottom] = [$this->across->lineCount() - 1, $this->down->lineCount() - 1];
        $lines = [];
        for ($row = 0; $row <= $bottom; $row++) {
            $lines[] = new Line($this->place(0, $row), $this->place($right, $row));
        }
        for ($column = 0; $column <= $right; $column++) {
            $lines[] = new Line($this->place($column, 0), $this->place($column, $bottom));
        }

        return $lines;
    }

    /**
     * What is left of their edges where each that two of them share is dropped; followed so that each outline keeps to its own cells, which
     * turn right where four meet.
     */
    public function joined(array $cells): array
    {
        Budget::spend(3 * count($cells));
        $columns = $this->across->count();
        $across = $columns + 1;
        $there = array_fill_keys($cells, true);
        // By vertex and way, so that where two leave a vertex both are found.
        $open = [];
        foreach ($there as $cell => $unused) {
            [$x, $y] = [$cell % $columns, intdiv($cell, $columns)];
            $corner = $y * $across + $x;
            if (! isset($there[$cell - $columns])) {
                $open[4 * $corner] = true;
            }
            if ($x + 1 === $columns || ! isset($there[$cell + 1])) {
                $open[4 * ($corner + 1) + 1] = true;
            }
            if (! isset($there[$cell + $columns])) {
                $open[4 * ($corner + $across + 1) + 2] = true;
            }
            if ($x === 0 || ! isset($there[$cell - 1])) {
                $open[4 * ($corner + $across) + 3] = true;
            }
        }
        $outlines = [];
        while (($start = array_key_first($open)) !== null) {
            $corners = [];
            $before = -1;
            for ($edge = $start; $edge !== null;) {
                unset($open[$edge]);
                [$vertex, $way] = [intdiv($edge, 4), $edge % 4];
                if ($way !== $before) {
                    $corners[] = $vertex;
                }
                $before = $way;
                $vertex += self::WAYS[$way][0] + $across * self::WAYS[$way][1];
                // Right first, then on, then left.
                $edge = null;
                foreach ([1, 0, 3] as $turn) {
                    $next = 4 * $vertex + ($way + $turn) % 4;
                    if ($next === $start || isset($open[$next])) {
                        $edge = $next === $start ? null : $next;
                        break;
                    }
                }
            }
            // Where it came from straight on, its beginning is no corner.
            if ($before === $start % 4) {
                array_shift($corners);
            }
            foreach (self::parted($corners) as $loop) {
                $places = array_map(fn (int $vertex): Vec => $this->place($vertex % $across, intdiv($vertex, $across)), $loop);
                $curves = [];
                foreach ($places as $k => $place) {
                    $curves[] = new Line($place, $places[($k + 1) % count($places)]);
                }
                $outlines[] = $curves === [] ? throw new \LogicException('An outline has corners.') : new Outline($curves);
            }
        }

        return $outlines;
    }

    /**
     * Where it comes through a corner twice a hole touches the rim, and is still a hole.
     *
     * @param  list<int>  $corners
     * @return list<list<int>>
     */
    private static function parted(array $corners): array
    {
        $loops = $way = $at = [];
        foreach ($corners as $corner) {
            if (isset($at[$corner])) {
                $loop = array_splice($way, $at[$corner]);
                $loops[] = $loop;
                foreach ($loop as $one) {
                    unset($at[$one]);
                }
            }
            $at[$corner] = count($way);
            $way[] = $corner;
        }
        $loops[] = $way;

        return $loops;
    }
}
