<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Band;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Strand;

/**
 * Strands that go over and under one another in turn.
 *
 * A crossing is where the ways of two strands, or of one with itself, cross; where they only touch, run along one another, or one ends
 * inside another there is none. Along every strand over and under alternate as far as they can; a drawing of closed strands in general
 * position always can.
 */
final class Weave
{
    /** Sine of the angle below which two ways do not cross but run along one another. */
    private const ALONG = 1e-3;

    public const MOST_CROSSINGS = 2000;

    /** Ways that bend reach farther across one another than straight ones. */
    private const MORE = 1.3;

    /** Of a mitre, in half widths. */
    private const LIMIT = 4.0;

    /** @var list<Vec> */
    private array $crossings = [];

    /**
     * @var array<int, array<string, array{float, int, bool}>> of each strand what it comes to: where on its way, which crossing, whether as
     *   the first of the two
     */
    private array $visits = [];

    /** @var list<array{array{int, float}, array{int, float}}> the two strands of a crossing, and where on their ways */
    private array $pairs = [];

    /** @var array<int, bool> whether the first of the two goes over */
    private array $over = [];

    /** @param  non-empty-list<Strand>  $strands */
    private function __construct(private readonly array $strands, private readonly float $gap, private readonly Tolerance $tolerance)
    {
    }

    /**
     * @param  non-empty-list<Strand>  $strands
     * @param  bool  $startsOver  whether the first strand goes over at its first crossing
     * @param  list<list<Outline>>  $whole  the outlines of each strand
     * @param  list<Vec>  $swaps  the crossings nearest to these go the other way
     *
     * @throws Unworkable
     */
    public static function woven(array $strands, array $whole, bool $startsOver, float $gap, array $swaps, Tolerance $tolerance): Woven
    {
        $weave = new self($strands, $gap, $tolerance);
        $weave->find();
        $stuck = $weave->alternate($startsOver);
        foreach ($swaps as $place) {
            $weave->swap($place);
        }
        $dives = array_map(
            static fn (array $pair, bool $first): array => $first ? $pair : [$pair[1], $pair[0]],
            $weave->pairs,
            self::inStep($weave->over),
        );
        $seen =
            count($strands) === 1 && $weave->crossings === []
                ? [null]
                : Uppermost::seen($strands, $whole, $dives, $weave->crossings, $gap, $tolerance);

        return new Woven($seen, $weave->crossings, $stuck, $dives);
    }

    /**
     * @param  array<int, bool>  $over  by crossing
     * @return list<bool>
     */
    private static function inStep(array $over): array
    {
        ksort($over);

        return array_values($over);
    }

    /**
     * What lies in the shade of what goes over it: at every crossing the two stretches of the lower strand that begin there.
     *
     * @param  non-empty-list<Strand>  $strands
     * @param  list<array{array{int, float}, array{int, float}}>  $dives  as they were woven
     * @param  list<int>  $which  numbers of crossings
     * @param  float|null  $reach  how far from what lies over it, sheet units; as far as the strand is wide unless said
     * @return list<array{list<Outline>, Vec, Vec}> outlines, where the shade is deepest, and where it ends
     *
     * @throws Unworkable
     */
    public static function shades(array $strands, array $dives, array $which, float $gap, ?float $reach, Tolerance $tolerance): array
    {
        $weave = new self($strands, $gap, $tolerance);
        $weave->pairs = $dives;
        $weave->over = array_map(static fn (): bool => true, $dives);
        $stops = [];
        foreach ($dives as $pair) {
            foreach ($pair as [$strand, $at]) {
                $stops[$strand][] = $at;
            }
        }
        $shades = [];
        foreach ($which as $crossing) {
            [$above, $below] = $dives[$crossing];
            $cutter = $weave->overAt($crossing, $below[0]);
            foreach ([-1, 1] as $step) {
                $shade = $weave->shade($above, $below, $step, $reach, $cutter, $stops[$below[0]] ?? []);
                if ($shade !== null) {
                    $shades[] = $shade;
                }
            }
        }

        return $shades;
    }

    /**
     * @param  array{int, float}  $above
     * @param  array{int, float}  $below
     * @param  -1|1  $step  against the way or along it
     * @param  list<Outline>  $cutter
     * @param  list<float>  $stops  the crossings of the strand
     * @return array{list<Outline>, Vec, Vec}|null
     *
     * @throws Unworkable
     */
    private function shade(array $above, array $below, int $step, ?float $reach, array $cutter, array $stops): ?array
    {
        $of = $this->strands[$below[0]];
        $over = $this->strands[$above[0]];
        $sine = max(0.05, abs($this->heading($above)->cross($this->heading($below))));
        $hidden = (max($over->left, $over->right) + $this->gap) / $sine;
        [$at, $from, $to] = $this->bounds($below[0], $below[1], $hidden + ($reach ?? $of->left + $of->right));
        // Where the strand goes over something else, no shade lies on it.
        $limit = INF;
        foreach ($stops as $stop) {
            $ahead = $step * ($stop - $below[1]);
            $ahead = $this->isClosed($below[0]) && $ahead < -1e-9 ? $ahead + count($of->way) : $ahead;
            $limit = $ahead > 1e-6 ? min($limit, $ahead / 2) : $limit;
        }
        $way = $step > 0 ? $of->part($at, min($to, $at + $limit)) : $of->part(max($from, $at - $limit), $at);
        $band = $way === [] ? [] : (new Band($of->left, $of->right, $of->join, 'butt', self::LIMIT, $this->tolerance))->of($way);
        $outlines = $band === [] ? [] : Combination::cut([$band, $cutter], $this->tolerance);
        if ($outlines === []) {
            return null;
        }
        $length = array_sum(array_map(static fn (Curve $curve): float => $curve->length(), $way));
        [$near, $far] = $step > 0 ? [$way[0]->start(), $way[count($way) - 1]->end()] : [$way[count($way) - 1]->end(), $way[0]->start()];

        return $length <= $hidden ? null : [$outlines, $near->towards($far, $hidden / $length), $far];
    }

