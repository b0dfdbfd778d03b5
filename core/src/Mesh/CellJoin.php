<?php

declare(strict_types=1);

namespace Sternbild\Core\Mesh;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/**
 * Joins cells of one mesh by dropping the edges they share. Nothing is intersected and no point is made.
 *
 * What is left of a cell's outline after an edge was used from both sides is the outline of the union. Where several outlines run through
 * one point each keeps to its own cell, so that cells that only touch at a corner stay apart; an outline that comes through a point
 * twice is parted there, so that a hole that touches the rim is still a hole.
 */
final class CellJoin
{
    /**
     * @param  array<int>  $cells  cell numbers; a repeated one counts once
     * @return list<Outline> pieces clockwise on the screen, holes counter-clockwise; neighbouring edges of one line or circle are one curve
     */
    public static function join(Mesh $mesh, array $cells): array
    {
        $outlines = [];
        foreach (self::cycles(self::successors($mesh, self::boundary($mesh, $cells))) as $cycle) {
            foreach (self::partedAtRepeatedPoints($mesh, $cycle) as $ring) {
                $outlines[] = self::outline($mesh, $ring);
            }
        }

        return $outlines;
    }

    /** @return list<Curve> the edges of the mesh, run together along their carriers */
    public static function lines(Mesh $mesh): array
    {
        $curves = [];
        $start = null;
        foreach ($mesh->from as $edge => $from) {
            $start ??= $from;
            $goesOn = isset($mesh->from[$edge + 1])
                && $mesh->from[$edge + 1] === $mesh->to[$edge]
                && $mesh->carrier[$edge + 1] === $mesh->carrier[$edge]
                && $mesh->to[$edge] !== $start;
            if (! $goesOn) {
                $curves[] = self::curve($mesh, $mesh->carrier[$edge], $start, $mesh->to[$edge], true, $edge);
                $start = null;
            }
        }

        return $curves;
    }

    /**
     * The directed edges that only one of the cells has.
     *
     * @param  array<int>  $cells
     * @return list<int> signed edge numbers
     */
    private static function boundary(Mesh $mesh, array $cells): array
    {
        $open = [];
        $outlines = $mesh->cells;
        foreach (array_flip($cells) as $cell => $unused) {
            foreach ($outlines[$cell] as $edge) {
                if (isset($open[-$edge])) {
                    unset($open[-$edge]);
                } else {
                    $open[$edge] = true;
                }
            }
        }

        return array_keys($open);
    }

    /**
     * After which edge comes which, so that every outline keeps to its own cells.
     *
     * @param  list<int>  $edges
     * @return array<int, int> from signed edge to signed edge, one to one
     */
    private static function successors(Mesh $mesh, array $edges): array
    {
        $leaving = [];
        foreach ($edges as $edge) {
            $leaving[$edge > 0 ? $mesh->from[$edge - 1] : $mesh->to[-$edge - 1]][] = $edge;
        }
        $next = [];
        foreach ($edges as $edge) {
            $choices = $leaving[$edge > 0 ? $mesh->to[$edge - 1] : $mesh->from[-$edge - 1]];
            $next[$edge] = count($choices) === 1 ? $choices[0] : self::tightest($mesh, $edge, $choices);
        }

        return $next;
    }

    /**
     * @param  array<int, int>  $next
     * @return list<non-empty-list<int>>
     */
    private static function cycles(array $next): array
    {
        $cycles = [];
        foreach ($next as $start => $unused) {
            if (! isset($next[$start])) {
                continue;
            }
            $cycle = [];
            $edge = $start;
            do {
                $cycle[] = $edge;
                $following = $next[$edge];
                unset($next[$edge]);
                $edge = $following;
            } while ($edge !== $start);
            $cycles[] = $cycle;
        }

        return $cycles;
    }

    /**
     * A cycle that comes through one point several times, as cycles that do not.
     *
     * @param  non-empty-list<int>  $cycle
     * @return list<non-empty-list<int>>
     */
    private static function partedAtRepeatedPoints(Mesh $mesh, array $cycle): array
    {
        $rings = [];
        $run = [];
        $seen = [];
        foreach ($cycle as $edge) {
            $point = self::startOf($mesh, $edge);
            if (isset($seen[$point])) {
                $loop = array_splice($run, $seen[$point]);
                foreach ($loop as $passed) {
                    unset($seen[self::startOf($mesh, $passed)]);
                }
                $rings[] = $loop;
            }
            $seen[$point] = count($run);
            $run[] = $edge;
        }
        $rings[] = $run;

        /** @var list<non-empty-list<int>> $rings */
        return $rings;
    }

