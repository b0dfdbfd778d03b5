<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Vec;

/**
 * Finds the edge right above a place, which tells the face. Edges are cut where they turn back in x, and kept in a chequer of fields.
 */
final class Locator
{
    /** @var list<array{int, float, float, float, float, float}> edge, left and right, and for arcs 0 for a line or ±1 for the half of the circle; then y at both ends for lines */
    private array $pieces = [];

    /** @var array<int, list<int>> pieces by edge */
    private array $piecesOf = [];

    /** @var array<int, list<int>> pieces by field */
    private array $fields = [];

    private int $columns = 1;

    private int $rows = 1;

    private float $left = 0.0;

    private float $top = 0.0;

    private float $width = 1.0;

    private float $height = 1.0;

    public function __construct(private readonly Edges $edges, private readonly Runs $runs)
    {
        $boxes = [];
        foreach ($edges->run as $edge => $run) {
            $curve = $runs->curves[$run];
            [$ax, $ay, $bx, $by] = [$edges->x[$edges->from[$edge]], $edges->y[$edges->from[$edge]], $edges->x[$edges->to[$edge]], $edges->y[$edges->to[$edge]]];
            if ($curve instanceof Arc) {
                $this->takeArc($edge, $curve, $ax, $bx, $boxes);
            } elseif ($curve instanceof Cubic) {
                $this->takeCubic($edge, $curve, $boxes);
            } elseif ($ax !== $bx) {
                $this->pieces[] = $ax < $bx ? [$edge, $ax, $bx, 0.0, $ay, $by] : [$edge, $bx, $ax, 0.0, $by, $ay];
                $boxes[] = [min($ay, $by), max($ay, $by)];
            }
        }
        foreach ($this->pieces as $number => [$edge]) {
            $this->piecesOf[$edge][] = $number;
        }
        $this->fillFields($boxes);
    }

    /**
     * The half-edge that a place lies right below, with the place to its right; null where nothing lies above.
     *
     * @param  array<int, true>  $without  edges that do not count
     */
    public function above(Vec $place, array $without = []): ?int
    {
        [$x, $y] = [$place->x, $place->y];
        $column = (int) floor(($x - $this->left) / $this->width);
        if ($column < 0 || $column >= $this->columns || $y < $this->top) {
            return null;
        }
        $best = null;
        $highest = -INF;
        for ($row = min($this->rows - 1, (int) floor(($y - $this->top) / $this->height)); $row >= 0; $row--) {
            foreach ($this->fields[$row * $this->columns + $column] ?? [] as $number) {
                [$edge, $left, $right, $half, $from, $to] = $this->pieces[$number];
                if ($x < $left || $x >= $right || isset($without[$edge])) {
                    continue;
                }
                $at = $half === 0.0 ? $from + ($to - $from) * ($x - $left) / ($right - $left) : $this->curvedAt($number, $x);
                if ($at <= $y && $at > $highest) {
                    $highest = $at;
                    $best = $number;
                }
            }
            if ($best !== null && $highest >= $this->top + $row * $this->height) {
                break;
            }
        }
        if ($best === null) {
            return null;
        }
        [$edge, , , $half] = $this->pieces[$best];
        // What runs to the right has the place below to its right.
        $rightwards = $half === 0.0
            ? $this->edges->x[$this->edges->from[$edge]] < $this->edges->x[$this->edges->to[$edge]]
            : $this->runsRight($best);

        return $rightwards ? 2 * $edge : 2 * $edge + 1;
    }

    /**
     * The heights at which an upright line crosses some edges.
     *
     * @param  list<int>  $edges
     * @return list<float> rising
     */
    public function heightsAt(float $x, array $edges): array
    {
        $heights = [];
        foreach ($edges as $edge) {
            foreach ($this->piecesOf[$edge] ?? [] as $number) {
                [, $left, $right, $half, $from, $to] = $this->pieces[$number];
                if ($x >= $left && $x < $right) {
                    $heights[] = $half === 0.0 ? $from + ($to - $from) * ($x - $left) / ($right - $left) : $this->curvedAt($number, $x);
                }
            }
        }
        sort($heights);

        return $heights;
    }

    /**
     * From the left to the right end of some edges.
     *
     * @param  list<int>  $edges
     * @return array{float, float}
     */
    public function spanOf(array $edges): array
    {
        [$least, $most] = [INF, -INF];
        foreach ($edges as $edge) {
            foreach ($this->piecesOf[$edge] ?? [] as $number) {
                $least = min($least, $this->pieces[$number][1]);
                $most = max($most, $this->pieces[$number][2]);
            }
        }

        return [$least, $most];
    }

