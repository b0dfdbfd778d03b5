<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Band;
use Sternbild\Core\Shape\Strand;

/**
 * Which strand is seen where several lie on one another.
 *
 * All of them are laid over one another, and of every face that comes of it the nearest crossing of the two says which lies above: where
 * the region of one crossing meets that of the next, the border lies half-way. Of strands that overlap without a crossing the later lies
 * above; where some go round in a ring, each over the next, the last of them is seen. So of every face one strand is seen, and no more than
 * one.
 */
final class Uppermost
{
    /** Of a mitre, in half widths. */
    private const LIMIT = 4.0;

    /** Borders are looked for between a crossing and so many of those nearest to it. */
    private const NEAREST = 4;

    private readonly Uncrossed $stretches;

    /**
     * @var array<int, array<int, list<array{Vec, int, int}>>> by strands, the lower number first: where they cross, the stretch above and
     *   the one below
     */
    private array $met = [];

    /** @var list<Curve> all that is laid over one another */
    private array $curves = [];

    /** @var list<int> the operand of each */
    private array $operands = [];

    /** @var list<array{'strand'|'stretch'|'beside'|'border', int}> what each operand is, and of which strand or stretch */
    private array $meaning = [];

    /**
     * @param  non-empty-list<Strand>  $strands
     * @param  list<array{array{int, float}, array{int, float}}>  $dives
     * @param  list<Vec>  $crossings
     */
    private function __construct(
        private readonly array $strands,
        array $dives,
        array $crossings,
        private readonly float $gap,
        private readonly Tolerance $tolerance,
    ) {
        $this->stretches = new Uncrossed($strands, $dives, $tolerance->distance);
        foreach ($dives as $number => [$above, $below]) {
            $this->met[min($above[0], $below[0])][max($above[0], $below[0])][] = [
                $crossings[$number],
                $this->stretches->at(...$above),
                $this->stretches->at(...$below),
            ];
        }
    }

    /**
     * @param  non-empty-list<Strand>  $strands
     * @param  list<list<Outline>>  $whole  the outlines of each
     * @param  list<array{array{int, float}, array{int, float}}>  $dives  the strands of each crossing, the one above first, and where on
     *   their ways it is
     * @param  list<Vec>  $crossings
     * @param  float  $gap  kept clear beside what lies above, sheet units
     * @return list<list<Outline>|null> what is seen of each; null where that is all of it
     *
     * @throws Unworkable
     */
    public static function seen(array $strands, array $whole, array $dives, array $crossings, float $gap, Tolerance $tolerance): array
    {
        return (new self($strands, $dives, $crossings, $gap, $tolerance))->of($whole);
    }

    /**
     * @param  list<list<Outline>>  $whole
     * @return list<list<Outline>|null>
     *
     * @throws Unworkable
     */
    private function of(array $whole): array
    {
        foreach ($whole as $strand => $outlines) {
            $this->lay('strand', $strand, $outlines);
        }
        $this->layBorders($this->layStretches($whole));
        $arrangement = Arrangement::of($this->curves, $this->tolerance);
        $seen = $covered = array_fill(0, count($whole), []);
        foreach ($arrangement->operandsByFace($this->operands) as $face => $operands) {
            $here = ['strand' => [], 'stretch' => [], 'beside' => [], 'border' => []];
            foreach ($operands as $operand) {
                [$sort, $number] = $this->meaning[$operand];
                $here[$sort][] = $number;
            }
            foreach ($here['strand'] as $strand) {
                $covered[$strand][] = $face;
            }
            Budget::spend(2 + 3 * count($operands));
            $above = match (true) {
                $here['strand'] === [] => null,
                count($here['strand']) + count($here['beside']) === 1 => $here['strand'][0],
                default => $this->above($here['strand'], $here['stretch'], $here['beside'], $arrangement->placeInside($face)),
            };
            if ($above !== null) {
                $seen[$above][] = $face;
            }
        }

        return array_map(
            static fn (array $faces, array $all): ?array => count($faces) === count($all) ? null : $arrangement->boundary($faces),
            $seen,
            $covered,
        );
    }

