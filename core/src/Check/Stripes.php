<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Spread;

/** Stripes that come out of a pattern when it is seen from afar: lanes along its ways that show much less than the others. */
final class Stripes extends Check
{
    /** Places that a cell is looked at, along either way. */
    private const FINE = 64;

    /** Curves of a cell up to which it is looked at. */
    private const MOST_CURVES = 4_000;

    /** Pieces that a curve is taken as. */
    private const PIECES = 6;

    /** Of what the lanes show at the median: one that shows less is a stripe. */
    private const LESS = 0.25;

    /** Of all lanes: where more of them show less, the pattern is made of them. */
    private const MOST_LANES = 0.3;

    /** Shares of a cell that the lanes have to show at the median, so that there is anything to be less than. */
    private const LEAST = 0.15;

    public function tells(): array
    {
        return [
            Sort::warning('stripe', 'lanes along the ways of a pattern, or across them, that show less than a quarter of what the others do, as long as they are few'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    public function limits(): array
    {
        return [Limit::small()];
    }

    public function look(Looked $at): array
    {
        return array_merge(
            [],
            ...array_map(
                fn (LaidPattern $pattern): array => $this->in($at->plan, $pattern->id, $pattern->spread),
                LaidPattern::patterns($at),
            ),
        );
    }

    /** @return list<Finding> one for the widest stripe */
    private function in(Plan $plan, string $id, Spread $spread): array
    {
        if (array_sum(array_map(static fn (Figure $figure): int => $figure->curves(), $spread->ofCell())) > self::MOST_CURVES) {
            return [];
        }
        $covered = self::covered($spread);
        $widest = null;
        foreach (
            ['along its first way', 'along its second way', 'across it, down to the left', 'across it, down to the right'] as $way => $said
        ) {
            $lane = static fn (int $column, int $row): int => match ($way) {
                0 => $row,
                1 => $column,
                2 => ($column + $row) % self::FINE,
                default => ($column - $row + self::FINE) % self::FINE,
            };
            $shows = array_fill(0, self::FINE, 0);
            foreach ($covered as $row => $columns) {
                foreach (array_keys($columns) as $column) {
                    $shows[$lane($column, $row)]++;
                }
            }
            $found = self::stripe($shows);
            if ($found !== null && ($widest === null || $found[1] > $widest[1])) {
                $widest = [$way, $found[1], $said, $found[0]];
            }
        }
        if ($widest === null) {
            return [];
        }
        [$way, $lanes, $said, $first] = $widest;
        $lattice = $spread->lattice;
        $run = [$lattice->a, $lattice->b, $lattice->b->minus($lattice->a), $lattice->a->plus($lattice->b)][$way];
        $wide = $lattice->area() / $run->length() * $lanes / self::FINE;
        $middle = ($first + $lanes / 2) / self::FINE;
        $at = $lattice->place($way === 0 ? new Vec(0.5, $middle) : new Vec($middle, $way === 1 ? 0.5 : 0.0));

        return [
            $this->found(
                'stripe',
                $id,
                "a stripe comes out $said, ".
                    Numerals::plain((float) sprintf('%.3g', $wide)).
                    " {$plan->unit->value} wide, that shows much less than what lies beside it",
            )->at($at, $wide),
        ];
    }

    /**
     * @param  non-empty-array<int, int>  $shows  of each lane how much it shows
     * @return array{int, int}|null the first lane of the widest stripe, and of how many it is
     */
    private static function stripe(array $shows): ?array
    {
        $order = $shows;
        sort($order);
        $median = $order[intdiv(self::FINE, 2)];
        $few = array_map(static fn (int $shown): bool => $shown < self::LESS * $median, $shows);
        $count = count(array_filter($few));
        if ($median < self::LEAST * self::FINE || $count === 0 || $count > self::MOST_LANES * self::FINE) {
            return null;
        }
        $best = null;
        for ($first = 0; $first < self::FINE; $first++) {
            if ($few[$first] && ! $few[($first + self::FINE - 1) % self::FINE]) {
                for ($lanes = 1; $few[($first + $lanes) % self::FINE]; $lanes++);
                $best = $best === null || $lanes > $best[1] ? [$first, $lanes] : $best;
            }
        }

        return $best;
    }

    /** @return array<int, array<int, true>> the places of a cell on which something lies, by row and column */
    private static function covered(Spread $spread): array
    {
        $covered = [];
        foreach ($spread->ofCell() as $figure) {
            $crossings = [];
            foreach ($figure->outlines() as $outline) {
                foreach ($outline->curves as $curve) {
                    for ($piece = 0; $piece < self::PIECES; $piece++) {
                        $from = $spread->lattice->coordinates($curve->pointAt($piece / self::PIECES))->times(self::FINE);
                        $to = $spread->lattice->coordinates($curve->pointAt(($piece + 1) / self::PIECES))->times(self::FINE);
                        $sense = $to->y > $from->y ? 1 : -1;
                        [$upper, $lower] = $sense > 0 ? [$from, $to] : [$to, $from];
                        for ($row = (int) ceil($upper->y - 0.5); $row + 0.5 < $lower->y; $row++) {
                            $crossings[$row][] = [
                                $upper->x + (($row + 0.5 - $upper->y) / ($lower->y - $upper->y)) * ($lower->x - $upper->x),
                                $sense,
                            ];
                        }
                    }
                }
            }
            foreach ($crossings as $row => $those) {
                usort($those, static fn (array $one, array $other): int => $one[0] <=> $other[0]);
                $windings = 0;
                foreach ($those as $number => [$x, $sense]) {
                    $windings += $sense;
                    // What is wider than a cell covers the whole of a lane.
                    $first = (int) ceil($x - 0.5);
                    for (
                        $column = $first;
                        $windings !== 0 &&
                        $column < $first + self::FINE &&
                        isset($those[$number + 1]) &&
                        $column + 0.5 < $those[$number + 1][0];
                        $column++
                    ) {
                        $covered[self::within($row)][self::within($column)] = true;
                    }
                }
            }
        }

        return $covered;
    }

    /** What wraps around from cell to cell. */
    private static function within(int $number): int
    {
        return ($number % self::FINE + self::FINE) % self::FINE;
    }
}
