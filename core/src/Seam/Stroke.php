<?php

declare(strict_types=1);

namespace Sternbild\Core\Seam;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Vec;

/** Seams of one colour and one reach, with those that meet run together. */
final readonly class Stroke
{
    /**
     * @param  list<non-empty-list<Curve>>  $runs
     * @param  bool  $isRound  at its ends; where runs bend it is in any case
     * @param  Lattice|null  $lattice  of a pattern, the same in each of its cells
     * @param  array{int, int, int, int}  $range  of these: the first and the last along either way
     */
    private function __construct(
        public string $colour,
        public float $reach,
        public bool $isRound,
        public array $runs,
        public ?Lattice $lattice = null,
        public array $range = [0, 0, 0, 0],
    ) {
    }

    /**
     * The same in cells of a pattern.
     *
     * @param  array{int, int, int, int}  $range
     */
    public function inCells(Lattice $lattice, array $range): self
    {
        return new self($this->colour, $this->reach, $this->isRound, $this->runs, $lattice, $range);
    }

    /** @return list<self> in each cell by itself */
    public function spelt(): array
    {
        if ($this->lattice === null) {
            return [$this];
        }
        [$first, $last, $top, $bottom] = $this->range;
        $strokes = [];
        for ($row = $top; $row <= $bottom; $row++) {
            for ($column = $first; $column <= $last; $column++) {
                $map = Affine::move($this->lattice->a->times($column)->plus($this->lattice->b->times($row)));
                $strokes[] = new self(
                    $this->colour,
                    $this->reach,
                    $this->isRound,
                    array_map(
                        static fn (array $run): array => array_merge(
                            ...array_map(static fn (Curve $curve): array => $curve->mapped($map), $run),
                        ),
                        $this->runs,
                    ),
                );
            }
        }

        return $strokes;
    }

    /**
     * @param  list<Seam>  $seams
     * @param  float  $step  sheet units: reaches are told apart, and places that are closer are one
     * @return list<self>
     */
    public static function along(array $seams, float $step): array
    {
        $alike = [];
        foreach ($seams as $seam) {
            $reach = floor($seam->reach / $step) * $step;
            $alike["$seam->colour $reach ".($seam->isRound ? 'r' : 'b')][] = $seam;
        }
        $strokes = [];
        foreach ($alike as $those) {
            $runs = array_map(static fn (Seam $seam): array => $seam->way, $those);
            $strokes[] = new self(
                $those[0]->colour,
                max($step, floor($those[0]->reach / $step) * $step),
                $those[0]->isRound,
                $those[0]->isRound ? self::joined($runs, $step) : $runs,
            );
        }

        return $strokes;
    }

    /**
     * @param  non-empty-list<non-empty-list<Curve>>  $runs
     * @return list<non-empty-list<Curve>>
     */
    private static function joined(array $runs, float $step): array
    {
        $key = static fn (Vec $place): string => round($place->x / $step).','.round($place->y / $step);
        $at = [];
        foreach ($runs as $number => $run) {
            $at[$key($run[0]->start())][$number] = true;
            $at[$key($run[count($run) - 1]->end())][$number] = true;
        }
        $joined = [];
        $left = $runs;
        while ($left !== []) {
            $number = array_key_first($left);
            $chain = $left[$number];
            unset($left[$number]);
            while (true) {
                $end = $key($chain[count($chain) - 1]->end());
                $next = array_key_first(array_intersect_key($at[$end] ?? [], $left));
                unset($at[$end][$number]);
                if ($next === null) {
                    break;
                }
                unset($at[$end][$next]);
                $run = $left[$next];
                unset($left[$next]);
                array_push(
                    $chain,
                    ...$key($run[0]->start()) === $end
                        ? $run
                        : array_map(static fn (Curve $curve): Curve => $curve->reversed(), array_reverse($run)),
                );
            }
            $joined[] = $chain;
        }

        return $joined;
    }
}