    /**
     * @param  'strand'|'stretch'|'beside'  $sort
     * @param  list<Outline>  $outlines
     */
    private function lay(string $sort, int $number, array $outlines): void
    {
        foreach ($outlines as $outline) {
            foreach ($outline->withoutTrifles(Arrangement::TRIFLE * $this->tolerance->distance) as $curve) {
                $this->curves[] = $curve;
                $this->operands[] = count($this->meaning);
            }
        }
        $this->meaning[] = [$sort, $number];
    }

    /**
     * The stretches of what crosses itself, and what is kept clear beside all that goes over something.
     *
     * @param  list<list<Outline>>  $whole
     * @return list<list<Outline>> each stretch, with what is kept clear beside it
     *
     * @throws Unworkable
     */
    private function layStretches(array $whole): array
    {
        $over = [];
        foreach ($this->met as $others) {
            foreach (array_merge(...array_values($others)) as [, $upper]) {
                $over[$upper] = true;
            }
        }
        $wide = [];
        foreach ($this->stretches->ways as $stretch => $way) {
            $strand = $this->stretches->strandOf[$stretch];
            $of = $this->strands[$strand];
            $band = fn (float $more): array => $way === []
                ? []
                : (new Band($of->left + $more, $of->right + $more, $of->join, 'butt', self::LIMIT, $this->tolerance))->of($way);
            $outlines = $whole[$strand];
            if ($this->stretches->count($strand) > 1) {
                $outlines = $band(0.0);
                $this->lay('stretch', $stretch, $outlines);
            }
            if ($this->gap > 0.0 && isset($over[$stretch])) {
                $outlines = $band($this->gap);
                $this->lay('beside', $stretch, $outlines);
            }
            $wide[] = $outlines;
        }

        return $wide;
    }

    /**
     * The borders between crossings of the same two strands at which now the one lies above, now the other.
     *
     * @param  list<list<Outline>>  $wide  by stretch
     */
    private function layBorders(array $wide): void
    {
        $border = count($this->meaning);
        $this->meaning[] = ['border', 0];
        foreach ($this->met as $one => $others) {
            foreach ($others as $other => $crossings) {
                foreach ($one === $other ? [] : $this->turns($crossings) as [$a, $b]) {
                    $sides = [[], []];
                    foreach ([$a[1], $a[2], $b[1], $b[2]] as $stretch) {
                        $sides[$this->stretches->strandOf[$stretch] === $one ? 0 : 1][$stretch] = $wide[$stretch];
                    }
                    foreach ($this->halfWay($a[0], $b[0], array_merge(...$sides[0]), array_merge(...$sides[1])) as $line) {
                        $this->curves[] = $line;
                        $this->operands[] = $border;
                    }
                }
            }
        }
    }

    /**
     * Crossings near to one another of which one strand lies above at the one, and the other at the other.
     *
     * @param  list<array{Vec, int, int}>  $crossings  of two strands
     * @return list<array{array{Vec, int, int}, array{Vec, int, int}}>
     */
    private function turns(array $crossings): array
    {
        $turns = [];
        foreach ($crossings as $k => $crossing) {
            $strand = $this->stretches->strandOf[$crossing[1]];
            $away = [];
            foreach ($crossings as $other => [$at, $upper]) {
                if ($this->stretches->strandOf[$upper] !== $strand) {
                    $away[$other] = $at->distanceTo($crossing[0]);
                }
            }
            Budget::spend(count($crossings));
            asort($away);
            foreach (array_slice(array_keys($away), 0, self::NEAREST) as $other) {
                $turns[min($k, $other).' '.max($k, $other)] = [$crossing, $crossings[$other]];
            }
        }

        return array_values($turns);
    }

