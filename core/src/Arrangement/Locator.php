<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Vec;

/**
 * Finds the edge right above a place, which tells the face. Edges are cut where they turn back in x, and kept in a chequer of fields.
 */
final class Locator
{
    // Pieces in plain lists, one for each property: with an array for each piece a question took twice as long.

    /** @var list<int> */
    private array $edge = [];

    /** @var list<float> */
    private array $left = [];

    /** @var list<float> */
    private array $right = [];

    /** @var list<float> */
    private array $top = [];

    /** @var list<float> */
    private array $bottom = [];

    /**
     * @var list<float> 0 for a line, −1 and 1 for the upper and lower half of a circle, −2 and 2 for a cubic to the right and to the left
     */
    private array $form = [];

    /** @var list<float> of a line its height at the left end, of a circle the centre's x, of a cubic its first parameter */
    private array $from = [];

    /** @var list<float> of a line its height at the right end, of a circle the centre's y, of a cubic its last parameter */
    private array $to = [];

    /** @var array<int, float> of the arcs among the runs */
    private array $startAngles = [];

    /** @var array<int, list<int>>|null pieces by edge; made when first asked for */
    private ?array $piecesOf = null;

    /** @var array<int, list<int>> pieces by field */
    private array $fields = [];

    private int $columns = 1;

    private int $rows = 1;

    private float $originX = 0.0;

    private float $originY = 0.0;

    private float $width = 1.0;

    private float $height = 1.0;

    public function __construct(private readonly Edges $edges, private readonly Runs $runs)
    {
        foreach ($edges->run as $edge => $run) {
            $curve = $runs->curves[$run];
            [$ax, $ay, $bx, $by] = [
                $edges->x[$edges->from[$edge]],
                $edges->y[$edges->from[$edge]],
                $edges->x[$edges->to[$edge]],
                $edges->y[$edges->to[$edge]],
            ];
            if ($curve instanceof Arc) {
                $this->takeArc($edge, $curve, $ax, $bx);
            } elseif ($curve instanceof Cubic) {
                $this->takeCubic($edge, $curve);
            } elseif ($ax !== $bx) {
                $ax < $bx ? $this->put($edge, $ax, $bx, 0.0, $ay, $by) : $this->put($edge, $bx, $ax, 0.0, $by, $ay);
                $this->top[] = min($ay, $by);
                $this->bottom[] = max($ay, $by);
            }
        }
        $this->fillFields();
    }

    /** @return array<int, list<int>> */
    private function piecesOf(): array
    {
        if ($this->piecesOf === null) {
            $this->piecesOf = [];
            foreach ($this->edge as $number => $edge) {
                $this->piecesOf[$edge][] = $number;
            }
        }

        return $this->piecesOf;
    }

    private function put(int $edge, float $left, float $right, float $form, float $from, float $to): void
    {
        $this->edge[] = $edge;
        $this->left[] = $left;
        $this->right[] = $right;
        $this->form[] = $form;
        $this->from[] = $from;
        $this->to[] = $to;
    }

    /**
     * The half-edge that a place lies right below, with the place to its right; null where nothing lies above.
     *
     * @param  array<int, true>  $without  edges that do not count
     */
    public function above(Vec $place, array $without = []): ?int
    {
        [$x, $y] = [$place->x, $place->y];
        $column = (int) floor(($x - $this->originX) / $this->width);
        if ($column < 0 || $column >= $this->columns || $y < $this->originY) {
            return null;
        }
        $best = null;
        $highest = -INF;
        $tolerance = $this->runs->tolerance;
        for ($row = min($this->rows - 1, (int) floor(($y - $this->originY) / $this->height)); $row >= 0; $row--) {
            $field = $this->fields[$row * $this->columns + $column] ?? [];
            Budget::spend(0.2 + 0.1 * count($field));
            foreach ($field as $number) {
                $left = $this->left[$number];
                $right = $this->right[$number];
                if ($x < $left || $x >= $right || isset($without[$this->edge[$number]])) {
                    continue;
                }
                $at = $this->form[$number] === 0.0
                    ? $this->from[$number] + ($this->to[$number] - $this->from[$number]) * ($x - $left) / ($right - $left)
                    : $this->curvedAt($number, $x);
                if ($at > $y || $at < $highest - $tolerance || $number === $best) {
                    continue;
                }
                if ($best === null || $at > $highest + $tolerance || $this->liesBelow($number, $best, $x)) {
                    $highest = max($highest, $at);
                    $best = $number;
                }
            }
            if ($best !== null && $highest >= $this->originY + $row * $this->height) {
                break;
            }
        }
        if ($best === null) {
            return null;
        }
        $edge = $this->edge[$best];
        // What runs to the right has the place below to its right: lines as they lie, circles over their upper half.
        $rightwards = $this->form[$best] === 0.0
            ? $this->edges->x[$this->edges->from[$edge]] < $this->edges->x[$this->edges->to[$edge]]
            : $this->form[$best] < 0.0;

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
        $piecesOf = $this->piecesOf();
        foreach ($edges as $edge) {
            foreach ($piecesOf[$edge] ?? [] as $number) {
                if ($x >= $this->left[$number] && $x < $this->right[$number]) {
                    $heights[] = $this->heightAt($number, $x);
                }
            }
        }
        sort($heights);

        return $heights;
    }

