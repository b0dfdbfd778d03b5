<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Where two curves meet: crossings, touching points, and the ends of what they have in common.
 *
 * Lines and circles in closed form; a cubic with either by the roots of a polynomial; two cubics by dividing both until they are as good as
 * straight. Everything within the tolerance counts as meeting: an end that lies within it beside the other curve lies on it.
 */
final readonly class Intersections
{
    /** Below this share of a radius a difference of lengths has lost too many digits and is computed exactly. */
    private const CANCELLING = 1e-3;

    /** Curves that stay within the tolerance of one another for this share of both run along one another; below it they touch. */
    private const ALONG = 1e-2;

    private function __construct(private float $tolerance)
    {
    }

    /** @return list<Meeting> in order along $one */
    public static function find(Curve $one, Curve $other, Tolerance $tolerance): array
    {
        Budget::spend(0.3);
        if (! $one->bounds()->meets($other->bounds(), $tolerance->distance)) {
            return [];
        }

        return (new self($tolerance->distance))->between($one, $other);
    }

    /**
     * The same, without looking at the bounds first.
     *
     * @return list<Meeting> in order along $one
     */
    public static function within(float $tolerance, Curve $one, Curve $other): array
    {
        return (new self($tolerance))->between($one, $other);
    }

    /** @return list<Meeting> */
    private function between(Curve $one, Curve $other): array
    {
        Budget::spend($one instanceof Cubic || $other instanceof Cubic ? 60 : 4);
        $found = $this->endsOn($one, $other);
        if ($one instanceof Cubic && $other instanceof Cubic) {
            foreach (CubicMeetings::find($one, $other, $this->tolerance) as [$s, $t]) {
                $found[] = [$one->pointAt($s), $s, $t];
            }
        }
        foreach ($this->candidates($one, $other) as $place) {
            $s = $this->parameter($one, $place);
            $t = $this->parameter($other, $place);
            if ($s !== null && $t !== null) {
                $found[] = [$place, $s, $t];
            }
        }
        usort($found, static fn (array $a, array $b): int => [$a[1], $a[2]] <=> [$b[1], $b[2]]);
        if ($one instanceof Cubic || $other instanceof Cubic) {
            $found = $this->joined($found, $one, $other);
        }
        $meetings = [];
        foreach ($found as [$place, $s, $t]) {
            foreach ($meetings as $known) {
                if ($known->at->distanceTo($place) <= $this->tolerance) {
                    continue 2;
                }
            }
            $turn = $one->tangentAt($s)->cross($other->tangentAt($t));
            $meetings[] = new Meeting($place, $s, $t, abs($turn) < Tolerance::SAME_HEADING);
        }

        return $meetings;
    }

    /**
     * Curves that touch stay within the tolerance of one another for a while, and each place of that while is a meeting: of those that
     * follow one another without the curves parting in between one is left, or, where they run along one another, the first and the last.
     *
     * @param  list<array{Vec, float, float}>  $found  in order along $one
     * @return list<array{Vec, float, float}>
     */
    private function joined(array $found, Curve $one, Curve $other): array
    {
        $joined = $group = [];
        foreach ($found as $meeting) {
            if ($group !== [] && ! $this->staysClose($one, $other, $group[count($group) - 1][1], $meeting[1])) {
                array_push($joined, ...$this->told($group, $one, $other));
                $group = [];
            }
            $group[] = $meeting;
        }

        return [...$joined, ...$this->told($group, $one, $other)];
    }

    private function staysClose(Curve $one, Curve $other, float $from, float $to): bool
    {
        foreach ([0.5, 0.21, 0.77] as $share) {
            $place = $one->pointAt($from + ($to - $from) * $share);
            if ($other->pointAt($other->nearest($place))->distanceTo($place) > $this->tolerance) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<array{Vec, float, float}>  $group  of meetings between which the curves do not part
     * @return list<array{Vec, float, float}>
     */
    private function told(array $group, Curve $one, Curve $other): array
    {
        if (count($group) < 2) {
            return $group;
        }
        $first = $group[0];
        $last = $group[count($group) - 1];
        $isEnd = static fn (array $meeting): bool => in_array($meeting[1], [0.0, 1.0], true) || in_array($meeting[2], [0.0, 1.0], true);
        if ($last[1] - $first[1] > self::ALONG && abs($last[2] - $first[2]) > self::ALONG) {
            // What lies in between is cut where a curve ends.
            return [$first, ...array_filter(array_slice($group, 1, -1), $isEnd), $last];
        }
        foreach ($group as $meeting) {
            if ($isEnd($meeting)) {
                return [$meeting];
            }
        }
        $off = array_map(fn (array $meeting): float => $other->pointAt($other->nearest($meeting[0]))->distanceTo($meeting[0]), $group);

        return [$group[(int) array_search(min($off), $off, true)]];
    }

    /**
     * Ends of either curve that lie on the other.
     *
     * @return list<array{Vec, float, float}>
     */
    private function endsOn(Curve $one, Curve $other): array
    {
        $found = [];
        foreach ([[$one, $other, true], [$other, $one, false]] as [$from, $on, $forward]) {
            if (self::isClosed($from)) {
                continue;
            }
            // The box first: the nearest place on a cubic takes its time, and most ends are nowhere near.
            $box = $on instanceof Cubic ? $on->hull()->grownBy($this->tolerance) : null;
            foreach ([0.0, 1.0] as $end) {
                $place = $end === 0.0 ? $from->start() : $from->end();
                if (
                    $box !== null &&
                    ($place->x < $box->left || $place->x > $box->right || $place->y < $box->top || $place->y > $box->bottom)
                ) {
                    continue;
                }
                $t = $on->nearest($place);
                if ($on->pointAt($t)->distanceTo($place) <= $this->tolerance) {
                    $found[] = $forward ? [$place, $end, $t] : [$place, $t, $end];
                }
            }
        }

        return $found;
    }

    /** @return list<Vec> where the lines and circles that carry the two meet, and all meetings of cubics */
    private function candidates(Curve $one, Curve $other): array
    {
        return match (true) {
            $one instanceof Line && $other instanceof Line => $this->ofLines($one, $other),
            $one instanceof Line && $other instanceof Arc => $this->ofLineAndCircle($one, $other->circle()),
            $one instanceof Arc && $other instanceof Line => $this->ofLineAndCircle($other, $one->circle()),
            $one instanceof Arc && $other instanceof Arc => $this->ofCircles($one->circle(), $other->circle()),
            $one instanceof Cubic && $other instanceof Cubic => [],
            $one instanceof Cubic => $this->ofCubicAnd($one, $other),
            $other instanceof Cubic => $this->ofCubicAnd($other, $one),
            default => throw new \LogicException('There are lines, arcs and cubics.'),
        };
    }

    /** @return list<Vec> */
    private function ofLines(Line $one, Line $other): array
    {
        [$a, $b, $c, $d] = [$one->start(), $one->end(), $other->start(), $other->end()];
        // Exact signs: an end of one that stands beside the other by less than doubles can tell still has its side.
        if (Exact::side($a, $b, $c) * Exact::side($a, $b, $d) >= 0.0 || Exact::side($c, $d, $a) * Exact::side($c, $d, $b) >= 0.0) {
            return [];
        }

        return [$a->towards($b, Exact::cross($a, $c, $c, $d) / Exact::cross($a, $b, $c, $d))];
    }

    /** @return list<Vec> with the whole line through $line */
    private function ofLineAndCircle(Line $line, Circle $circle): array
    {
        [$a, $b] = [$line->start(), $line->end()];
        $length = $a->distanceTo($b);
        if ($length <= $this->tolerance) {
            return [];
        }
        $along = $b->minus($a)->times(1 / $length);
        $foot = $a->plus($along->times($circle->center->minus($a)->dot($along)));
        $distance = abs(Exact::side($a, $b, $circle->center)) / $length;
        if ($distance > $circle->radius + $this->tolerance) {
            return [];
        }
        if (abs($distance - $circle->radius) <= $this->tolerance) {
            return [$foot];
        }
        $half = $circle->radius - $distance > self::CANCELLING * $circle->radius
            ? sqrt(($circle->radius - $distance) * ($circle->radius + $distance))
            : sqrt(max(0.0, Exact::lineCircleGap($a, $b, $circle->center, $circle->radius))) / $length;

        return [$foot->minus($along->times($half)), $foot->plus($along->times($half))];
    }

    /** @return list<Vec> */
    private function ofCircles(Circle $one, Circle $other): array
    {
        [$r, $s] = [$one->radius, $other->radius];
        $distance = $one->center->distanceTo($other->center);
        if ($distance > $r + $s + $this->tolerance || $distance < abs($r - $s) - $this->tolerance || $distance <= $this->tolerance) {
            return [];
        }
        $along = $other->center->minus($one->center)->times(1 / $distance);
        if (abs($distance - $r - $s) <= $this->tolerance) {
            return [$one->center->plus($along->times($r + ($distance - $r - $s) / 2))];
        }
        if (abs($distance - abs($r - $s)) <= $this->tolerance) {
            return [$one->center->plus($along->times($r > $s ? ($r + $distance + $s) / 2 : -($r + $s - $distance) / 2))];
        }
        $reach = ($distance + ($r - $s) * ($r + $s) / $distance) / 2;
        $factors = [$r + $s + $distance, $r + $s - $distance, $distance + $r - $s, $distance - $r + $s];
        $gap = min($factors) > self::CANCELLING * max($factors) ? array_product($factors) : Exact::circleCircleGap($one, $other);
        $foot = $one->center->plus($along->times($reach));
        $aside = $along->quarterTurned()->times(sqrt(max(0.0, $gap)) / (2 * $distance));

        return [$foot->minus($aside), $foot->plus($aside)];
    }

    /** @return list<Vec> */
    private function ofCubicAnd(Cubic $cubic, Curve $other): array
    {
        if ($other instanceof Arc) {
            $x = $cubic->along(1.0, 0.0)->plusConstant(-$other->center()->x);
            $y = $cubic->along(0.0, 1.0)->plusConstant(-$other->center()->y);
            $away = $x->times($x)->plus($y->times($y))->plusConstant(-$other->radius() ** 2);
            $roots = $away->roots(2 * $other->radius() * $this->tolerance);
        } else {
            $normal = $other->tangentAt(0.0)->quarterTurned();
            $roots = $cubic->along($normal->x, $normal->y)->plusConstant(-$normal->dot($other->start()))->roots($this->tolerance);
        }

        return array_map($cubic->pointAt(...), $roots);
    }

    /** The parameter of a place that lies on the curve as a line or circle would go on, or null where it lies beyond the ends. */
    private function parameter(Curve $curve, Vec $place): ?float
    {
        if ($curve instanceof Arc) {
            $t = $curve->parameterTowards($place);
            if ($t <= 1.0) {
                return $t;
            }
            $slack = $this->tolerance / $curve->length();

            return $t - 1.0 <= $slack ? 1.0 : (2 * M_PI / abs($curve->sweep()) - $t <= $slack ? 0.0 : null);
        }
        $t = $curve->nearest($place);

        // What is near an end but beyond it counts only within the tolerance; on a cubic the place was computed on the curve.
        return $curve instanceof Cubic || ($t > 0.0 && $t < 1.0) || $curve->pointAt($t)->distanceTo($place) <= $this->tolerance ? $t : null;
    }

    private static function isClosed(Curve $curve): bool
    {
        return $curve instanceof Arc && $curve->isFullCircle();
    }
}