    /**
     * The line on which all is as far from one place as from another, where it runs in two shapes at once.
     *
     * @param  list<Outline>  $shape
     * @param  list<Outline>  $other
     * @return list<Line>
     */
    private function halfWay(Vec $from, Vec $to, array $shape, array $other): array
    {
        $bounds = Bounds::of(...array_map(static fn (Outline $outline): Bounds => $outline->bounds(), [...$shape, ...$other]));
        $far = $to->minus($from)->unit()->quarterTurned()->times(hypot($bounds->right - $bounds->left, $bounds->bottom - $bounds->top));
        $middle = $from->towards($to, 0.5);
        $line = new Line($middle->minus($far), $middle->plus($far));
        $stops = [];
        foreach ([...$shape, ...$other] as $outline) {
            Budget::spend(10 * count($outline->curves));
            foreach ($outline->curves as $curve) {
                foreach (Intersections::find($line, $curve, $this->tolerance) as $meeting) {
                    $stops[] = $meeting->s;
                }
            }
        }
        sort($stops);
        $isIn = static fn (array $outlines, Vec $at): bool => array_sum(
            array_map(static fn (Outline $outline): int => $outline->windingsAround($at), $outlines),
        ) !== 0;
        $pieces = [];
        for ($k = 1; $k < count($stops); $k++) {
            $at = $line->pointAt(($stops[$k - 1] + $stops[$k]) / 2);
            if ($stops[$k] > $stops[$k - 1] && $isIn($shape, $at) && $isIn($other, $at)) {
                $pieces[] = $line->part($stops[$k - 1], $stops[$k]);
            }
        }

        return $pieces;
    }

    /**
     * The strand that is seen at a place; null where it is kept clear of what goes over it.
     *
     * @param  non-empty-list<int>  $strands  that lie there
     * @param  list<int>  $stretches  that do, of what crosses itself
     * @param  list<int>  $beside  stretches that lie there, or so near that it is kept clear
     */
    private function above(array $strands, array $stretches, array $beside, Vec $at): ?int
    {
        $here = [];
        foreach ($strands as $strand) {
            $own = array_values(array_filter($stretches, fn (int $stretch): bool => $this->stretches->strandOf[$stretch] === $strand));
            array_push($here, ...($own === [] ? [$this->stretches->nearest($strand, $at)] : $own));
        }
        $top = [];
        foreach ($here as $stretch) {
            foreach (count($strands) === 1 ? [] : $here as $other) {
                if (
                    $this->stretches->strandOf[$other] !== $this->stretches->strandOf[$stretch] &&
                    ($this->isOver($other, $stretch, $at) ?? $other > $stretch)
                ) {
                    continue 2;
                }
            }
            $top[] = $stretch;
        }
        $top = $top === [] ? [$here[count($here) - 1]] : $top;
        $strand = $this->stretches->strandOf[$top[0]];
        foreach ($beside as $other) {
            // Of those that lie there themselves it is settled.
            if (
                ! in_array($other, $here, true) &&
                ($this->stretches->strandOf[$other] === $strand || ! in_array($this->stretches->strandOf[$other], $strands, true))
            ) {
                foreach ($top as $stretch) {
                    if ($this->isOver($other, $stretch, $at) === true) {
                        return null;
                    }
                }
            }
        }

        return $strand;
    }

    /** Whether one stretch lies above another, by the nearest crossing of the two; null where they have none. */
    private function isOver(int $one, int $other, Vec $at): ?bool
    {
        [$strand, $under] = [$this->stretches->strandOf[$one], $this->stretches->strandOf[$other]];
        $all = $this->met[min($strand, $under)][max($strand, $under)] ?? [];
        $own = array_filter(
            $all,
            static fn (array $crossing): bool => min($one, $other) === min($crossing[1], $crossing[2]) &&
                max($one, $other) === max($crossing[1], $crossing[2]),
        );
        if ($own === [] && $this->stretches->areNeighbours($one, $other)) {
            return null;
        }
        $nearest = null;
        $away = INF;
        foreach ($own === [] ? $all : $own as $crossing) {
            if ($crossing[0]->distanceTo($at) < $away) {
                [$away, $nearest] = [$crossing[0]->distanceTo($at), $crossing];
            }
        }

        return match (true) {
            $nearest === null => null,
            $strand !== $under => $this->stretches->strandOf[$nearest[1]] === $strand,
            // Of one strand: behind the end of the stretch that crosses the other goes on as it was there.
            $nearest[1] === $one || $nearest[2] === $other => true,
            $nearest[2] === $one || $nearest[1] === $other => false,
            default => null,
        };
    }
}