    /**
     * The way on that keeps to the cell whose outline came in along $incoming: the first edge counter-clockwise from where it came.
     *
     * The edge it came along is not among the choices, run backwards: that would be an edge shared by two cells, and those are dropped.
     *
     * @param  non-empty-list<int>  $choices
     */
    private static function tightest(Mesh $mesh, int $incoming, array $choices): int
    {
        if ($mesh->after !== null) {
            // Around the point, counter-clockwise, to the first that is left.
            for ($edge = $mesh->after[$incoming]; ! in_array($edge, $choices, true); $edge = $mesh->after[-$edge]);

            return $edge;
        }
        $back = self::heading($mesh, -$incoming);
        $best = $choices[0];
        $least = INF;
        foreach ($choices as $edge) {
            $turn = $back - self::heading($mesh, $edge);
            $turn -= 2 * M_PI * floor($turn / (2 * M_PI));
            if ($turn < $least) {
                $least = $turn;
                $best = $edge;
            }
        }

        return $best;
    }

    /** The direction in which a directed edge leaves its first point, in radians. */
    private static function heading(Mesh $mesh, int $edge): float
    {
        $index = abs($edge) - 1;
        $start = $edge > 0 ? $mesh->from[$index] : $mesh->to[$index];
        $end = $edge > 0 ? $mesh->to[$index] : $mesh->from[$index];
        $circle = $mesh->circles[$mesh->carrier[$index]] ?? null;
        if ($circle === null) {
            return atan2($mesh->y[$end] - $mesh->y[$start], $mesh->x[$end] - $mesh->x[$start]);
        }
        $radial = atan2($mesh->y[$start] - $circle[1], $mesh->x[$start] - $circle[0]);

        return $edge > 0 ? $radial + M_PI_2 : $radial - M_PI_2;
    }

    /** @param  non-empty-list<int>  $ring */
    private static function outline(Mesh $mesh, array $ring): Outline
    {
        $count = count($ring);
        $carriers = [];
        foreach ($ring as $edge) {
            // Pieces of a cubic stay by themselves.
            $carriers[] = isset($mesh->cubics[abs($edge) - 1]) ? -abs($edge) : $mesh->carrier[abs($edge) - 1];
        }
        // Begin where the carrier changes, so that no curve is cut by the beginning.
        $begin = 0;
        while ($begin < $count && $carriers[$begin] === $carriers[($begin + $count - 1) % $count]) {
            $begin++;
        }
        $begin %= $count;
        $curves = [];
        $point = $start = self::startOf($mesh, $ring[$begin]);
        for ($step = 0; $step < $count; $step++) {
            $at = ($begin + $step) % $count;
            $edge = $ring[$at];
            $point = $edge > 0 ? $mesh->to[$edge - 1] : $mesh->from[-$edge - 1];
            if ($step === $count - 1 || $carriers[($at + 1) % $count] !== $carriers[$at]) {
                $curves[] = self::curve($mesh, $carriers[$at], $start, $point, $edge > 0, abs($edge) - 1);
                $start = $point;
            }
        }

        /** @var non-empty-list<Curve> $curves */
        return new Outline($curves);
    }

    private static function startOf(Mesh $mesh, int $edge): int
    {
        return $edge > 0 ? $mesh->from[$edge - 1] : $mesh->to[-$edge - 1];
    }

    /** @param  int  $edge the last one of those that the curve runs along */
    private static function curve(Mesh $mesh, int $carrier, int $from, int $to, bool $clockwise, int $edge): Curve
    {
        if (isset($mesh->cubics[$edge])) {
            return $clockwise ? $mesh->cubics[$edge] : $mesh->cubics[$edge]->reversed();
        }
        $start = new Vec($mesh->x[$from], $mesh->y[$from]);
        $end = $from === $to ? $start : new Vec($mesh->x[$to], $mesh->y[$to]);
        $circle = $mesh->circles[$carrier] ?? null;
        if ($circle === null) {
            return new Line($start, $end);
        }

        return Arc::around(new Vec($circle[0], $circle[1]), $circle[2], $start, $end, $clockwise);
    }
}
