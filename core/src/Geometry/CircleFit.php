<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * The circle that many points lie nearest to: least squares of their distances from it.
 *
 * Begins with the algebraic fit (linear in x, y and x² + y²) and goes on by Gauss-Newton steps, damped where they would lead away
 * (W. Gander, G. Golub, R. Strebel, Least-Squares Fitting of Circles and Ellipses, BIT 34, 1994).
 */
final class CircleFit
{
    private const MOST_ROUNDS = 200;

    /**
     * @param  list<Vec>  $points  at least three
     *
     * @throws Degenerate for fewer than three different points, and for points in a line
     */
    public static function to(array $points): Circle
    {
        $middle = Vec::zero();
        foreach ($points as $point) {
            $middle = $middle->plus($point->times(1 / count($points)));
        }
        $size = 0.0;
        foreach ($points as $point) {
            $size = max($size, $point->distanceTo($middle));
        }
        if (count($points) < 3 || $size === 0.0) {
            throw new Degenerate('a circle is fitted to at least three different points');
        }
        // Around their middle and in their own size, so that no digits are lost far from the origin.
        $points = array_map(static fn (Vec $point): Vec => $point->minus($middle)->times(1 / $size), $points);
        $circle = self::algebraic($points);
        $damping = 1e-6;
        $error = self::error($points, $circle);
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $step = self::step($points, $circle, $damping);
            $next = $step === null ? null : new Circle($circle->center->plus(new Vec($step[0], $step[1])), $circle->radius + $step[2]);
            $better = $next === null ? INF : self::error($points, $next);
            if ($step === null || $next === null || $better > $error) {
                $damping *= 10;
                if ($damping > 1e12) {
                    break;
                }

                continue;
            }
            [$circle, $error, $damping] = [$next, $better, max(1e-15, $damping / 10)];
            if (max(abs($step[0]), abs($step[1]), abs($step[2])) < 1e-15 * max(1.0, $circle->radius)) {
                break;
            }
        }

        return new Circle($middle->plus($circle->center->times($size)), $circle->radius * $size);
    }

    /**
     * @param  list<Vec>  $points  around the origin
     *
     * @throws Degenerate
     */
    private static function algebraic(array $points): Circle
    {
        // x² + y² = 2ax + 2by + c, in the least squares of both sides' difference.
        $rows = [[0.0, 0.0, 0.0, 0.0], [0.0, 0.0, 0.0, 0.0], [0.0, 0.0, 0.0, 0.0]];
        foreach ($points as $point) {
            $terms = [2 * $point->x, 2 * $point->y, 1.0];
            foreach ($terms as $i => $term) {
                foreach ([...$terms, $point->dot($point)] as $j => $other) {
                    $rows[$i][$j] += $term * $other;
                }
            }
        }
        $solved = LinearSystem::solved($rows, 1e-10);
        $square = $solved === null ? 0.0 : $solved[2] + $solved[0] ** 2 + $solved[1] ** 2;
        if ($solved === null || $square <= 0.0) {
            throw new Degenerate('the points lie in a line, and no circle fits them');
        }

        return new Circle(new Vec($solved[0], $solved[1]), sqrt($square));
    }

    /**
     * @param  list<Vec>  $points
     * @return non-empty-list<float>|null
     */
    private static function step(array $points, Circle $circle, float $damping): ?array
    {
        $rows = [[0.0, 0.0, 0.0, 0.0], [0.0, 0.0, 0.0, 0.0], [0.0, 0.0, 0.0, 0.0]];
        foreach ($points as $point) {
            $way = $point->minus($circle->center);
            $distance = $way->length();
            if ($distance === 0.0) {
                continue;
            }
            $slopes = [$way->x / $distance, $way->y / $distance, 1.0];
            foreach ($slopes as $i => $slope) {
                foreach ([...$slopes, $distance - $circle->radius] as $j => $other) {
                    $rows[$i][$j] += $slope * $other;
                }
            }
        }
        for ($i = 0; $i < 3; $i++) {
            $rows[$i][$i] *= 1 + $damping;
        }

        return LinearSystem::solved($rows, 1e-14);
    }

    /** @param  list<Vec>  $points */
    private static function error(array $points, Circle $circle): float
    {
        return array_sum(array_map(static fn (Vec $point): float => $circle->distanceTo($point) ** 2, $points));
    }
}
