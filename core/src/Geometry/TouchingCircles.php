<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Circles that touch given lines and circles and go through given points.
 *
 * With Q = x² + y² − r² each condition is linear in Q, x, y and r: a circle is touched from outside or inside where its distance from the
 * centre is r + s or |r − s|, a line from either side. Three conditions leave a line of solutions, on which Q = x² + y² − r² picks two. For
 * three circles these are the up to eight circles of Apollonius.
 */
final class TouchingCircles
{
    /** Pivots below this mean that the conditions depend on one another. */
    private const DEPENDENT = 1e-11;

    private const ROUNDS = 4;

    /**
     * All of them, for three things, or for two and a radius.
     *
     * @param  list<Curve|Vec>  $things  lines and arcs count as the whole lines and circles that carry them
     * @return list<Circle>
     */
    public static function all(array $things, ?float $radius): array
    {
        [$middle, $size] = self::frame($things);
        $conditions = array_map(static fn (Curve|Vec $thing): array => self::condition($thing, $middle, $size), $things);
        $found = [];
        foreach (self::sides(count($conditions)) as $sides) {
            foreach (self::solved($conditions, $sides, $radius === null ? null : $radius / $size) as $circle) {
                $whole = new Circle($middle->plus($circle->center->times($size)), $circle->radius * $size);
                foreach ($found as $known) {
                    if ($known->center->distanceTo($whole->center) + abs($known->radius - $whole->radius) < 1e-9 * $size) {
                        continue 2;
                    }
                }
                $found[] = $whole;
            }
        }

        return $found;
    }

    /** Where a circle touches a line or a circle that it is known to touch. */
    public static function contact(Circle $circle, Curve $thing): Vec
    {
        if ($thing instanceof Arc) {
            $way = $thing->center()->minus($circle->center);
            if ($way->length() === 0.0) {
                return $circle->center->plus(new Vec($circle->radius, 0.0));
            }
            // From outside towards the other centre; from inside away from it where the other one is the smaller.
            $inside =
                abs($way->length() - abs($circle->radius - $thing->radius())) < abs($way->length() - $circle->radius - $thing->radius());

            return $circle->center->plus(
                $way->unit()->times($inside && $circle->radius < $thing->radius() ? -$circle->radius : $circle->radius),
            );
        }
        $along = $thing->tangentAt(0.0);

        return $thing->start()->plus($along->times($circle->center->minus($thing->start())->dot($along)));
    }

    /**
     * @param  list<Curve|Vec>  $things
     * @return array{Vec, float}
     */
    private static function frame(array $things): array
    {
        $bounds = null;
        foreach ($things as $thing) {
            $box = $thing instanceof Vec ? Bounds::around($thing) : $thing->bounds();
            $bounds = $bounds === null ? $box : $bounds->with($box);
        }
        $bounds ??= Bounds::around();

        return [$bounds->center(), max($bounds->size(), 1e-9)];
    }

    /**
     * @return array{bool, float, float, float} whether it is a line, then its normal and distance, or centre and radius, in the frame
     */
    private static function condition(Curve|Vec $thing, Vec $middle, float $size): array
    {
        if ($thing instanceof Vec) {
            $place = $thing->minus($middle)->times(1 / $size);

            return [false, $place->x, $place->y, 0.0];
        }
        if ($thing instanceof Arc) {
            $center = $thing->center()->minus($middle)->times(1 / $size);

            return [false, $center->x, $center->y, $thing->radius() / $size];
        }
        $normal = $thing->tangentAt(0.0)->quarterTurned();

        return [true, $normal->x, $normal->y, $normal->dot($thing->start()->minus($middle)) / $size];
    }

    /** @return list<list<float>> all ways to choose a side of each */
    private static function sides(int $count): array
    {
        $ways = [[]];
        for ($k = 0; $k < $count; $k++) {
            $ways = array_merge(...array_map(static fn (array $way): array => [[...$way, 1.0], [...$way, -1.0]], $ways));
        }

        return $ways;
    }

