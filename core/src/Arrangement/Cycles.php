<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Line;

/** The half-edges linked to closed runs: every face has one outer cycle and one for each thing that lies in it. */
final readonly class Cycles
{
    /**
     * @param  list<int>  $next  the half-edge after each, with the face to the right on the screen
     * @param  list<int>  $of  the cycle of each half-edge
     * @param  list<int>  $first  a half-edge of each cycle
     * @param  list<float>  $area  signed, positive where the cycle bounds a face from outside
     * @param  list<int>  $component  of each cycle; what hangs together is one component
     * @param  list<bool>  $outside  whether the cycle runs around its whole component
     */
    private function __construct(
        public array $next,
        public array $of,
        public array $first,
        public array $area,
        public array $component,
        public array $outside,
        public int $components,
    ) {
    }

    public static function of(Edges $edges, Runs $runs): self
    {
        $next = self::linked($edges, Rotation::sort($edges, $runs));
        $bulges = self::bulges($edges, $runs);
        [$x, $y, $from, $to] = [$edges->x, $edges->y, $edges->from, $edges->to];
        $of = array_fill(0, count($next), -1);
        $first = $area = [];
        foreach ($next as $start => $unused) {
            if ($of[$start] >= 0) {
                continue;
            }
            $cycle = count($first);
            $sum = $curved = 0.0;
            $half = $start;
            // Seen from a place on the cycle itself: seen from afar a tiny face would lose all its digits.
            $origin = ($start & 1) === 0 ? $from[$start >> 1] : $to[$start >> 1];
            [$ox, $oy] = [$x[$origin], $y[$origin]];
            $ax = $ay = 0.0;
            do {
                $of[$half] = $cycle;
                $edge = $half >> 1;
                if (($half & 1) === 0) {
                    $vertex = $to[$edge];
                    $curved += $bulges[$edge] ?? 0.0;
                } else {
                    $vertex = $from[$edge];
                    $curved -= $bulges[$edge] ?? 0.0;
                }
                $bx = $x[$vertex] - $ox;
                $by = $y[$vertex] - $oy;
                $sum += $ax * $by - $ay * $bx;
                [$ax, $ay] = [$bx, $by];
                $half = $next[$half];
            } while ($half !== $start);
            $first[] = $start;
            $area[] = $sum / 2 + $curved;
        }
        /** @var list<int> $of */
        [$component, $components] = self::components($edges, $of, $area, $runs->tolerance * $runs->size);
        // The cycle around a component encloses all its faces from outside, so that its area is the least of all.
        $least = [];
        foreach ($component as $cycle => $number) {
            if (! isset($least[$number]) || $area[$cycle] < $area[$least[$number]]) {
                $least[$number] = $cycle;
            }
        }
        $outside = array_fill(0, count($first), false);
        foreach ($least as $cycle) {
            $outside[$cycle] = true;
        }

        /** @var list<bool> $outside */
        return new self($next, $of, $first, $area, $component, $outside, $components);
    }

    /**
     * @param  list<int>  $order  half-edges vertex by vertex, clockwise around each
     * @return list<int>
     */
    private static function linked(Edges $edges, array $order): array
    {
        // Whoever arrives along the twin of a half-edge goes on along the one that stands counter-clockwise of it.
        $next = array_fill(0, count($order), 0);
        [$from, $to] = [$edges->from, $edges->to];
        $vertex = -1;
        $first = $last = 0;
        foreach ($order as $half) {
            $origin = ($half & 1) === 0 ? $from[$half >> 1] : $to[$half >> 1];
            if ($origin === $vertex) {
                $next[$half ^ 1] = $last;
            } else {
                if ($vertex >= 0) {
                    $next[$first ^ 1] = $last;
                }
                $vertex = $origin;
                $first = $half;
            }
            $last = $half;
        }
        if ($order !== []) {
            $next[$first ^ 1] = $last;
        }

        /** @var list<int> $next */
        return $next;
    }

    /** @return array<int, float> the area between each edge and its chord, of those that are not straight */
    private static function bulges(Edges $edges, Runs $runs): array
    {
        $bulges = [];
        foreach ($edges->run as $edge => $run) {
            $curve = $runs->curves[$run];
            if ($curve instanceof Arc) {
                $bulges[$edge] = $curve->radius() ** 2 * Arc::excess($curve->sweep() * ($edges->t[$edge] - $edges->s[$edge])) / 2;
            } elseif (! $curve instanceof Line) {
                $curve = EdgeCurve::take($edges, $runs, $edge);
                $bulges[$edge] = $curve->areaSeenFrom($curve->start());
            }
        }

        return $bulges;
    }

    /**
     * @param  list<int>  $of
     * @param  list<float>  $area
     * @param  float  $least  areas below this may be nothing but rounding
     * @return array{list<int>, int}
     */
    private static function components(Edges $edges, array $of, array $area, float $least): array
    {
        // Every component has a cycle around it. Where there can be only one, the rest needs no work.
        $outer = count(array_filter($area, static fn (float $one): bool => $one <= $least));
        if ($outer <= 1) {
            return [array_fill(0, count($area), 0), $area === [] ? 0 : 1];
        }
        $group = range(0, max(0, count($edges->x) - 1));
        $find = static function (int $vertex) use (&$group): int {
            while ($group[$vertex] !== $vertex) {
                $vertex = $group[$vertex] = $group[$group[$vertex]];
            }

            return $vertex;
        };
        foreach ($edges->from as $edge => $from) {
            $group[$find($from)] = $find($edges->to[$edge]);
        }
        $numbers = [];
        $component = array_fill(0, count($area), 0);
        foreach ($of as $half => $cycle) {
            $root = $find($edges->from[$half >> 1]);
            $component[$cycle] = $numbers[$root] ??= count($numbers);
        }

        /** @var list<int> $component */
        return [$component, count($numbers)];
    }
}
