<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Guide;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\CircleFit;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\TouchingCircles;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\TouchingGuide;

final class CirclesTest extends TestCase
{
    private static function circle(float $x, float $y, float $radius): Arc
    {
        return Arc::fullCircle(new Circle(new Vec($x, $y), $radius));
    }

    public function test_the_fitted_circle_is_that_of_the_published_example(): void
    {
        // W. Gander, G. Golub, R. Strebel, Least-Squares Fitting of Circles and Ellipses, BIT 34 (1994): six points, geometric fit with
        // centre (4.7398, 2.9835) and radius 4.7142 (recalled).
        $fit = CircleFit::to([new Vec(1, 7), new Vec(2, 6), new Vec(5, 8), new Vec(7, 7), new Vec(9, 5), new Vec(3, 7)]);
        self::assertEqualsWithDelta(4.7398, $fit->center->x, 1e-4);
        self::assertEqualsWithDelta(2.9835, $fit->center->y, 1e-4);
        self::assertEqualsWithDelta(4.7142, $fit->radius, 1e-4);
    }

    public function test_points_on_a_circle_give_that_circle_and_no_step_aside_is_better(): void
    {
        mt_srand(4);
        foreach ([[400.0, 300.0, 120.0], [1e6, -1e6, 3.0], [0.0, 0.0, 1e5]] as [$x, $y, $radius]) {
            $points = array_map(
                static fn (int $k): Vec => new Vec($x + $radius * cos($k * 0.31), $y + $radius * sin($k * 0.31)),
                range(1, 9),
            );
            $fit = CircleFit::to($points);
            self::assertEqualsWithDelta($radius, $fit->radius, 1e-9 * max($radius, abs($x)));
            $noisy = array_map(
                static fn (Vec $point): Vec => $point->plus(
                    new Vec((mt_rand(-100, 100) / 2000) * $radius, (mt_rand(-100, 100) / 2000) * $radius),
                ),
                $points,
            );
            $best = CircleFit::to($noisy);
            $error = static fn (Circle $circle): float => array_sum(
                array_map(static fn (Vec $point): float => $circle->distanceTo($point) ** 2, $noisy),
            );
            foreach ([[1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, -1, 0], [0, 0, 1], [0, 0, -1]] as [$dx, $dy, $dr]) {
                $aside = new Circle(
                    $best->center->plus(new Vec($dx * $radius * 1e-3, $dy * $radius * 1e-3)),
                    $best->radius + $dr * $radius * 1e-3,
                );
                self::assertGreaterThan($error($best), $error($aside));
            }
        }
    }

    public function test_circles_that_do_not_exist_say_why(): void
    {
        foreach (
            [
                static fn () => Circle::through(new Vec(0, 0), new Vec(1, 1), new Vec(2, 2)),
                static fn () => Circle::through(new Vec(0, 0), new Vec(0, 0), new Vec(2, 3)),
                static fn () => CircleFit::to([new Vec(0, 0), new Vec(1, 2), new Vec(2, 4), new Vec(3, 6)]),
                static fn () => CircleFit::to([new Vec(5, 5), new Vec(5, 5), new Vec(5, 5)]),
                static fn () => TouchingGuide::find(
                    [
                        new Line(new Vec(0, 0), new Vec(9, 0)),
                        new Line(new Vec(0, 5), new Vec(9, 5)),
                        new Line(new Vec(0, 7), new Vec(9, 7)),
                    ],
                    null,
                    new Vec(0, 0),
                ),
                static fn () => TouchingGuide::find([self::circle(0, 0, 1), self::circle(100, 0, 1)], 5.0, new Vec(0, 0)),
                static fn () => TouchingGuide::find(
                    [self::circle(0, 0, 1), self::circle(9, 0, 1), self::circle(0, 9, 1)],
                    5.0,
                    new Vec(0, 0),
                ),
            ] as $number => $make
        ) {
            try {
                $make();
                self::fail("Number $number was made.");
            } catch (Degenerate $fault) {
                self::assertGreaterThan(20, strlen($fault->getMessage()));
            }
        }
    }

    public function test_descartes_theorem_holds_for_the_circles_between_three_that_touch(): void
    {
        // Four mutually tangent circles: (k₁ + k₂ + k₃ + k₄)² = 2(k₁² + k₂² + k₃² + k₄²), the outer one's curvature negative.
        foreach ([[1.0, 1.0, 1.0], [1.0, 2.0, 3.0], [40.0, 25.0, 90.0]] as [$r, $s, $t]) {
            // Centres at the corners of the triangle with the sides r + s, r + t, s + t.
            [$a, $b, $c] = [$r + $s, $r + $t, $s + $t];
            $x = ($a ** 2 + $b ** 2 - $c ** 2) / (2 * $a);
            $three = [self::circle(0, 0, $r), self::circle($a, 0, $s), self::circle($x, sqrt($b ** 2 - $x ** 2), $t)];
            $inner = TouchingGuide::find($three, null, new Vec($a / 3 + $x / 3, sqrt($b ** 2 - $x ** 2) / 3));
            $k = [1 / $r, 1 / $s, 1 / $t, 1 / $inner->radius];
            self::assertEqualsWithDelta(
                2 * array_sum(array_map(static fn (float $one): float => $one ** 2, $k)),
                array_sum($k) ** 2,
                1e-9 * array_sum($k) ** 2,
            );
            $root = 2 * sqrt($k[0] * $k[1] + $k[1] * $k[2] + $k[2] * $k[0]);
            $outer = 1 / abs($k[0] + $k[1] + $k[2] - $root);
            $radii = array_map(static fn (Circle $circle): float => $circle->radius, TouchingCircles::all($three, null));
            self::assertEqualsWithDelta(
                0.0,
                min([INF, ...array_map(static fn (float $radius): float => abs($radius - $outer), $radii)]),
                1e-9 * $outer,
            );
        }
    }