    /**
     * Whether a place has an odd number of some edges above it: whether they go around it.
     *
     * @param  list<int>  $edges
     */
    public function isAround(array $edges, Vec $place): bool
    {
        [$x, $y] = [$place->x, $place->y];
        $odd = false;
        $piecesOf = $this->piecesOf();
        foreach ($edges as $edge) {
            foreach ($piecesOf[$edge] ?? [] as $number) {
                if (
                    $x >= $this->left[$number] &&
                    $x < $this->right[$number] &&
                    $this->top[$number] < $y &&
                    ($this->bottom[$number] < $y || $this->heightAt($number, $x) < $y)
                ) {
                    $odd = ! $odd;
                }
            }
        }

        return $odd;
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
        $piecesOf = $this->piecesOf();
        foreach ($edges as $edge) {
            foreach ($piecesOf[$edge] ?? [] as $number) {
                $least = min($least, $this->left[$number]);
                $most = max($most, $this->right[$number]);
            }
        }

        return [$least, $most];
    }

    private function takeArc(int $edge, Arc $circle, float $ax, float $bx): void
    {
        // Clockwise from the start: over the upper half from left to right, over the lower one from right to left.
        $center = $circle->center();
        $radius = $circle->radius();
        $run = $this->edges->run[$edge];
        $start = $this->startAngles[$run] ??= $circle->startAngle();
        $from = $start + $this->edges->s[$edge] * $circle->sweep();
        $to = $start + $this->edges->t[$edge] * $circle->sweep();
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
            $this->put($edge, min($x0, $x1), max($x0, $x1), $upper ? -1.0 : 1.0, $center->x, $center->y);
            $ys = [$center->y + $radius * sin($stops[$k - 1]), $center->y + $radius * sin($stops[$k])];
            $middle =
                ($upper ? -M_PI_2 : M_PI_2) +
                2 * M_PI * round((($stops[$k - 1] + $stops[$k]) / 2 - ($upper ? -M_PI_2 : M_PI_2)) / (2 * M_PI));
            if ($middle > $stops[$k - 1] && $middle < $stops[$k]) {
                $ys[] = $center->y + ($upper ? -$radius : $radius);
            }
            $this->top[] = min($ys);
            $this->bottom[] = max($ys);
        }
    }

    private function takeCubic(int $edge, Cubic $whole): void
    {
        $curve = EdgeCurve::take($this->edges, $this->runs, $edge);
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
            $this->put($edge, min($x0, $x1), max($x0, $x1), $x0 < $x1 ? -2.0 : 2.0, $stops[$k - 1], $stops[$k]);
            $bounds = $part->bounds();
            $this->top[] = $bounds->top;
            $this->bottom[] = $bounds->bottom;
        }
    }

    private function curvedAt(int $number, float $x): float
    {
        [$edge, $half, $from, $to] = [$this->edge[$number], $this->form[$number], $this->from[$number], $this->to[$number]];
        if (abs($half) === 1.0) {
            $curve = $this->runs->curves[$this->edges->run[$edge]];
            $radius = $curve instanceof Arc ? $curve->radius() : 0.0;

            return $to + $half * sqrt(max(0.0, ($radius - $x + $from) * ($radius + $x - $from)));
        }
        $curve = EdgeCurve::take($this->edges, $this->runs, $edge);
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

    /** Of two pieces that meet right above a place: which is the lower one beside it, on the side on which both go on further. */
    private function liesBelow(int $number, int $other, float $x): bool
    {
        $right = min($this->right[$number], $this->right[$other]) - $x;
        $left = $x - max($this->left[$number], $this->left[$other]);
        $beside = $right >= $left ? $x + $right / 2 : $x - $left / 2;

        return $this->heightAt($number, $beside) > $this->heightAt($other, $beside);
    }

    private function heightAt(int $number, float $x): float
    {
        if ($this->form[$number] !== 0.0) {
            return $this->curvedAt($number, $x);
        }

        return $this->from[$number] +
            (($this->to[$number] - $this->from[$number]) * ($x - $this->left[$number])) / ($this->right[$number] - $this->left[$number]);
    }

    private function fillFields(): void
    {
        $count = count($this->edge);
        if ($this->left === [] || $this->right === [] || $this->top === [] || $this->bottom === []) {
            return;
        }
        $this->originX = min($this->left);
        $this->originY = min($this->top);
        $across = max($this->right) - $this->originX;
        $down = max($this->bottom) - $this->originY;
        $side = sqrt(max($across, 1e-300) * max($down, 1e-300) / $count);
        $this->columns = max(1, min(2 * $count, (int) ceil($across / max($side, 1e-300))));
        $this->rows = max(1, min(2 * $count, (int) ceil($down / max($side, 1e-300))));
        $this->width = $across / $this->columns * (1 + 1e-12);
        $this->height = max($down, 1e-300) / $this->rows * (1 + 1e-12);
        foreach ($this->top as $number => $top) {
            [$left, $right, $bottom] = [$this->left[$number], $this->right[$number], $this->bottom[$number]];
            $firstColumn = (int) (($left - $this->originX) / $this->width);
            $lastColumn = min($this->columns - 1, (int) (($right - $this->originX) / $this->width));
            $lastRow = min($this->rows - 1, (int) (($bottom - $this->originY) / $this->height));
            $firstRow = (int) (($top - $this->originY) / $this->height);
            Budget::spend(($lastRow - $firstRow + 1) * ($lastColumn - $firstColumn + 1));
            for ($row = $firstRow; $row <= $lastRow; $row++) {
                for ($column = $firstColumn; $column <= $lastColumn; $column++) {
                    $this->fields[$row * $this->columns + $column][] = $number;
                }
            }
        }
    }
}
