<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/**
 * Curves made ready to be laid over one another: what lies on one line or one circle is put together, each stretch once.
 *
 * A carrier is a whole line or circle, or a cubic; a run is a stretch of it without a gap. Lines run to the right (upright ones down), arcs
 * clockwise on the screen. The order in which the curves are given makes no difference.
 */
final readonly class Runs
{
    /** Curves shorter than so many tolerances would begin and end at one vertex. */
    public const TRIFLE = 16;

    /** Sweep, in radians, of an arc that one cubic follows to the last digit. */
    private const FLAT = 0.01;

    /** Candidates for one line or circle are looked up by numbers rounded to this share of the extent. */
    private const COARSE = 1e-5;

    /**
     * @param  list<Curve>  $curves  the runs
     * @param  list<int>  $carriers  of each run; runs of one carrier stand together, in order along it
     * @param  list<list<array{int, int, Vec|null, Vec|null}>>  $members  for each run the given curves that lie on it: their numbers, 1
     *   where
     *                                                               they run the same way and −1 where they run the other, and between
     *                                                               which
     *                                                               places, in the order of the run; null and null for all of it
     * @param  array<int, array{Cubic, float, float}>  $wholes  of runs that are pieces of a cubic: the whole one, and from where to where
     *   they are
     * @param  float  $tolerance  what counts as the same place here
     * @param  Vec  $center  of the extent
     * @param  float  $size  of the extent, its longer side
     */
    private function __construct(
        public array $curves,
        public array $carriers,
        public array $members,
        public array $wholes,
        public float $tolerance,
        public Vec $center,
        public float $size,
    ) {
    }

    /**
     * @param  list<Curve>  $curves  in any order; those about as short as the tolerance are left out
     */
    public static function of(array $curves, float $tolerance, Bounds $extent): self
    {
        $lines = $circles = $cubics = $members = [];
        foreach ($curves as $number => $curve) {
            Budget::spend($curve instanceof Cubic ? 90 : 6);
            if (! Outline::isLonger($curve, self::TRIFLE * $tolerance)) {
                continue;
            }
            $straight = $curve instanceof Cubic ? $curve->asLine($tolerance) : $curve;
            if ($straight instanceof Line) {
                $line = self::rightwards($straight);
                $forward = $line->tangentAt(0.0)->dot($curve->end()->minus($curve->start())) >= 0.0;
                $lines[$number] = $line;
                $members[$number] = $forward ? [$number, 1, $curve->start(), $curve->end()] : [$number, -1, $curve->end(), $curve->start()];
            } elseif ($curve instanceof Arc && abs($curve->sweep()) < self::FLAT && $curve->radius() * Tolerance::ROUNDING > $tolerance) {
                // So flat that its centre is too far away to say where it runs; as a cubic it is within the last digit.
                foreach ($curve->asCubics() as $cubic) {
                    $cubics[] = [$cubic, $number];
                }
            } elseif ($curve instanceof Arc) {
                $circles[$number] = match (true) {
                    $curve->isFullCircle() => Arc::fullCircle($curve->circle()),
                    $curve->sweep() > 0.0 => $curve,
                    default => $curve->reversed(),
                };
                $whole = $curve->isFullCircle();
                $members[$number] = [
                    $number,
                    $curve->sweep() > 0.0 ? 1 : -1,
                    $whole ? null : $circles[$number]->start(),
                    $whole ? null : $circles[$number]->end(),
                ];
            } elseif ($curve instanceof Cubic) {
                $cubics[] = [$curve, $number];
            }
        }
        $runs = $carriers = $on = $wholes = [];
        $carrier = 0;
        foreach (self::collinear($lines, $tolerance, $extent) as $group) {
            foreach (self::stretches($group, $members, $tolerance) as [$run, $those]) {
                [$runs[], $carriers[], $on[]] = [$run, $carrier, $those];
            }
            $carrier++;
        }
        foreach (self::concyclic($circles, $tolerance, $extent) as $group) {
            foreach (self::turns($group, $members, $tolerance) as [$run, $those]) {
                [$runs[], $carriers[], $on[]] = [$run, $carrier, $those];
            }
            $carrier++;
        }
        foreach (self::distinct($cubics) as [$whole, $those]) {
            $stops = [0.0, ...$whole->selfCrossing($tolerance) ?? [], 1.0];
            for ($k = 1; $k < count($stops); $k++) {
                $piece = count($stops) === 2 ? $whole : $whole->part($stops[$k - 1], $stops[$k]);
                if (Outline::isLonger($piece, self::TRIFLE * $tolerance)) {
                    $wholes[count($runs)] = [$whole, $stops[$k - 1], $stops[$k]];
                    [$runs[], $carriers[], $on[]] = [$piece, $carrier, $those];
                }
            }
            $carrier++;
        }

        return new self($runs, $carriers, $on, $wholes, $tolerance, $extent->center(), $extent->size());
    }

    /**
     * Cubics in an order and a direction of their own, each once.
     *
     * @param  list<array{Cubic, int}>  $cubics  each with the number of the given curve
     * @return iterable<array{Cubic, list<array{int, int, null, null}>}>
     */
    private static function distinct(array $cubics): iterable
    {
        $keys = $directed = $those = [];
        foreach ($cubics as [$cubic, $number]) {
            $key = self::key($cubic);
            $back = self::key($cubic->reversed());
            $turned = $key > $back;
            $name = implode(' ', array_map(static fn (float $one): string => sprintf('%.17g', $one), $turned ? $back : $key));
            $keys[$name] = $turned ? $back : $key;
            $directed[$name] ??= $turned ? $cubic->reversed() : $cubic;
            $those[$name][] = [$number, $turned ? -1 : 1, null, null];
        }
        asort($keys);
        foreach ($keys as $name => $unused) {
            yield [$directed[$name], $those[$name]];
        }
    }

    private static function rightwards(Line $line): Line
    {
        $way = $line->end()->minus($line->start());

        return $way->x > 0.0 || ($way->x === 0.0 && $way->y > 0.0) ? $line : $line->reversed();
    }

    /** @return list<float> what tells curves apart, and puts the longest first */
    private static function key(Curve $curve): array
    {
        $places = [
            $curve->start(),
            $curve->end(),
            $curve->pointAt(0.5),
            ...$curve instanceof Cubic ? [$curve->leaving, $curve->arriving] : [],
        ];
        $key = [-$curve->length()];
        foreach ($places as $place) {
            array_push($key, $place->x, $place->y);
        }

        return $key;
    }

    /**
     * @template T of Curve
     *
     * @param  array<int, T>  $curves
     * @return array<int, T> the longest first, then by place; their numbers stay theirs
     */
    private static function sorted(array $curves): array
    {
        $keys = array_map(self::key(...), $curves);
        asort($keys);
        $sorted = [];
        foreach ($keys as $index => $unused) {
            $sorted[$index] = $curves[$index];
        }

        return $sorted;
    }

    /**
     * @param  array<int, Line>  $lines
     * @return list<non-empty-array<int, Line>> those on one line together, the longest first
     */
    private static function collinear(array $lines, float $tolerance, Bounds $extent): array
    {
        $center = $extent->center();
        $coarse = self::COARSE * max($extent->size(), $tolerance);
        $groups = $longest = $buckets = [];
        foreach (self::sorted($lines) as $number => $line) {
            $along = $line->tangentAt(0.0);
            $offset = $along->cross($line->start()->minus($center)) / $coarse;
            $angle = atan2($along->y, $along->x) / self::COARSE;
            $found = null;
            foreach (self::near($angle, $offset) as $bucket) {
                foreach ($buckets[$bucket] ?? [] as $group) {
                    if ($longest[$group]->carries($line, $tolerance)) {
                        $found = $group;
                        break 2;
                    }
                }
            }
            if ($found === null) {
                $found = count($longest);
                $longest[] = $line;
                $buckets[self::bucket($angle, $offset)][] = $found;
                // Upright lines lie on the seam of the angles, where one that leans by a hair has its offset on the other side.
                $buckets[self::bucket($angle - M_PI / self::COARSE, -$offset)][] = $found;
                $buckets[self::bucket($angle + M_PI / self::COARSE, -$offset)][] = $found;
            }
            $groups[$found][$number] = $line;
        }

        return array_values($groups);
    }

    /**
     * @param  array<int, Arc>  $arcs
     * @return list<non-empty-array<int, Arc>> those on one circle together, the longest first
     */
    private static function concyclic(array $arcs, float $tolerance, Bounds $extent): array
    {
        $coarse = self::COARSE * max($extent->size(), $tolerance);
        $groups = $longest = $buckets = [];
        foreach (self::sorted($arcs) as $number => $arc) {
            $mixed = $arc->center()->x + M_SQRT2 * $arc->center()->y;
            $found = null;
            foreach (self::near($mixed / $coarse, $arc->radius() / $coarse) as $bucket) {
                foreach ($buckets[$bucket] ?? [] as $group) {
                    $circle = $longest[$group];
                    if ($circle->center()->distanceTo($arc->center()) + abs($circle->radius() - $arc->radius()) <= $tolerance) {
                        $found = $group;
                        break 2;
                    }
                }
            }
            if ($found === null) {
                $found = count($longest);
                $longest[] = $arc;
                $buckets[self::bucket($mixed / $coarse, $arc->radius() / $coarse)][] = $found;
            }
            $groups[$found][$number] = $arc;
        }

        return array_values($groups);
    }

    /** @return list<int> the bucket of two numbers, and those around it */
    private static function near(float $a, float $b): array
    {
        $buckets = [];
        for ($i = -1; $i <= 1; $i++) {
            for ($j = -1; $j <= 1; $j++) {
                $buckets[] = self::bucket($a + $i, $b + $j);
            }
        }

        return $buckets;
    }

    private static function bucket(float $a, float $b): int
    {
        // Numbers too large for a bucket of their own share one; it only names candidates.
        return (int) fmod(floor($a), 1e10) * 40_000_003 + (int) fmod(floor($b), 1e7);
    }

    /**
     * Lines on one line, put together where they touch or overlap.
     *
     * @param  non-empty-array<int, Line>  $lines
     * @param  array<int, array{int, int, Vec|null, Vec|null}>  $members
     * @return list<array{Line, list<array{int, int, Vec|null, Vec|null}>}> runs in order, each with those that lie on it
     */
    private static function stretches(array $lines, array $members, float $tolerance): array
    {
        $longest = reset($lines);
        if (count($lines) === 1) {
            return [[$longest, [$members[key($lines)]]]];
        }
        $along = $longest->tangentAt(0.0);
        $origin = $longest->start();
        $spans = [];
        foreach ($lines as $number => $line) {
            // An upright line that leans by a hair may run the other way.
            $forward = $line->tangentAt(0.0)->dot($along) > 0.0;
            [$first, $last] = $forward ? [$line->start(), $line->end()] : [$line->end(), $line->start()];
            [$unused, $direction, $from, $to] = $members[$number];
            $spans[] = [
                $first->minus($origin)->dot($along), $last->minus($origin)->dot($along), $first, $last,
                $forward ? $members[$number] : [$number, -$direction, $to, $from],
            ];
        }
        usort($spans, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $runs = [];
        [$unused, $reach, $start, $end, $member] = $spans[0];
        $those = [$member];
        foreach (array_slice($spans, 1) as [$from, $to, $first, $last, $member]) {
            if ($from > $reach + $tolerance) {
                $runs[] = [new Line($start, $end), $those];
                [$reach, $start, $end, $those] = [$to, $first, $last, []];
            } elseif ($to > $reach) {
                [$reach, $end] = [$to, $last];
            }
            $those[] = $member;
        }
        $runs[] = [new Line($start, $end), $those];

        return $runs;
    }

    /**
     * Arcs on one circle, put together where they touch or overlap.
     *
     * @param  non-empty-array<int, Arc>  $arcs  clockwise
     * @param  array<int, array{int, int, Vec|null, Vec|null}>  $members
     * @return list<array{Arc, list<array{int, int, Vec|null, Vec|null}>}>
     */
    private static function turns(array $arcs, array $members, float $tolerance): array
    {
        $longest = reset($arcs);
        if (count($arcs) === 1) {
            return [[$longest, [$members[key($arcs)]]]];
        }
        $circle = $longest->circle();
        $all = [];
        /** @var list<array{float, float, Vec, Vec, list<array{int, int, Vec|null, Vec|null}>}> $spans */
        $spans = [];
        $whole = false;
        foreach ($arcs as $number => $arc) {
            $all[] = $members[$number];
            if ($arc->isFullCircle()) {
                $whole = true;
            } else {
                $from = $arc->startAngle();
                $spans[] = [$from, $from + $arc->sweep(), $arc->start(), $arc->end(), [$members[$number]]];
            }
        }
        usort($spans, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $slack = $tolerance / $circle->radius;
        /** @var list<array{float, float, Vec, Vec, list<array{int, int, Vec|null, Vec|null}>}> $joined */
        $joined = [];
        foreach ($spans as $span) {
            $before = array_pop($joined);
            if ($before === null) {
                $joined[] = $span;
            } elseif ($span[0] <= $before[1] + $slack) {
                $those = [...$before[4], ...$span[4]];
                $joined[] =
                    $span[1] > $before[1]
                        ? [$before[0], $span[1], $before[2], $span[3], $those]
                        : [$before[0], $before[1], $before[2], $before[3], $those];
            } else {
                array_push($joined, $before, $span);
            }
        }
        // What reaches past the beginning of the round takes up the first ones.
        while (count($joined) > 1 && $joined[count($joined) - 1][1] >= $joined[0][0] + 2 * M_PI - $slack) {
            $first = array_shift($joined);
            $last = array_pop($joined) ?? $first;
            $those = [...$last[4], ...$first[4]];
            $joined[] =
                $last[1] < $first[1] + 2 * M_PI
                    ? [$last[0], $first[1] + 2 * M_PI, $last[2], $first[3], $those]
                    : [$last[0], $last[1], $last[2], $last[3], $those];
        }
        if ($whole || (count($joined) === 1 && $joined[0][1] - $joined[0][0] >= 2 * M_PI - $slack)) {
            return [[Arc::fullCircle($circle), $all]];
        }

        return array_map(
            static fn (array $span): array => [Arc::around($circle->center, $circle->radius, $span[2], $span[3], true), $span[4]],
            $joined,
        );
    }
}
