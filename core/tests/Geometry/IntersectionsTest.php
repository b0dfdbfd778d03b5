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
use Sternbild\Core\Geometry\Exact;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Meeting;
use Sternbild\Core\Geometry\ShortestWay;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

final class IntersectionsTest extends TestCase
{
    private const SAMPLES = 180;

    /** @return iterable<string, array{Curve, Curve}> */
    public static function pairs(): iterable
    {
        foreach (['ll', 'la', 'aa', 'ac', 'lb', 'ab', 'cb', 'bb'] as $sorts) {
            for ($seed = 1; $seed <= 6; $seed++) {
                [$one] = RandomCurves::draw($seed, 1, $sorts[0]);
                [$other] = RandomCurves::draw(1000 + $seed, 1, $sorts[1]);
                if ($one->length() > 1.0 && $other->length() > 1.0) {
                    yield "$sorts $seed" => [$one, $other];
                }
            }
        }
    }

    #[DataProvider('pairs')]
    public function test_every_meeting_lies_on_both_curves_where_it_says(Curve $one, Curve $other): void
    {
        $tolerance = Tolerance::ofSheet(800);
        $off = 0.0;
        foreach (Intersections::find($one, $other, $tolerance) as $meeting) {
            $off = max($off, $one->pointAt($meeting->s)->distanceTo($meeting->at), $other->pointAt($meeting->t)->distanceTo($meeting->at));
        }
        self::assertLessThan(1e-7, $off);
    }

    #[DataProvider('pairs')]
    public function test_from_either_side_they_meet_at_the_same_places(Curve $one, Curve $other): void
    {
        $tolerance = Tolerance::ofSheet(800);
        $here = Intersections::find($one, $other, $tolerance);
        $there = Intersections::find($other, $one, $tolerance);
        self::assertCount(count($here), $there);
        foreach ($here as $meeting) {
            self::assertLessThan(
                1e-7,
                min([INF, ...array_map(static fn (Meeting $same): float => $same->at->distanceTo($meeting->at), $there)]),
            );
        }
    }

    public function test_cubics_a_hair_apart_do_not_meet_more_often_than_cubics_can(): void
    {
        // Nine crossings by Bézout's theorem, one more that shows they run along one another, and the four ends.
        $most = $found = 0;
        for ($seed = 1; $seed <= 8; $seed++) {
            [$one] = RandomCurves::draw($seed, 1, 'b');
            foreach ([4e-10, 8e-10, 1.6e-9, 4e-9] as $hair) {
                [$other] = $one->mapped(Affine::move(new Vec($hair, -$hair)));
                $meetings = count(Intersections::find($one, $other, Tolerance::ofSheet(800)));
                $most = max($most, $meetings);
                $found += $meetings;
            }
        }
        self::assertGreaterThan(0, $found);
        self::assertLessThanOrEqual(14, $most);
    }

    #[DataProvider('pairs')]
    public function test_no_crossing_of_short_chords_is_missed(Curve $one, Curve $other): void
    {
        $meetings = Intersections::find($one, $other, Tolerance::ofSheet(800));
        $missed = [];
        $ours = self::chords($one);
        $theirs = self::chords($other);
        foreach ($ours as [$a, $b]) {
            foreach ($theirs as [$c, $d]) {
                if (
                    max($a->x, $b->x) < min($c->x, $d->x) ||
                    max($c->x, $d->x) < min($a->x, $b->x) ||
                    max($a->y, $b->y) < min($c->y, $d->y) ||
                    max($c->y, $d->y) < min($a->y, $b->y)
                ) {
                    continue;
                }
                if (Exact::side($a, $b, $c) * Exact::side($a, $b, $d) < 0 && Exact::side($c, $d, $a) * Exact::side($c, $d, $b) < 0) {
                    $reach = 2 * ($a->distanceTo($b) + $c->distanceTo($d));
                    $near = array_filter($meetings, static fn (Meeting $meeting): bool => $meeting->at->distanceTo($a) <= $reach);
                    // Chords of curves that nearly touch may cross where the curves do not.
                    if ($near === [] && ShortestWay::between($one, $other, Tolerance::ofSheet(800))->distance > 1e-3) {
                        continue;
                    }
                    if ($near === []) {
                        $missed[] = [$a->x, $a->y];
                    }
                }
            }
        }
        self::assertSame([], $missed);
    }

    public function test_a_line_that_grazes_a_circle_touches_it_once(): void
    {
        $circle = Arc::fullCircle(new Circle(new Vec(400, 400), 120));
        foreach ([0.0, 13.0, 45.0, 222.2] as $turn) {
            $line = new Line(new Vec(100, 280), new Vec(700, 280));
            $meetings = Intersections::find(
                $circle->mapped(Affine::turn($turn, new Vec(31, 12)))[0],
                $line->mapped(Affine::turn($turn, new Vec(31, 12)))[0],
                Tolerance::ofSheet(800),
            );
            self::assertCount(1, $meetings);
            self::assertTrue($meetings[0]->tangent);
        }
    }

    public function test_circles_touch_from_outside_and_inside_once(): void
    {
        foreach ([[300.0, 100.0, 200.0], [100.0, 300.0, 200.0], [33.3, 71.9, 105.2], [105.2, 33.3, 71.9]] as [$radius, $other, $distance]) {
            $meetings = Intersections::find(
                Arc::fullCircle(new Circle(new Vec(400, 400), $radius)),
                Arc::fullCircle(new Circle(new Vec(400 + $distance * 0.6, 400 + $distance * 0.8), $other)),
                Tolerance::ofSheet(800),
            );
            self::assertCount(1, $meetings);
            self::assertTrue($meetings[0]->tangent);
        }
    }