    /** @throws Unworkable */
    private function find(): void
    {
        $boxes = array_map(
            static fn (Strand $strand): array => array_map(static fn (Curve $curve): Bounds => $curve->bounds(), $strand->way),
            $this->strands,
        );
        foreach ($this->strands as $i => $one) {
            for ($j = 0; $j <= $i; $j++) {
                foreach ($one->way as $a => $curve) {
                    Budget::spend(count($boxes[$j]) / 20);
                    foreach ($this->strands[$j]->way as $b => $other) {
                        if (($i === $j && $b >= $a) || ! $boxes[$i][$a]->meets($boxes[$j][$b], $this->tolerance->distance)) {
                            continue;
                        }
                        Budget::spend(20);
                        foreach (Intersections::find($curve, $other, $this->tolerance) as $meeting) {
                            $this->meet([$j, $b + $meeting->t], [$i, $a + $meeting->s], $meeting->at);
                        }
                    }
                }
            }
        }
        if (count($this->crossings) > self::MOST_CROSSINGS) {
            throw new Unworkable(
                'there are '.
                    number_format(count($this->crossings)).
                    ' crossings; at most '.
                    number_format(self::MOST_CROSSINGS).
                    ' can be woven',
            );
        }
        $this->inOrder();
    }

    /**
     * @param  array{int, float}  $one  strand, and where on its way: the number of the curve and the share of it
     * @param  array{int, float}  $other
     */
    private function meet(array $one, array $other, Vec $at): void
    {
        if ($this->isEnd(...$one) || $this->isEnd(...$other)) {
            return;
        }
        [$p, $q] = [$this->along($one), $this->along($other)];
        // Two curves of one way meet where they are joined.
        if (
            ($one[0] === $other[0] && $this->apart($one[0], $p, $q) < 1e-7) ||
            abs($this->heading($one)->cross($this->heading($other))) < self::ALONG
        ) {
            return;
        }
        $key = $this->keyOf($one[0], $p).' '.$this->keyOf($other[0], $q);
        if (isset($this->visits[$one[0]][$key]) || isset($this->visits[$other[0]][$key.' ~'])) {
            return;
        }
        $crossing = count($this->crossings);
        $this->crossings[] = $at;
        $this->pairs[] = [[$one[0], $p], [$other[0], $q]];
        $this->visits[$one[0]][$key] = [$p, $crossing, true];
        $this->visits[$other[0]][$key.' ~'] = [$q, $crossing, false];
    }

    /**
     * A joint is the end of one curve and the beginning of the next.
     *
     * @param  array{int, float}  $place
     */
    private function along(array $place): float
    {
        $count = count($this->strands[$place[0]]->way);
        $at = round($place[1], 9);

        return $this->isClosed($place[0]) && $at >= $count ? $at - $count : $at;
    }

    private function keyOf(int $strand, float $at): string
    {
        return $strand.':'.sprintf('%.6F', $at);
    }

    private function apart(int $strand, float $p, float $q): float
    {
        $apart = abs($p - $q);

        return $this->isClosed($strand) ? min($apart, count($this->strands[$strand]->way) - $apart) : $apart;
    }

    private function isClosed(int $strand): bool
    {
        return $this->strands[$strand]->isClosed($this->tolerance->distance);
    }

    private function isEnd(int $strand, float $at): bool
    {
        return ! $this->isClosed($strand) && ($at < 1e-9 || $at > count($this->strands[$strand]->way) - 1e-9);
    }

    /** @param  array{int, float}  $place */
    private function heading(array $place): Vec
    {
        $way = $this->strands[$place[0]]->way;
        $number = min((int) floor($place[1]), count($way) - 1);

        return $way[$number]->tangentAt($place[1] - $number)->unit();
    }

