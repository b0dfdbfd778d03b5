<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Arrangement;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Points;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/** Faces that are tiny for where they lie, what is drawn within a few tolerances, and where edges come from. */
final class FineDrawingsTest extends TestCase
{
    public function test_a_tiny_polygon_has_its_area_and_is_found_by_a_place_in_it(): void
    {
        mt_srand(3);
        for ($round = 0; $round < 200; $round++) {
            $center = new Vec(mt_rand(100_000, 700_000) / 1000, mt_rand(100_000, 700_000) / 1000);
            $count = mt_rand(3, 9);
            $corners = array_map(
                static fn (int $k): Vec => $center->plus(Vec::heading(($k * 360) / $count + $round)->times(1e-7)),
                range(1, $count),
            );
            $sides = array_map(static fn (int $k): Line => new Line($corners[$k], $corners[($k + 1) % $count]), range(0, $count - 1));
            $arrangement = Arrangement::of([...$sides, new Line(new Vec(0, 0), new Vec(800, 1))], Tolerance::ofSheet(800));
            self::assertSame(1, $arrangement->faceCount());
            // Of a regular polygon n/2 · r² · sin(2π/n); the corners are rounded to about 1e-13.
            self::assertEqualsWithDelta(1.0, $arrangement->area(0) / ($count / 2 * 1e-14 * sin(2 * M_PI / $count)), 1e-5);
            self::assertSame(0, $arrangement->faceAt($center));
            self::assertTrue($arrangement->encloses(0, $arrangement->placeInside(0)));
        }
    }

    public function test_what_is_made_one_never_reaches_farther_than_twice_the_tolerance(): void
    {
        mt_srand(5);
        for ($round = 0; $round < 40; $round++) {
            $x = $y = [];
            for ($k = 0; $k < 200; $k++) {
                $x[] = $k * mt_rand(0, 900) / 1000;
                $y[] = mt_rand(0, 3000) / 1000;
            }
            [$mergedX, $mergedY, $number] = Points::merged($x, $y, 1.0);
            foreach ($number as $place => $vertex) {
                self::assertLessThanOrEqual(1.0, abs($x[$place] - $mergedX[$vertex]));
                self::assertLessThanOrEqual(1.0, abs($y[$place] - $mergedY[$vertex]));
            }
        }
    }

    public function test_four_hundred_lines_side_by_side_stay_as_wide_as_they_are(): void
    {
        $step = 2.5 * Tolerance::ofSheet(800)->distance;
        $lines = array_map(
            static fn (int $k): Line => new Line(new Vec(400 + $k * $step, 100), new Vec(400 + $k * $step, 700)),
            range(0, 400),
        );
        $arrangement = Arrangement::of($lines, Tolerance::ofSheet(800));
        $x = array_map(static fn (Vec $point): float => $point->x, $arrangement->points());
        sort($x);
        self::assertGreaterThan(400 * $step - 8 * $step, $x[count($x) - 1] - $x[0]);
    }

    public function test_an_edge_tells_of_which_curves_it_is_a_piece_and_which_way_they_run(): void
    {
        $curves = [
            new Line(new Vec(100, 100), new Vec(300, 100)),
            new Line(new Vec(400, 100), new Vec(200, 100)),
            Arc::fullCircle(new Circle(new Vec(250, 300), 50)),
            Arc::around(new Vec(250, 300), 50, new Vec(250, 350), new Vec(200, 300), false),
            new Cubic(new Vec(500, 100), new Vec(600, 100), new Vec(700, 200), new Vec(700, 300)),
        ];
        $arrangement = Arrangement::of($curves, Tolerance::ofSheet(800));
        $along = [];
        for ($edge = 0; $edge < $arrangement->edgeCount(); $edge++) {
            $along[] = implode(
                ' ',
                array_map(static fn (array $origin): string => ($origin[1] > 0 ? '+' : '-').$origin[0], $arrangement->origins($edge)),
            );
        }
        sort($along, SORT_STRING);
        // The first two overlap for a stretch, against one another; the arc runs three quarters of the circle, the other way.
        self::assertSame(['+0', '+0 -1', '+2', '+2 -3', '+4', '-1'], $along);
    }
}
