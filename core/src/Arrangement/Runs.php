<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
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
    private const TRIFLE = 16;

    /** Sweep, in radians, of an arc that one cubic follows to the last digit. */
    private const FLAT = 0.01;

    /** Candidates for one line or circle are looked up by numbers rounded to this share of the extent. */
    private const COARSE = 1e-5;

    /**
     * @param  list<Curve>  $curves  the runs
     * @param  list<int>  $carriers  of each run; runs of one carrier stand together, in order along it
     * @param  list<list<Vec>>  $stops  for each run the places inside it where a given curve ended
     * @param  float  $tolerance  what counts as the same place here
     * @param  Vec  $center  of the extent
     * @param  float  $size  of the extent, its longer side
     */
    private function __construct(public array $curves, public array $carriers, public array $stops, public float $tolerance, public Vec $center, public float $size)
    {
    }

    /**
     * @param  list<Curve>  $curves  in any order; those about as short as the tolerance are left out
     */
    public static function of(array $curves, float $tolerance, Bounds $extent): self
    {
        $lines = $circles = $cubics = [];
        foreach ($curves as $curve) {
            if ($curve->length() <= self::TRIFLE * $tolerance) {
                continue;
            }
            if ($curve instanceof Line) {
                $lines[] = self::rightwards($curve);
            } elseif ($curve instanceof Arc && abs($curve->sweep()) < self::FLAT && $curve->radius() * Tolerance::ROUNDING > $tolerance) {
                // So flat that its centre is too far away to say where it runs; as a cubic it is within the last digit.
                array_push($cubics, ...$curve->asCubics());
            } elseif ($curve instanceof Arc) {
                $circles[] = match (true) {
                    $curve->isFullCircle() => Arc::fullCircle($curve->circle()),
                    $curve->sweep() > 0.0 => $curve,
                    default => $curve->reversed(),
                };
            } elseif ($curve instanceof Cubic) {
                $straight = $curve->asLine($tolerance);
                if ($straight !== null) {
                    $lines[] = self::rightwards($straight);
                } else {
                    array_push($cubics, ...self::withoutLoops($curve, $tolerance));
                }
            }
        }
        $runs = $carriers = $stops = [];
        $carrier = 0;
        foreach (self::collinear($lines, $tolerance, $extent) as $group) {
            foreach (self::stretches($group, $tolerance) as [$run, $inside]) {
                [$runs[], $carriers[], $stops[]] = [$run, $carrier, $inside];
            }
            $carrier++;
        }
        foreach (self::concyclic($circles, $tolerance, $extent) as $group) {
            foreach (self::turns($group, $tolerance) as [$run, $inside]) {
                [$runs[], $carriers[], $stops[]] = [$run, $carrier, $inside];
            }
            $carrier++;
        }
        $known = [];
        foreach (self::sorted($cubics) as $cubic) {
            $name = implode(' ', self::key($cubic));
            if (! isset($known[$name])) {
                $known[$name] = true;
                [$runs[], $carriers[], $stops[]] = [$cubic, $carrier++, []];
            }
        }

        return new self($runs, $carriers, $stops, $tolerance, $extent->center(), $extent->size());
    }

    /** @return list<Cubic> cut where it crosses itself */
    private static function withoutLoops(Cubic $cubic, float $tolerance): array
    {
        $cubic = self::key($cubic) > self::key($cubic->reversed()) ? $cubic->reversed() : $cubic;
        $loop = $cubic->selfCrossing();

        $pieces = $loop === null ? [$cubic] : [$cubic->part(0.0, $loop[0]), $cubic->part($loop[0], $loop[1]), $cubic->part($loop[1], 1.0)];

        return array_values(array_filter($pieces, static fn (Cubic $piece): bool => $piece->length() > self::TRIFLE * $tolerance));
    }

    private static function rightwards(Line $line): Line
    {
        $way = $line->end()->minus($line->start());

        return $way->x > 0.0 || ($way->x === 0.0 && $way->y > 0.0) ? $line : $line->reversed();
    }

    /** @return list<float> what tells curves apart, and puts the longest first */
    private static function key(Curve $curve): array
    {
        $places = [$curve->start(), $curve->end(), $curve->pointAt(0.5), ...($curve instanceof Cubic ? [$curve->leaving, $curve->arriving] : [])];
        $key = [-$curve->length()];
        foreach ($places as $place) {
            array_push($key, $place->x, $place->y);
        }

        return $key;
    }

    /**
     * @template T of Curve
     *
     * @param  list<T>  $curves
     * @return list<T> the longest first, then by place
     */
    private static function sorted(array $curves): array
    {
        $keys = array_map(self::key(...), $curves);
        asort($keys);
        $sorted = [];
        foreach ($keys as $index => $unused) {
            $sorted[] = $curves[$index];
        }

        return $sorted;
    }

    /**
     * @param  list<Line>  $lines
     * @return list<non-empty-list<Line>> those on one line together, the longest first
     */
    private static function collinear(array $lines, float $tolerance, Bounds $extent): array
    {
        $center = $extent->center();
        $coarse = self::COARSE * max($extent->size(), $tolerance);
        $groups = [];
        $buckets = [];
        foreach (self::sorted($lines) as $line) {
            $along = $line->tangentAt(0.0);
            $offset = $along->cross($line->start()->minus($center)) / $coarse;
            $angle = atan2($along->y, $along->x) / self::COARSE;
            $found = null;
            foreach (self::near($angle, $offset) as $bucket) {
                foreach ($buckets[$bucket] ?? [] as $group) {
                    if ($groups[$group][0]->carries($line, $tolerance)) {
                        $found = $group;
                        break 2;
                    }
                }
            }
            if ($found === null) {
                $found = count($groups);
                $groups[] = [];
                $buckets[self::bucket($angle, $offset)][] = $found;
                // Upright lines lie on the seam of the angles, where one that leans by a hair has its offset on the other side.
                $buckets[self::bucket($angle - M_PI / self::COARSE, -$offset)][] = $found;
                $buckets[self::bucket($angle + M_PI / self::COARSE, -$offset)][] = $found;
            }
            $groups[$found][] = $line;
        }

        return array_values($groups);
    }

    /**
     * @param  list<Arc>  $arcs
     * @return list<non-empty-list<Arc>> those on one circle together, the longest first
     */
    private static function concyclic(array $arcs, float $tolerance, Bounds $extent): array
    {
        $coarse = self::COARSE * max($extent->size(), $tolerance);
        $groups = [];
        $buckets = [];
        foreach (self::sorted($arcs) as $arc) {
            $mixed = $arc->center()->x + M_SQRT2 * $arc->center()->y;
            $found = null;
            foreach (self::near($mixed / $coarse, $arc->radius() / $coarse) as $bucket) {
                foreach ($buckets[$bucket] ?? [] as $group) {
                    $circle = $groups[$group][0];
                    if ($circle->center()->distanceTo($arc->center()) + abs($circle->radius() - $arc->radius()) <= $tolerance) {
                        $found = $group;
                        break 2;
                    }
                }
            }
            if ($found === null) {
                $found = count($groups);
                $groups[] = [];
                $buckets[self::bucket($mixed / $coarse, $arc->radius() / $coarse)][] = $found;
            }
            $groups[$found][] = $arc;
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
     * @param  non-empty-list<Line>  $lines
     * @return list<array{Line, list<Vec>}> runs in order, each with the ends that lie inside it
     */
    private static function stretches(array $lines, float $tolerance): array
    {
        if (count($lines) === 1) {
            return [[$lines[0], []]];
        }
        $along = $lines[0]->tangentAt(0.0);
        $origin = $lines[0]->start();
        $spans = [];
        foreach ($lines as $line) {
            // An upright line that leans by a hair may run the other way.
            [$first, $last] = $line->tangentAt(0.0)->dot($along) > 0.0 ? [$line->start(), $line->end()] : [$line->end(), $line->start()];
            $spans[] = [$first->minus($origin)->dot($along), $last->minus($origin)->dot($along), $first, $last];
        }
        usort($spans, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $runs = [];
        [$unused, $reach, $start, $end] = $spans[0];
        $ends = [$start, $end];
        foreach (array_slice($spans, 1) as [$from, $to, $first, $last]) {
            if ($from > $reach + $tolerance) {
                $runs[] = [new Line($start, $end), $ends];
                [$reach, $start, $end, $ends] = [$to, $first, $last, []];
            } elseif ($to > $reach) {
                [$reach, $end] = [$to, $last];
            }
            array_push($ends, $first, $last);
        }
        $runs[] = [new Line($start, $end), $ends];

        return $runs;
    }

    /**
     * Arcs on one circle, put together where they touch or overlap.
     *
     * @param  non-empty-list<Arc>  $arcs  clockwise
     * @return list<array{Arc, list<Vec>}>
     */
    private static function turns(array $arcs, float $tolerance): array
    {
        if (count($arcs) === 1) {
            return [[$arcs[0], []]];
        }
        $circle = $arcs[0]->circle();
        $ends = [];
        $spans = [];
        $whole = false;
        foreach ($arcs as $arc) {
            if ($arc->isFullCircle()) {
                $whole = true;
            } else {
                $from = $arc->startAngle();
                $spans[] = [$from, $from + $arc->sweep(), $arc->start(), $arc->end()];
                array_push($ends, $arc->start(), $arc->end());
            }
        }
        usort($spans, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $slack = $tolerance / $circle->radius;
        $joined = [];
        foreach ($spans as $span) {
            $before = array_pop($joined);
            if ($before === null) {
                $joined[] = $span;
            } elseif ($span[0] <= $before[1] + $slack) {
                $joined[] = $span[1] > $before[1] ? [$before[0], $span[1], $before[2], $span[3]] : $before;
            } else {
                array_push($joined, $before, $span);
            }
        }
        // What reaches past the beginning of the round takes up the first ones.
        while (count($joined) > 1 && $joined[count($joined) - 1][1] >= $joined[0][0] + 2 * M_PI - $slack) {
            $first = array_shift($joined);
            $last = array_pop($joined) ?? $first;
            $joined[] = $last[1] < $first[1] + 2 * M_PI ? [$last[0], $first[1] + 2 * M_PI, $last[2], $first[3]] : $last;
        }
        if ($whole || (count($joined) === 1 && $joined[0][1] - $joined[0][0] >= 2 * M_PI - $slack)) {
            return [[Arc::fullCircle($circle), $ends]];
        }

        return array_map(static fn (array $span): array => [Arc::around($circle->center, $circle->radius, $span[2], $span[3], true), $ends], $joined);
    }
}
