<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

/**
 * How often closed curves wind around the faces that they cut: walks from the outside over every edge once, and counts on the way.
 *
 * A face and its neighbour differ by what runs along the edge between them. One set of counters goes along the walk and is set back on the
 * way back, so that no face needs a list of its own.
 */
final class Windings
{
    /** @var array<int, int> how often each operand winds around where the walk stands */
    private array $around = [];

    /** How many operands do. */
    private int $count = 0;

    /** @var array<int, true> those that do */
    private array $winding = [];

    /**
     * @param  list<int>  $outer  the cycle that bounds each face from outside
     * @param  array<int, list<int>>  $holes  cycles that bound a face from inside
     * @param  array<int, int>  $faceOf  face by cycle
     * @param  array<int, list<array{int, int}>>  $origins  for each edge the given curves along it, and their directions
     * @param  list<int>  $operands  for each given curve the operand that it belongs to
     */
    public function __construct(
        private readonly Cycles $cycles,
        private readonly array $outer,
        private readonly array $holes,
        private readonly array $faceOf,
        private readonly array $origins,
        private readonly array $operands,
    ) {
        $this->around = array_fill(0, max([0, ...$operands]) + 1, 0);
    }

    /**
     * @param  callable(int, bool, int): bool  $isWanted  given how many operands wind around a face, whether the
     *                                                     first one does, and how often: clockwise on the screen counts up
     * @return list<int>
     */
    public function facesWhere(callable $isWanted): array
    {
        $found = [];
        $this->walk(function (int $face) use (&$found, $isWanted): void {
            if ($isWanted($this->count, $this->around[0] !== 0, $this->around[0])) {
                $found[] = $face;
            }
        });
        sort($found);

        return $found;
    }

    /** @return array<int, list<int>> by face, in order, the operands that wind around it */
    public function operands(): array
    {
        $found = [];
        $this->walk(function (int $face) use (&$found): void {
            $here = array_keys($this->winding);
            sort($here);
            $found[$face] = $here;
        });
        ksort($found);

        return $found;
    }

    /** @param  callable(int): void  $visit  called once for every face, when the walk stands in it */
    private function walk(callable $visit): void
    {
        $seen = [];
        $outside = array_keys(array_diff_key($this->cycles->first, $this->faceOf));
        // The half-edges of a face that are still to be crossed, and how the walk came into it.
        $path = [[$this->halves($outside), null]];
        while ($path !== []) {
            $top = count($path) - 1;
            $half = array_pop($path[$top][0]);
            if ($half === null) {
                $came = array_pop($path)[1] ?? null;
                if ($came !== null) {
                    $this->cross($came ^ 1);
                }

                continue;
            }
            $face = $this->faceOf[$this->cycles->of[$half ^ 1]] ?? null;
            if ($face === null || isset($seen[$face])) {
                continue;
            }
            $seen[$face] = true;
            $this->cross($half);
            $visit($face);
            $path[] = [$this->halves([$this->outer[$face], ...$this->holes[$face] ?? []]), $half];
        }
    }

    /** From the face to the right of a half-edge to the one on its left. */
    private function cross(int $half): void
    {
        foreach ($this->origins[$half >> 1] ?? [] as [$number, $direction]) {
            // What runs along the half-edge winds around the place to its right.
            $step = ($half & 1) === 0 ? -$direction : $direction;
            $operand = $this->operands[$number];
            $before = $this->around[$operand];
            $this->around[$operand] = $after = $before + $step;
            if ($before === 0) {
                $this->count++;
                $this->winding[$operand] = true;
            } elseif ($after === 0) {
                $this->count--;
                unset($this->winding[$operand]);
            }
        }
    }

    /**
     * @param  list<int>  $cycles
     * @return list<int>
     */
    private function halves(array $cycles): array
    {
        $halves = [];
        foreach ($cycles as $cycle) {
            $half = $start = $this->cycles->first[$cycle];
            do {
                $halves[] = $half;
                $half = $this->cycles->next[$half];
            } while ($half !== $start);
        }

        return $halves;
    }
}
