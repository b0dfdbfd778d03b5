<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Geometry;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/** What holds for every curve, whichever sort it is. */
final class CurvesTest extends TestCase
{
    private const SAMPLES = 400;

    /** @return iterable<string, array{Curve}> */
    public static function curves(): iterable
    {
        foreach (['l' => 'line', 'a' => 'arc', 'c' => 'circle', 'b' => 'cubic'] as $sort => $name) {
            foreach (RandomCurves::draw(7, 8, $sort) as $number => $curve) {
                if ($curve->length() > 1.0) {
                    yield "$name $number" => [$curve];
                }
            }
        }
    }

    #[DataProvider('curves')]
    public function test_it_begins_and_ends_at_its_ends_and_runs_back_over_the_same_points(Curve $curve): void
    {
        self::assertEquals($curve->start(), $curve->pointAt(0.0));
        self::assertEquals($curve->end(), $curve->pointAt(1.0));
        foreach ([0.0, 0.2, 0.5, 0.9, 1.0] as $t) {
            self::assertLessThan(1e-9 * $curve->length(), $curve->reversed()->pointAt(1 - $t)->distanceTo($curve->pointAt($t)));
            self::assertEqualsWithDelta(1.0, $curve->tangentAt($t)->length(), 1e-12);
            self::assertEqualsWithDelta(-1.0, $curve->tangentAt($t)->dot($curve->reversed()->tangentAt(1 - $t)), 1e-9);
        }
    }

    #[DataProvider('curves')]
    public function test_both_parts_of_a_split_share_a_point_and_add_up(Curve $curve): void
    {
        $apex = new Vec(123, 77);
        foreach ([0.13, 0.5, 0.81] as $t) {
            [$left, $right] = $curve->split($t);
            self::assertEquals($left->end(), $right->start());
            self::assertEquals($curve->start(), $left->start());
            self::assertEquals($curve->end(), $right->end());
            self::assertEqualsWithDelta($curve->length(), $left->length() + $right->length(), 1e-8 * $curve->length());
            self::assertEqualsWithDelta(
                $curve->areaSeenFrom($apex),
                $left->areaSeenFrom($apex) + $right->areaSeenFrom($apex),
                1e-7 * $curve->length() ** 2,
            );
            self::assertLessThan(1e-9 * $curve->length(), $left->pointAt(0.5)->distanceTo($curve->pointAt($t / 2)));
        }
    }

    #[DataProvider('curves')]
    public function test_length_area_and_bounds_are_those_of_many_short_chords(Curve $curve): void
    {
        $chords = 0.0;
        $area = 0.0;
        $apex = new Vec(-40, 311);
        $bounds = $curve->bounds();
        for ($k = 1; $k <= self::SAMPLES; $k++) {
            $chord = new Line($curve->pointAt(($k - 1) / self::SAMPLES), $curve->pointAt($k / self::SAMPLES));
            $chords += $chord->length();
            $area += $chord->areaSeenFrom($apex);
            self::assertTrue($bounds->meets($chord->bounds(), 1e-9 * $curve->length()));
            self::assertGreaterThanOrEqual($bounds->left - 1e-9 * $curve->length(), $chord->end()->x);
            self::assertLessThanOrEqual($bounds->bottom + 1e-9 * $curve->length(), $chord->end()->y);
        }
        self::assertEqualsWithDelta($curve->length(), $chords, 1e-3 * $curve->length());
        self::assertLessThanOrEqual($curve->length() * (1 + 1e-9), $chords);
        self::assertEqualsWithDelta($curve->areaSeenFrom($apex), $area, 1e-4 * max($curve->length(), 800.0) ** 2);
    }

    #[DataProvider('curves')]
    public function test_no_sampled_point_is_nearer_than_the_nearest(Curve $curve): void
    {
        foreach ([new Vec(400, 400), new Vec(-30, 10), $curve->pointAt(0.37), new Vec(801, 3)] as $place) {
            $least = $curve->pointAt($curve->nearest($place))->distanceTo($place);
            for ($k = 0; $k <= self::SAMPLES; $k++) {
                self::assertLessThanOrEqual($curve->pointAt($k / self::SAMPLES)->distanceTo($place) + 1e-9 * $curve->length(), $least);
            }
        }
    }

