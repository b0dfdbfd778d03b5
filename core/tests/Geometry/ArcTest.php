<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Geometry;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

final class ArcTest extends TestCase
{
    public function test_a_full_circle_has_the_area_and_length_of_a_circle(): void
    {
        $start = new Vec(130, 40);
        $circle = new Outline([Arc::around(new Vec(100, 40), 30, $start, $start, true)]);

        self::assertEqualsWithDelta(M_PI * 900, $circle->area(), 1e-9);
        self::assertEqualsWithDelta(2 * M_PI * 30, $circle->perimeter(), 1e-9);
        self::assertSame(
            [70.0, 10.0, 130.0, 70.0],
            array_map(static fn (float $side): float => round($side, 9), $circle->bounds()->toArray()),
        );
        self::assertSame(0, $circle->nodes());
    }

    public function test_a_half_disc_has_its_centroid_at_four_thirds_of_the_radius_over_pi(): void
    {
        // Centroid of a half disc: 4r/3π from the centre (handbook formula).
        $half = new Outline([
            Arc::around(new Vec(0, 0), 6, new Vec(-6, 0), new Vec(6, 0), true),
            new Line(new Vec(6, 0), new Vec(-6, 0)),
        ]);
        self::assertEqualsWithDelta(0.0, $half->centroid()->x, 1e-12);
        self::assertEqualsWithDelta(-4 * 6 / (3 * M_PI), $half->centroid()->y, 1e-12);
    }

    public function test_area_does_not_depend_on_where_the_outline_lies(): void
    {
        $at = static fn (float $x, float $y): Outline => new Outline([
            Arc::around(new Vec($x, $y), 0.5, new Vec($x - 0.5, $y), new Vec($x + 0.5, $y), true),
            new Line(new Vec($x + 0.5, $y), new Vec($x - 0.5, $y)),
        ]);
        self::assertEqualsWithDelta($at(0, 0)->area(), $at(1e6, -1e6)->area(), 1e-9);
    }

    public function test_the_bounds_hold_every_point_and_are_no_larger(): void
    {
        mt_srand(5);
        for ($k = 0; $k < 200; $k++) {
            $from = mt_rand(0, 3600) / 10;
            $center = new Vec(mt_rand(-50, 50), mt_rand(-50, 50));
            $arc = Arc::around(
                $center,
                20,
                $center->plus(Vec::heading($from)->times(20)),
                $center->plus(Vec::heading($from + mt_rand(10, 3590) / 10)->times(20)),
                mt_rand(0, 1) === 1,
            );
            [$left, $top, $right, $bottom] = $arc->bounds()->toArray();
            $xs = $ys = [];
            for ($step = 0; $step <= 720; $step++) {
                $point = $arc->pointAt($step / 720);
                $xs[] = $point->x;
                $ys[] = $point->y;
            }
            self::assertEqualsWithDelta(min($xs), $left, 1e-3);
            self::assertEqualsWithDelta(max($xs), $right, 1e-3);
            self::assertEqualsWithDelta(min($ys), $top, 1e-3);
            self::assertEqualsWithDelta(max($ys), $bottom, 1e-3);
        }
    }

    public function test_turning_n_times_by_a_full_turn_over_n_is_the_identity(): void
    {
        foreach ([3, 7, 10, 12, 97] as $n) {
            $about = new Vec(400, 300);
            $map = Affine::identity();
            for ($k = 0; $k < $n; $k++) {
                $map = $map->then(Affine::turn(360 / $n, $about));
            }
            $point = $map->apply(new Vec(123, 456));
            self::assertEqualsWithDelta(123, $point->x, 1e-9);
            self::assertEqualsWithDelta(456, $point->y, 1e-9);
        }
    }

    public function test_a_mirror_keeps_pieces_pieces(): void
    {
        $quarter = new Outline([
            new Line(new Vec(0, 0), new Vec(0, -5)),
            Arc::around(new Vec(0, 0), 5, new Vec(0, -5), new Vec(5, 0), true),
            new Line(new Vec(5, 0), new Vec(0, 0)),
        ]);
        $image = $quarter->mapped(Affine::mirrorUpright(new Vec(10, 0)));
        self::assertEqualsWithDelta($quarter->area(), $image->area(), 1e-12);
        self::assertSame(
            [15.0, -5.0, 20.0, 0.0],
            array_map(static fn (float $side): float => round($side, 9) + 0.0, $image->bounds()->toArray()),
        );
        $again = $image->mapped(Affine::mirrorUpright(new Vec(10, 0)));
        self::assertEqualsWithDelta($quarter->centroid()->x, $again->centroid()->x, 1e-12);
    }
}
