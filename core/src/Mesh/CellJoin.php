<?php

declare(strict_types=1);

namespace Sternbild\Core\Mesh;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Cubic;
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
        Budget::spend(12 * count($cells));
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
                $curves[] = self::curve($mesh, $mesh->carrier[$edge], $start, $mesh->to[$edge], $edge + 1, $edge + 1);
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
        // Begin where the carrier changes, so that no curve is cut by the beginning.
        $begin = 0;
        while ($begin < $count && self::goesOn($mesh, $ring[($begin + $count - 1) % $count], $ring[$begin])) {
            $begin++;
        }
        $begin %= $count;
        $curves = [];
        $point = $start = self::startOf($mesh, $ring[$begin]);
        $first = $ring[$begin];
        for ($step = 0; $step < $count; $step++) {
            $edge = $ring[($begin + $step) % $count];
            $point = $edge > 0 ? $mesh->to[$edge - 1] : $mesh->from[-$edge - 1];
            $next = $ring[($begin + $step + 1) % $count];
            if ($step === $count - 1 || ! self::goesOn($mesh, $edge, $next)) {
                $curves[] = self::curve($mesh, $mesh->carrier[abs($edge) - 1], $start, $point, $first, $edge);
                [$start, $first] = [$point, $next];
            }
        }

        /** @var non-empty-list<Curve> $curves */
        return new Outline($curves);
    }

    /** Whether the second of two edges that follow one another goes on along the carrier of the first. */
    private static function goesOn(Mesh $mesh, int $edge, int $next): bool
    {
        $one = abs($edge) - 1;
        $other = abs($next) - 1;
        if ($mesh->carrier[$one] !== $mesh->carrier[$other]) {
            return false;
        }

        // A cubic can come back to where it was; it goes on only where its parameter does.
        return ! isset($mesh->spans[$one]) ||
            ($edge > 0 === $next > 0 && $mesh->spans[$one][$edge > 0 ? 1 : 0] === $mesh->spans[$other][$next > 0 ? 0 : 1]);
    }

    private static function startOf(Mesh $mesh, int $edge): int
    {
        return $edge > 0 ? $mesh->from[$edge - 1] : $mesh->to[-$edge - 1];
    }

    /**
     * The curve along several edges of one carrier.
     *
     * @param  int  $first  and $last of the edges, signed
     */
    private static function curve(Mesh $mesh, int $carrier, int $from, int $to, int $first, int $last): Curve
    {
        $start = new Vec($mesh->x[$from], $mesh->y[$from]);
        $end = $from === $to ? $start : new Vec($mesh->x[$to], $mesh->y[$to]);
        $cubic = $mesh->cubics[$carrier] ?? null;
        if ($cubic !== null) {
            [$one, $other] =
                $first > 0
                    ? [$mesh->spans[$first - 1][0], $mesh->spans[$last - 1][1]]
                    : [$mesh->spans[-$last - 1][0], $mesh->spans[-$first - 1][1]];
            $part = $one === 0.0 && $other === 1.0 ? $cubic : $cubic->part($one, $other);
            $part = $first > 0 ? $part : $part->reversed();

            return new Cubic($start, $part->leaving, $part->arriving, $end);
        }
        $circle = $mesh->circles[$carrier] ?? null;
        if ($circle === null) {
            return new Line($start, $end);
        }

        return Arc::around(new Vec($circle[0], $circle[1]), $circle[2], $start, $end, $last > 0);
    }
}