    /** @param  list<array{float, float}>  $boxes */
    private function takeArc(int $edge, Arc $circle, float $ax, float $bx, array &$boxes): void
    {
        // Clockwise from the start: over the upper half from left to right, over the lower one from right to left.
        $center = $circle->center();
        $radius = $circle->radius();
        $curve = EdgeCurve::of($this->edges, $this->runs, $edge);
        if (! $curve instanceof Arc) {
            return;
        }
        $from = $curve->startAngle();
        $to = $from + $curve->sweep();
        $stops = [$from];
        for ($half = ceil($from / M_PI + 1e-12); $half * M_PI < $to - 1e-12; $half++) {
            $stops[] = $half * M_PI;
        }
        $stops[] = $to;
        for ($k = 1; $k < count($stops); $k++) {
            $x0 = $k === 1 ? $ax : $center->x + $radius * cos($stops[$k - 1]);
            $x1 = $k === count($stops) - 1 ? $bx : $center->x + $radius * cos($stops[$k]);
            $upper = sin(($stops[$k - 1] + $stops[$k]) / 2) < 0.0;
            if ($x0 === $x1) {
                continue;
            }
            $this->pieces[] = [$edge, min($x0, $x1), max($x0, $x1), $upper ? -1.0 : 1.0, $center->x, $center->y];
            $ys = [$center->y + $radius * sin($stops[$k - 1]), $center->y + $radius * sin($stops[$k])];
            $middle = ($upper ? -M_PI_2 : M_PI_2) + 2 * M_PI * round((($stops[$k - 1] + $stops[$k]) / 2 - ($upper ? -M_PI_2 : M_PI_2)) / (2 * M_PI));
            if ($middle > $stops[$k - 1] && $middle < $stops[$k]) {
                $ys[] = $center->y + ($upper ? -$radius : $radius);
            }
            $boxes[] = [min($ys), max($ys)];
        }
    }

    /** @param  list<array{float, float}>  $boxes */
    private function takeCubic(int $edge, Cubic $whole, array &$boxes): void
    {
        $curve = EdgeCurve::of($this->edges, $this->runs, $edge);
        if (! $curve instanceof Cubic) {
            return;
        }
        $stops = [0.0, ...$curve->along(1.0, 0.0)->derivative()->roots(0.0), 1.0];
        for ($k = 1; $k < count($stops); $k++) {
            $part = $curve->part($stops[$k - 1], $stops[$k]);
            [$x0, $x1] = [$part->start()->x, $part->end()->x];
            if ($x0 === $x1) {
                continue;
            }
            // ±2 for a cubic; its parameters at both ends stand where lines have their heights.
            $this->pieces[] = [$edge, min($x0, $x1), max($x0, $x1), $x0 < $x1 ? -2.0 : 2.0, $stops[$k - 1], $stops[$k]];
            $bounds = $part->bounds();
            $boxes[] = [$bounds->top, $bounds->bottom];
        }
    }

    private function curvedAt(int $number, float $x): float
    {
        [$edge, $left, $right, $half, $from, $to] = $this->pieces[$number];
        if (abs($half) === 1.0) {
            $curve = $this->runs->curves[$this->edges->run[$edge]];
            $radius = $curve instanceof Arc ? $curve->radius() : 0.0;

            return $to + $half * sqrt(max(0.0, ($radius - $x + $from) * ($radius + $x - $from)));
        }
        $curve = EdgeCurve::of($this->edges, $this->runs, $edge);
        [$low, $high] = $half < 0.0 ? [$from, $to] : [$to, $from];
        for ($round = 0; $round < 60; $round++) {
            $middle = ($low + $high) / 2;
            if ($curve->pointAt($middle)->x < $x) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $curve->pointAt($low)->y;
    }

    private function runsRight(int $number): bool
    {
        return $this->pieces[$number][3] < 0.0;
    }

    /** @param  list<array{float, float}>  $boxes  top and bottom of every piece */
    private function fillFields(array $boxes): void
    {
        $count = count($this->pieces);
        if ($count === 0 || $boxes === []) {
            return;
        }
        $this->left = min(array_column($this->pieces, 1));
        $this->top = min(INF, ...array_column($boxes, 0));
        $across = max(array_column($this->pieces, 2)) - $this->left;
        $down = max(-INF, ...array_column($boxes, 1)) - $this->top;
        $side = sqrt(max($across, 1e-300) * max($down, 1e-300) / $count);
        $this->columns = max(1, min(2 * $count, (int) ceil($across / max($side, 1e-300))));
        $this->rows = max(1, min(2 * $count, (int) ceil($down / max($side, 1e-300))));
        $this->width = $across / $this->columns * (1 + 1e-12);
        $this->height = max($down, 1e-300) / $this->rows * (1 + 1e-12);
        foreach ($this->pieces as $number => [, $left, $right]) {
            [$top, $bottom] = $boxes[$number];
            $lastColumn = min($this->columns - 1, (int) (($right - $this->left) / $this->width));
            $lastRow = min($this->rows - 1, (int) (($bottom - $this->top) / $this->height));
            for ($row = (int) (($top - $this->top) / $this->height); $row <= $lastRow; $row++) {
                for ($column = (int) (($left - $this->left) / $this->width); $column <= $lastColumn; $column++) {
                    $this->fields[$row * $this->columns + $column][] = $number;
                }
            }
        }
    }
}