    /**
     * @param  list<array{bool, float, float, float}>  $conditions
     * @param  list<float>  $sides
     * @return list<Circle>
     */
    private static function solved(array $conditions, array $sides, ?float $radius): array
    {
        $rows = [];
        foreach ($conditions as $k => [$isLine, $x, $y, $reach]) {
            $rows[] = $isLine
                ? [0.0, $x, $y, -$sides[$k], $reach]
                : [1.0, -2 * $x, -2 * $y, -2 * $sides[$k] * $reach, $reach ** 2 - $x ** 2 - $y ** 2];
        }
        if ($radius !== null) {
            $rows[] = [0.0, 0.0, 0.0, 1.0, $radius];
        }
        $line = count($rows) === 3 ? LinearSystem::solutions($rows, self::DEPENDENT) : null;
        if ($line === null) {
            return [];
        }
        [$p, $q] = $line;
        $circles = [];
        foreach (
            self::quadratic(
                $q[1] ** 2 + $q[2] ** 2 - $q[3] ** 2,
                2 * ($p[1] * $q[1] + $p[2] * $q[2] - $p[3] * $q[3]) - $q[0],
                $p[1] ** 2 + $p[2] ** 2 - $p[3] ** 2 - $p[0],
            ) as $share
        ) {
            $circle = self::polished($conditions, $sides, $radius, [
                $p[1] + $share * $q[1],
                $p[2] + $share * $q[2],
                $p[3] + $share * $q[3],
            ]);
            if ($circle !== null) {
                $circles[] = $circle;
            }
        }

        return $circles;
    }

    /** @return list<float> */
    private static function quadratic(float $a, float $b, float $c): array
    {
        $square = $b ** 2 - 4 * $a * $c;
        $noise = 1e-13 * ($b ** 2 + abs(4 * $a * $c));
        if ($square < -$noise || (abs($a) < 1e-14 && abs($b) < 1e-14)) {
            return [];
        }
        if ($square <= $noise) {
            return abs($a) < 1e-14 ? [-$c / $b] : [-$b / (2 * $a)];
        }
        $sum = -($b + ($b >= 0.0 ? 1 : -1) * sqrt($square)) / 2;

        return abs($a) < 1e-14 * abs($sum) ? [$c / $sum] : [$sum / $a, $c / $sum];
    }

    /**
     * A few rounds of Newton's method on the conditions themselves give back the digits that squaring lost.
     *
     * @param  list<array{bool, float, float, float}>  $conditions
     * @param  list<float>  $sides
     * @param  array{float, float, float}  $at  x, y, r
     */
    private static function polished(array $conditions, array $sides, ?float $radius, array $at): ?Circle
    {
        [$x, $y, $r] = $at;
        // A negative radius is the same circle touched from the other sides, and found there.
        if ($r <= 1e-12) {
            return null;
        }
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $rows = [];
            foreach ($conditions as $k => [$isLine, $a, $b, $reach]) {
                $distance = hypot($x - $a, $y - $b);
                $grown = $r + $sides[$k] * $reach;
                if ($isLine) {
                    $rows[] = [$a, $b, -$sides[$k], $reach + $sides[$k] * $r - $a * $x - $b * $y];
                } elseif ($distance > 0.0) {
                    $rows[] = [($x - $a) / $distance, ($y - $b) / $distance, $grown >= 0.0 ? -1.0 : 1.0, abs($grown) - $distance];
                }
            }
            if ($radius !== null) {
                $rows[] = [0.0, 0.0, 1.0, $radius - $r];
            }
            $step = count($rows) === 3 ? LinearSystem::solved($rows, 1e-9) : null;
            if ($step === null) {
                break;
            }
            [$x, $y, $r] = [$x + $step[0], $y + $step[1], $r + $step[2]];
        }

        return $r > 1e-12 && is_finite($x + $y + $r) ? new Circle(new Vec($x, $y), $r) : null;
    }
}