    /** Numbers the crossings as the strands come to them. */
    private function inOrder(): void
    {
        $new = [];
        foreach (array_keys($this->strands) as $strand) {
            $visits = $this->visits[$strand] ?? [];
            uasort($visits, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
            $this->visits[$strand] = $visits;
            foreach ($visits as [, $crossing]) {
                $new[$crossing] ??= count($new);
            }
        }
        $crossings = $pairs = [];
        foreach ($new as $old => $number) {
            $crossings[$number] = $this->crossings[$old];
            $pairs[$number] = $this->pairs[$old];
        }
        [$this->crossings, $this->pairs] = [array_values($crossings), array_values($pairs)];
        foreach ($this->visits as $strand => $visits) {
            $this->visits[$strand] = array_map(static fn (array $visit): array => [$visit[0], $new[$visit[1]] ?? 0, $visit[2]], $visits);
        }
    }

    /**
     * Over and under in turn along every strand, from the first crossing of each drawing on.
     *
     * @return list<Vec> where that cannot be
     */
    private function alternate(bool $startsOver): array
    {
        $next = [];
        foreach ($this->visits as $strand => $visits) {
            $visits = array_values($visits);
            foreach ($visits as $k => [, $crossing, $isFirst]) {
                $follows = $visits[$k + 1] ?? ($this->isClosed($strand) && count($visits) > 1 ? $visits[0] : null);
                if ($follows !== null) {
                    // Over here is under there: of the same sort where one is the first of its two and the other the second.
                    $same = $isFirst !== $follows[2];
                    $next[$crossing][] = [$follows[1], $same];
                    $next[$follows[1]][] = [$crossing, $same];
                }
            }
        }
        $stuck = [];
        foreach ($this->visits as $visits) {
            foreach ($visits as [, $crossing, $isFirst]) {
                if (isset($this->over[$crossing])) {
                    continue;
                }
                $this->over[$crossing] = $isFirst === $startsOver;
                $queue = [$crossing];
                while ($queue !== []) {
                    $at = array_shift($queue);
                    foreach ($next[$at] ?? [] as [$other, $same]) {
                        $wanted = $this->over[$at] === $same;
                        if (! isset($this->over[$other])) {
                            $this->over[$other] = $wanted;
                            $queue[] = $other;
                        } elseif ($this->over[$other] !== $wanted) {
                            $stuck[max($at, $other)] = $this->crossings[max($at, $other)];
                        }
                    }
                }
            }
        }

        return array_values($stuck);
    }

    private function swap(Vec $place): void
    {
        $nearest = null;
        foreach ($this->crossings as $number => $at) {
            $nearest = $nearest === null || $at->distanceTo($place) < $this->crossings[$nearest]->distanceTo($place) ? $number : $nearest;
        }
        if ($nearest !== null) {
            $this->over[$nearest] = ! $this->over[$nearest];
        }
    }

    /**
     * What goes over at a crossing, widened by the clearance, as far as what goes under there reaches.
     *
     * @return list<Outline>
     *
     * @throws Unworkable
     */
    private function overAt(int $crossing, int $under): array
    {
        [$first, $second] = $this->pairs[$crossing];
        [[$strand, $at], $below] = $this->over[$crossing] ? [$first, $second] : [$second, $first];
        $of = $this->strands[$strand];
        $other = $this->strands[$under];
        $one = $this->heading([$strand, $at]);
        $two = $this->heading($below);
        $sine = max(0.05, abs($one->cross($two)));
        $reach =
            (max($other->left, $other->right) + $this->gap) / $sine +
            ((max($of->left, $of->right) + $this->gap) * sqrt(max(0.0, 1 - $sine * $sine))) / $sine;
        $way = $this->around($strand, $at, $reach * self::MORE + 4 * $this->tolerance->distance);

        return $way === []
            ? []
            : (new Band($of->left + $this->gap, $of->right + $this->gap, $of->join, 'butt', self::LIMIT, $this->tolerance))->of($way);
    }

    /** @return list<Curve> of a way so much before a place and behind it, as far as it goes */
    private function around(int $strand, float $at, float $reach): array
    {
        [, $from, $to] = $this->bounds($strand, $at, $reach);

        return $this->strands[$strand]->part($from, $to);
    }

    /**
     * @return array{float, float, float} a place on a way, and where so much before it and behind it is, as far as it goes; a round on
     *   where it would begin before the way does
     */
    private function bounds(int $strand, float $at, float $reach): array
    {
        $way = $this->strands[$strand]->way;
        $count = count($way);
        $closed = $this->isClosed($strand);
        $walk = function (int $step) use ($way, $count, $closed, $at, $reach): float {
            $number = min((int) floor($at), $count - 1);
            $share = $at - $number;
            $left = $reach;
            $gone = 0.0;
            for ($k = 0; $k <= $count; $k++) {
                $curve = $way[(($number + $step * $k) % $count + $count) % $count];
                $part = $k === 0 ? ($step > 0 ? 1.0 - $share : $share) : 1.0;
                $length = $curve->length() * $part;
                if ($left <= $length) {
                    return $gone + ($length > 0.0 ? $part * $left / $length : 0.0);
                }
                $left -= $length;
                $gone += $part;
                if (! $closed && ($step > 0 ? $number + $k + 1 >= $count : $number - $k - 1 < 0)) {
                    return $gone;
                }
            }

            return min($gone, $count / 2 - 0.001);
        };
        $back = $walk(-1);
        $ahead = $walk(1);

        $round = $closed && $at < $back ? $count : 0;

        return [$at + $round, $at - $back + $round, $at + $ahead + $round];
    }
}