    public function test_three_circles_apart_are_touched_by_the_eight_circles_of_apollonius(): void
    {
        $three = [self::circle(100, 100, 30), self::circle(400, 130, 60), self::circle(220, 380, 45)];
        $found = TouchingCircles::all($three, null);
        self::assertCount(8, $found);
        $this->assertTouch($found, $three);
        // Each touches another selection of the three from inside.
        $inside = array_map(static fn (Circle $circle): string => implode('', array_map(
            static fn (Arc $one): string => $circle->center->distanceTo($one->center()) < $circle->radius ? 'i' : 'o',
            $three,
        )), $found);
        self::assertCount(8, array_unique($inside));
    }

    public function test_three_lines_are_touched_by_the_incircle_and_the_three_excircles(): void
    {
        // Inradius A/s and exradii A/(s − a) (handbook formulas) of the triangle 3, 4, 5.
        $lines = [new Line(new Vec(0, 0), new Vec(4, 0)), new Line(new Vec(0, 0), new Vec(0, 3)), new Line(new Vec(4, 0), new Vec(0, 3))];
        $radii = array_map(static fn (Circle $circle): float => round($circle->radius, 9), TouchingCircles::all($lines, null));
        sort($radii);
        self::assertSame([1.0, 2.0, 3.0, 6.0], $radii);
        self::assertEqualsWithDelta(1.0, TouchingGuide::find($lines, null, new Vec(1, 1))->radius, 1e-12);
    }

    public function test_two_guides_and_a_radius_leave_the_side_to_the_place(): void
    {
        $lines = [new Line(new Vec(0, 0), new Vec(800, 0)), new Line(new Vec(0, 0), new Vec(0, 800))];
        self::assertCount(4, TouchingCircles::all($lines, 50.0));
        foreach ([[60, 40], [700, 10]] as [$x, $y]) {
            $circle = TouchingGuide::find($lines, 50.0, new Vec($x, $y));
            self::assertEqualsWithDelta([50.0, 50.0], [$circle->center->x, $circle->center->y], 1e-9);
        }
        $mixed = [new Line(new Vec(0, 500), new Vec(800, 500)), self::circle(400, 300, 100)];
        $all = TouchingCircles::all($mixed, 50.0);
        $this->assertTouch($all, $mixed);
        // Between the line and the circle there is a gap of twice the radius: two outside, and one right below.
        self::assertCount(
            1,
            array_filter(
                $all,
                static fn (Circle $circle): bool => abs($circle->center->x - 400) < 1e-6 &&
                    $circle->center->y < 500 &&
                    $circle->center->y > 400,
            ),
        );
    }

    public function test_one_guide_is_touched_around_the_place_or_with_the_radius_near_it(): void
    {
        $line = new Line(new Vec(0, 100), new Vec(800, 100));
        self::assertEqualsWithDelta(150.0, TouchingGuide::find([$line], null, new Vec(300, 250))->radius, 1e-12);
        $below = TouchingGuide::find([$line], 40.0, new Vec(300, 900));
        self::assertEqualsWithDelta([300.0, 140.0], [$below->center->x, $below->center->y], 1e-9);
        $inside = TouchingGuide::find([self::circle(400, 400, 200)], 50.0, new Vec(400, 310));
        self::assertEqualsWithDelta([400.0, 250.0], [$inside->center->x, $inside->center->y], 1e-9);
    }

    /**
     * @param  list<Circle>  $circles
     * @param  list<Curve>  $guides
     */
    private function assertTouch(array $circles, array $guides): void
    {
        self::assertNotSame([], $circles);
        foreach ($circles as $circle) {
            foreach ($guides as $guide) {
                $contact = TouchingCircles::contact($circle, $guide);
                self::assertEqualsWithDelta($circle->radius, $contact->distanceTo($circle->center), 1e-9);
                self::assertLessThan(
                    1e-8,
                    $guide instanceof Arc
                        ? $guide->circle()->distanceTo($contact)
                        : $guide->pointAt($guide->nearest($contact))->distanceTo($contact),
                );
            }
        }
    }

    public function test_between_circles_around_one_centre_a_radius_that_fits_everywhere_is_put_nearest_to_the_place(): void
    {
        $rings = [Arc::fullCircle(new Circle(new Vec(400, 400), 100)), Arc::fullCircle(new Circle(new Vec(400, 400), 40))];
        $right = TouchingGuide::find($rings, 30, new Vec(900, 400));
        self::assertEqualsWithDelta([470.0, 400.0], [$right->center->x, $right->center->y], 1e-9);
        // From the middle all are equally near; the one straight up is taken.
        $up = TouchingGuide::find($rings, 30, new Vec(400, 400));
        self::assertEqualsWithDelta([400.0, 330.0], [$up->center->x, $up->center->y], 1e-9);
        // With radius 70 it lies around the smaller one, inside the larger.
        $around = TouchingGuide::find($rings, 70, new Vec(400, 0));
        self::assertEqualsWithDelta([400.0, 370.0], [$around->center->x, $around->center->y], 1e-9);
    }

    public function test_between_parallel_lines_half_their_distance_fits_everywhere(): void
    {
        $lines = [new Line(new Vec(0, 100), new Vec(800, 100)), new Line(new Vec(700, 200), new Vec(100, 200))];
        $circle = TouchingGuide::find($lines, 50, new Vec(330, 20));
        self::assertEqualsWithDelta([330.0, 150.0], [$circle->center->x, $circle->center->y], 1e-9);
        $this->expectExceptionMessage('no circle of this radius touches both guides');
        TouchingGuide::find($lines, 49, new Vec(330, 20));
    }
}