    #[DataProvider('curves')]
    public function test_a_stretched_curve_lies_on_the_stretched_points_within_a_ten_thousandth(Curve $curve): void
    {
        $map = Affine::scaling(2.5, 0.4, new Vec(100, 50))->then(Affine::turn(31, new Vec(0, 0)));
        $larger = $curve instanceof Arc ? 2.5 * $curve->radius() : 2.5 * $curve->length();
        $pieces = $curve->mapped($map);
        self::assertEquals($map->apply($curve->start()), $pieces[0]->start());
        self::assertEquals($map->apply($curve->end()), $pieces[count($pieces) - 1]->end());
        for ($k = 0; $k <= 60; $k++) {
            $wanted = $map->apply($curve->pointAt($k / 60));
            $off = min(
                array_map(static fn (Curve $piece): float => $piece->pointAt($piece->nearest($wanted))->distanceTo($wanted), $pieces),
            );
            self::assertLessThan(1e-4 * $larger, $off);
        }
        self::assertInstanceOf($curve instanceof Line ? Line::class : Cubic::class, $pieces[0]);
    }

    public function test_under_a_turn_and_an_even_scaling_arcs_stay_arcs(): void
    {
        $arc = Arc::through(new Vec(0, 0), new Vec(10, 3), new Vec(12, 14));
        $image = $arc->mapped(Affine::turn(77, new Vec(3, 4))->then(Affine::scaling(3, 3, new Vec(1, 1))));
        self::assertCount(1, $image);
        self::assertInstanceOf(Arc::class, $image[0]);
        self::assertEqualsWithDelta(3 * $arc->length(), $image[0]->length(), 1e-9);
    }

    public function test_a_quarter_circle_as_one_cubic_errs_by_as_much_as_the_handbooks_say(): void
    {
        // Handle 0.5522847498·r, largest radial error 2.73e-4·r (recalled).
        $handle = 0.5522847498;
        $quarter = new Cubic(new Vec(1, 0), new Vec(1, $handle), new Vec($handle, 1), new Vec(0, 1));
        $worst = 0.0;
        for ($k = 0; $k <= 1000; $k++) {
            $worst = max($worst, abs($quarter->pointAt($k / 1000)->length() - 1));
        }
        self::assertEqualsWithDelta(2.73e-4, $worst, 1e-6);
    }

    public function test_a_cubic_that_closes_has_the_centroid_of_its_flattened_outline(): void
    {
        $loop = new Cubic(new Vec(10, 10), new Vec(90, -30), new Vec(110, 90), new Vec(30, 60));
        $outline = new Outline([$loop, new Line($loop->end(), $loop->start())]);
        $corners = array_map(static fn (int $k): Vec => $loop->pointAt($k / 2000), range(0, 2000));
        $chords = [];
        foreach ($corners as $k => $corner) {
            $chords[] = new Line($corner, $corners[($k + 1) % 2001]);
        }
        $flat = new Outline($chords);
        self::assertEqualsWithDelta($flat->area(), $outline->area(), 1e-2);
        self::assertLessThan(1e-3, $flat->centroid()->distanceTo($outline->centroid()));
    }

    public function test_a_circle_through_three_points_has_the_radius_of_chord_and_sagitta(): void
    {
        // r = h/2 + c²/(8h) from chord c and sagitta h (handbook formula).
        foreach ([[100.0, 3.0], [40.0, 20.0], [10.0, 19.0], [800.0, 0.05]] as [$chord, $sagitta]) {
            $circle = Circle::through(new Vec(0, 0), new Vec($chord / 2, -$sagitta), new Vec($chord, 0));
            self::assertEqualsWithDelta($sagitta / 2 + $chord ** 2 / (8 * $sagitta), $circle->radius, 1e-9 * $circle->radius);
        }
    }

    public function test_the_area_of_an_almost_straight_arc_keeps_its_digits(): void
    {
        // A circular segment of chord c and small sagitta h has the area 2/3·c·h·(1 + (h/c)²·4/5 …) (handbook formula).
        $arc = Arc::through(new Vec(0, 0), new Vec(50, -1e-4), new Vec(100, 0));
        self::assertEqualsWithDelta(2 / 3 * 100 * 1e-4, abs($arc->areaSeenFrom(new Vec(0, 0))), 1e-11);
    }
}
