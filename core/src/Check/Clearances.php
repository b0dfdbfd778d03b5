<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\ShortestWay;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Shape;

/** Pieces that miss one another by a hair, and ways between them that close when they are shown small. */
final class Clearances extends Check
{
    /** Shortest ways that are worked out; among more pieces only the nearest are looked at. */
    private const COST = 60;

    public function tells(): array
    {
        return [
            Sort::warning('almost-meeting', 'parts that miss one another by less than the limit', 'moved until they touch'),
            Sort::note('closes', 'the narrowest way between two pieces that is less than half a pixel where the sheet is shown small'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Figures;
    }

    public function limits(): array
    {
        return [Limit::miss(), Limit::small()];
    }

    public function look(Looked $at): array
    {
        [$plan, $labels, $tolerance, $miss] = [$at->plan, $at->labels, $at->tolerance, $at->limit('checks.miss')];
        $closes = $plan->leastSeen();
        $reach = max($closes, $miss);
        $findings = [];
        $narrowest = null;
        $pieces = self::pieces($at->shapes());
        foreach ($pieces as $k => $piece) {
            foreach (array_slice($pieces, 0, $k) as $other) {
                if ($piece[2] === $other[2] || ! $piece[3]->meets($other[3], $reach)) {
                    continue;
                }
                $way = self::between($piece[1], $other[1], $reach, $tolerance);
                if ($way === null || $way->distance <= $tolerance->distance) {
                    continue;
                }
                if ($way->distance <= $miss) {
                    $findings[] = $this->almostMeeting($plan, $piece[0], $other[0], $way, $labels);
                } elseif ($way->distance < $closes && ($narrowest === null || $way->distance < $narrowest[1]->distance)) {
                    $narrowest = [$piece[0], $way, $other[0]];
                }
            }
        }
        if ($narrowest !== null) {
            [$one, $way, $other] = $narrowest;
            $findings[] = $this->found(
                'closes',
                $one->id,
                sprintf(
                    'the way between it and %s, %s %s wide, closes at %s px',
                    $other->id === $one->id ? 'another piece of it' : $labels[$other->id],
                    self::short($way->distance),
                    $plan->unit->value,
                    Numerals::plain($at->limit('checks.small')),
                ),
            )->at($way->from, $way->distance);
        }

        return $findings;
    }

    /** @param  array<string, string>  $labels */
    private function almostMeeting(Plan $plan, Seen $one, Seen $other, ShortestWay $way, array $labels): Finding
    {
        $finding = $this->found(
            'almost-meeting',
            $one->id,
            sprintf(
                'misses %s by %s %s',
                $other->id === $one->id ? 'another piece of it' : $labels[$other->id],
                self::short($way->distance),
                $plan->unit->value,
            ),
        )->at($way->from, $way->distance);
        if ($one->id === $other->id || $one->of > 1) {
            return $finding;
        }
        $by = $way->to->minus($way->from);

        return $finding->with(
            new Remedy('Let them touch', [['op' => 'add', 'step' => ['kind' => 'move', 'of' => [$one->id], 'by' => [$by->x, $by->y]]]]),
        );
    }

    /**
     * What lies in one piece, with the figure that it is of.
     *
     * @param  list<Seen>  $seen
     * @return list<array{Seen, non-empty-list<Outline>, int, Bounds}>
     */
    private static function pieces(array $seen): array
    {
        $pieces = [];
        foreach ($seen as $figure) {
            foreach ((new Shape($figure->outlines))->pieces() as $outlines) {
                $pieces[] = [
                    $figure,
                    $outlines,
                    count($pieces),
                    Bounds::of(...array_map(static fn (Outline $one): Bounds => $one->bounds(), $outlines)),
                ];
            }
        }

        return $pieces;
    }

    /**
     * @param  non-empty-list<Outline>  $piece
     * @param  non-empty-list<Outline>  $other
     * @return ShortestWay|null null where they are further apart than the reach
     */
    private static function between(array $piece, array $other, float $reach, Tolerance $tolerance): ?ShortestWay
    {
        $best = null;
        foreach ($piece as $outline) {
            foreach ($outline->curves as $curve) {
                $box = $curve->bounds();
                foreach ($other as $facing) {
                    foreach ($facing->curves as $one) {
                        if (! $box->meets($one->bounds(), $best === null ? $reach : $best->distance)) {
                            continue;
                        }
                        Budget::spend(self::COST);
                        $way = ShortestWay::between($curve, $one, $tolerance);
                        if ($way->distance === 0.0) {
                            return $way;
                        }
                        $best = $best === null || $way->distance < $best->distance ? $way : $best;
                    }
                }
            }
        }

        return $best === null || $best->distance > $reach ? null : $best;
    }

    private static function short(float $length): string
    {
        return Numerals::plain((float) sprintf('%.3g', $length));
    }
}