    public function test_what_runs_along_one_another_meets_at_the_ends_of_what_it_shares(): void
    {
        $tolerance = Tolerance::ofSheet(800);
        $line = new Line(new Vec(0, 0), new Vec(600, 300));
        self::assertEqualsWithDelta(
            [0.25, 0.75],
            array_map(static fn (Meeting $meeting): float => $meeting->s, Intersections::find($line, $line->part(0.25, 0.75), $tolerance)),
            1e-12,
        );
        $arc = Arc::through(new Vec(100, 100), new Vec(300, 50), new Vec(350, 300));
        self::assertEqualsWithDelta(
            [0.3, 1.0],
            array_map(
                static fn (Meeting $meeting): float => $meeting->s,
                Intersections::find($arc, $arc->part(0.3, 1.0)->reversed(), $tolerance),
            ),
            1e-9,
        );
        $cubic = new Cubic(new Vec(0, 0), new Vec(300, 500), new Vec(500, -200), new Vec(700, 300));
        self::assertEqualsWithDelta(
            [0.25, 0.75],
            array_map(
                static fn (Meeting $meeting): float => $meeting->s,
                Intersections::find($cubic, $cubic->part(0.25, 0.75), $tolerance),
            ),
            1e-9,
        );
        self::assertSame([], Intersections::find($line, new Line(new Vec(0, 1e-3), new Vec(600, 300.001)), $tolerance));
    }

    public function test_two_cubics_can_cross_nine_times(): void
    {
        // Nine is the most that Bézout's theorem allows two cubics.
        $flat = new Cubic(new Vec(0, 40), new Vec(250, 47), new Vec(-150, 53), new Vec(100, 60));
        $upright = new Cubic(new Vec(40, 0), new Vec(47, 250), new Vec(53, -150), new Vec(60, 100));
        self::assertCount(9, Intersections::find($flat, $upright, Tolerance::ofSheet(800)));
    }

    public function test_the_side_of_a_line_is_exact_where_plain_arithmetic_errs(): void
    {
        // The grid of neighbouring doubles of L. Kettner, K. Mehlhorn, S. Pion, S. Schirra, C. Yap, Classroom Examples of Robustness
        // Problems in Geometric Computations, Computational Geometry 40 (2008): (12, 12) and (24, 24) against points around (1/2, 1/2).
        $step = 2.0 ** -53;
        $plainErrs = 0;
        for ($i = 0; $i < 32; $i++) {
            for ($j = 0; $j < 32; $j++) {
                $place = new Vec(0.5 + $i * $step, 0.5 + $j * $step);
                // In units of the step the coordinates are whole where doubles hold them; the side is their difference.
                $true = ($place->y - 0.5) <=> ($place->x - 0.5);
                self::assertSame($true, Exact::side(new Vec(12, 12), new Vec(24, 24), $place) <=> 0.0);
                $plain = (12 - $place->x) * (24 - $place->y) - (12 - $place->y) * (24 - $place->x);
                $plainErrs += ($plain <=> 0.0) === $true ? 0 : 1;
            }
        }
        self::assertGreaterThan(0, $plainErrs);
    }

    public function test_circles_that_just_about_cross_do_so_where_they_should(): void
    {
        // Half the chord that two equal circles share is √(r² − d²/4); of the difference only a millionth is left.
        $radius = 250.0;
        foreach ([1e-3, 1e-5, 1e-7] as $short) {
            $distance = 2 * $radius - $short;
            $meetings = Intersections::find(
                Arc::fullCircle(new Circle(new Vec(100, 300), $radius)),
                Arc::fullCircle(new Circle(new Vec(100 + $distance, 300), $radius)),
                Tolerance::ofSheet(800),
            );
            self::assertCount(2, $meetings);
            $real = (100 + $distance) - 100;
            $half = sqrt((2 * $radius - $real) * (2 * $radius + $real)) / 2;
            self::assertEqualsWithDelta(2 * $half, $meetings[0]->at->distanceTo($meetings[1]->at), 1e-9);
        }
    }

    public function test_the_gap_between_curves_is_the_shortest_way(): void
    {
        $tolerance = Tolerance::ofSheet(800);
        $circle = Arc::fullCircle(new Circle(new Vec(300, 300), 100));
        self::assertEqualsWithDelta(
            50.0,
            ShortestWay::between($circle, new Line(new Vec(0, 450), new Vec(800, 450)), $tolerance)->distance,
            1e-9,
        );
        self::assertEqualsWithDelta(
            1e-6,
            ShortestWay::between($circle, Arc::fullCircle(new Circle(new Vec(550.000001, 300), 150)), $tolerance)->distance,
            1e-12,
        );
        self::assertSame(0.0, ShortestWay::between($circle, Arc::fullCircle(new Circle(new Vec(550, 300), 150)), $tolerance)->distance);
    }

    /** @return list<array{Vec, Vec}> */
    private static function chords(Curve $curve): array
    {
        $count = $curve instanceof Line ? 1 : self::SAMPLES;
        $chords = [];
        for ($k = 1; $k <= $count; $k++) {
            $chords[] = [$curve->pointAt(($k - 1) / $count), $curve->pointAt($k / $count)];
        }

        return $chords;
    }
}
