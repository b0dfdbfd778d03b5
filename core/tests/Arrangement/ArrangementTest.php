<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Arrangement;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Cycles;
use Sternbild\Core\Arrangement\Edges;
use Sternbild\Core\Arrangement\Runs;
use Sternbild\Core\Arrangement\Stops;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Tests\Geometry\RandomCurves;

final class ArrangementTest extends TestCase
{
    /** @param  list<Curve>  $curves */
    private static function of(array $curves): Arrangement
    {
        return Arrangement::of($curves, Tolerance::ofSheet(800));
    }

    /** @return list<int> */
    private static function faces(Arrangement $arrangement): array
    {
        return $arrangement->faceCount() === 0 ? [] : range(0, $arrangement->faceCount() - 1);
    }

    private static function circle(float $x, float $y, float $radius): Arc
    {
        return Arc::fullCircle(new Circle(new Vec($x, $y), $radius));
    }

    /** @return list<Line> all sides and diagonals */
    private static function diagonals(int $n): array
    {
        $corners = array_map(
            static fn (int $k): Vec => new Vec(400 + 300 * cos((2 * M_PI * $k) / $n), 400 + 300 * sin((2 * M_PI * $k) / $n)),
            range(0, $n - 1),
        );
        $lines = [];
        for ($i = 0; $i < $n; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                $lines[] = new Line($corners[$i], $corners[$j]);
            }
        }

        return $lines;
    }

    /** @return iterable<string, array{list<Curve>}> with ends on a lattice, circles around one centre and curves drawn twice among them */
    public static function drawings(): iterable
    {
        foreach (['lr' => 60, 'lacr' => 160, 'cr' => 30, 'lacbr' => 24] as $sorts => $count) {
            for ($seed = 1; $seed <= $count; $seed++) {
                yield "$sorts $seed" => [RandomCurves::draw($seed, 3 + $seed % 12, $sorts)];
            }
        }
    }

    /** @param  list<Curve>  $curves */
    #[DataProvider('drawings')]
    public function test_eulers_relation_holds_and_areas_add_up(array $curves): void
    {
        // Before anything is taken more widely: what meets exactly is cut right within the tolerance itself.
        $extent = array_reduce(
            $curves,
            static fn (?Bounds $all, Curve $curve): Bounds => $all?->with($curve->bounds()) ?? $curve->bounds(),
        );
        self::assertNotNull($extent);
        $furthest = max(abs($extent->left), abs($extent->top), abs($extent->right), abs($extent->bottom));
        $runs = Runs::of($curves, Tolerance::ofSheet(800)->reaching($furthest)->distance, $extent);
        $edges = Edges::of($runs, Stops::of($runs));
        $cycles = Cycles::of($edges, $runs);
        $faces = count($cycles->first) - $cycles->components;
        self::assertSame(1 + $cycles->components, count($edges->x) - count($edges->from) + $faces + 1);

        $arrangement = self::of($curves);
        self::assertSame([$faces, count($edges->from)], [$arrangement->faceCount(), $arrangement->edgeCount()]);
        $all = self::faces($arrangement);
        $sum = 0.0;
        foreach ($all as $face) {
            // Curves of huge circles reach further than the sheet, and their areas are good to so many digits.
            self::assertEqualsWithDelta(
                self::area($arrangement->boundary([$face])),
                $arrangement->area($face),
                1e-3 + 1e-9 * $arrangement->area($face),
            );
            $sum += $arrangement->area($face);
        }
        self::assertEqualsWithDelta(self::area($arrangement->boundary($all)), $sum, 1e-2 + 1e-9 * $sum);
    }

    /** @param  list<Curve>  $curves */
    #[DataProvider('drawings')]
    public function test_in_any_order_it_is_the_same_to_the_last_bit(array $curves): void
    {
        $other = $curves;
        mt_srand(99);
        shuffle($other);
        self::assertSame(serialize(self::of($curves)->mesh()), serialize(self::of($other)->mesh()));
    }

    /** @param  list<Curve>  $curves */
    #[DataProvider('drawings')]
    public function test_turned_by_an_odd_angle_it_has_the_same_faces(array $curves): void
    {
        $turn = Affine::turn(23.7, new Vec(311, 402));
        $turned = array_map(static fn (Curve $curve): Curve => $curve->mapped($turn)[0], $curves);
        $here = self::of($curves);
        $there = self::of($turned);
        self::assertSame(
            [$here->faceCount(), $here->edgeCount(), $here->pointCount()],
            [$there->faceCount(), $there->edgeCount(), $there->pointCount()],
        );
        $areas = static function (Arrangement $arrangement): array {
            $areas = array_map($arrangement->area(...), self::faces($arrangement));
            sort($areas);

            return $areas;
        };
        self::assertEqualsWithDelta($areas($here), $areas($there), 1e-3);
    }

    /** @param  list<Curve>  $curves */
    #[DataProvider('drawings')]
    public function test_every_face_is_found_again_by_a_place_inside_it(array $curves): void
    {
        $arrangement = self::of($curves);
        for ($face = 0; $face < $arrangement->faceCount(); $face++) {
            if ($arrangement->area($face) > 1e-6) {
                $place = $arrangement->placeInside($face);
                self::assertTrue($arrangement->encloses($face, $place));
                self::assertSame($face, $arrangement->faceAt($place));
            }
        }
        self::assertNull($arrangement->faceAt(new Vec(1e9, 1e9)));
    }

    public function test_hairline_overlaps_are_cut_into_what_a_plane_can_hold(): void
    {
        // Curves on a lattice, each moved aside by nothing, by less than the tolerance, by just about it, or by a little more.
        $hairs = [0.0, 0.0, 1e-11, 4e-10, 8e-10, 2e-9, 1e-8, 1e-6];
        $found = 0;
        for ($seed = 1; $seed <= 150; $seed++) {
            $curves = RandomCurves::draw($seed, 4 + $seed % 10, 'lacrr');
            mt_srand($seed);
            $moved = array_map(
                static fn (Curve $curve): Curve => $curve->mapped(
                    Affine::move(new Vec($hairs[mt_rand(0, 7)] * mt_rand(-2, 2), $hairs[mt_rand(0, 7)] * mt_rand(-2, 2))),
                )[0],
                $curves,
            );
            $arrangement = self::of($moved);
            self::assertSame(1 + $arrangement->componentCount(), $arrangement->eulerCharacteristic(), "seed $seed");
            $all = self::faces($arrangement);
            $sum = array_sum(array_map($arrangement->area(...), $all));
            self::assertEqualsWithDelta(self::area($arrangement->boundary($all)), $sum, 1e-2, "seed $seed");
            $found += $arrangement->faceCount();
        }
        self::assertGreaterThan(1000, $found);
    }

    /** @return iterable<array{int, int, int}> */
    public static function polygons(): iterable
    {
        // B. Poonen, M. Rubinstein, The Number of Intersection Points Made by the Diagonals of a Regular Polygon, SIAM J. Discrete Math. 11
        // (1998); OEIS A007678 regions, A006561 interior crossings.
        yield from [
            [3, 1, 0],
            [4, 4, 1],
            [5, 11, 5],
            [6, 24, 13],
            [7, 50, 35],
            [8, 80, 49],
            [9, 154, 126],
            [10, 220, 161],
            [11, 375, 330],
            [12, 444, 301],
            [16, 1696, 1377],
            [20, 4500, 3841],
            [24, 9024, 7297],
        ];
    }

    #[DataProvider('polygons')]
    public function test_a_regular_polygon_with_its_diagonals_has_the_published_regions_and_crossings(
        int $n,
        int $regions,
        int $crossings,
    ): void {
        $arrangement = self::of(self::diagonals($n));
        self::assertSame($regions, $arrangement->faceCount());
        self::assertSame($crossings, $arrangement->pointCount() - $n);
        self::assertSame(2, $arrangement->eulerCharacteristic());
    }

    public function test_lines_in_general_position_make_the_published_number_of_regions(): void
    {
        // OEIS A000124: n(n + 1)/2 + 1 regions of the plane, of which 2n are unbounded; segments long enough leave the bounded ones.
        foreach ([2, 3, 5, 12, 30] as $n) {
            $lines = [];
            for ($k = 0; $k < $n; $k++) {
                $angle = M_PI * ($k + 0.3) / $n;
                $foot = new Vec(400 + (7 * $k ** 2 % 83) * cos($angle + M_PI_2), 400 + (7 * $k ** 2 % 83) * sin($angle + M_PI_2));
                $way = new Vec(1e5 * cos($angle), 1e5 * sin($angle));
                $lines[] = new Line($foot->minus($way), $foot->plus($way));
            }
            self::assertSame($n * ($n + 1) / 2 + 1 - 2 * $n, self::of($lines)->faceCount());
        }
    }

    public function test_circles_that_all_cross_make_the_published_number_of_regions(): void
    {
        // OEIS A014206: n² − n + 2 regions, the outside counted.
        foreach ([1, 2, 3, 7, 20] as $n) {
            $circles = array_map(
                static fn (int $k): Arc => self::circle(
                    400 + 20 * cos((2 * M_PI * $k) / $n + 0.1),
                    400 + 20 * sin((2 * M_PI * $k) / $n) + 3 * ($k % 3),
                    200 + ($k % 4),
                ),
                range(1, $n),
            );
            self::assertSame($n ** 2 - $n + 1, self::of($circles)->faceCount());
        }
    }

    public function test_seven_equal_circles_around_a_middle_one(): void
    {
        // Counted with an independent program: 24 bounded regions, 13 points, 36 arcs.
        $circles = [self::circle(400, 400, 100)];
        for ($k = 0; $k < 6; $k++) {
            $circles[] = self::circle(400 + 100 * cos($k * M_PI / 3), 400 + 100 * sin($k * M_PI / 3), 100);
        }
        $arrangement = self::of($circles);
        self::assertSame([24, 13, 36], [$arrangement->faceCount(), $arrangement->pointCount(), $arrangement->edgeCount()]);
    }

    public function test_three_hundred_lines_through_one_point_meet_there_once(): void
    {
        $lines = [];
        for ($k = 0; $k < 300; $k++) {
            $way = new Vec(350 * cos($k * M_PI / 300), 350 * sin($k * M_PI / 300));
            $center = new Vec(400.1, 399.7);
            $lines[] = new Line($center->minus($way), $center->plus($way));
        }
        $arrangement = self::of([...$lines, self::circle(400.1, 399.7, 200)]);
        self::assertSame([600, 1 + 600 + 600], [$arrangement->faceCount(), $arrangement->pointCount()]);
    }

    public function test_a_thousand_circles_around_one_centre_are_rings_within_rings(): void
    {
        $arrangement = self::of(array_map(static fn (int $k): Arc => self::circle(400, 400, $k * 0.3), range(1, 1000)));
        self::assertSame(
            [1000, 0, 1000, 1000],
            [$arrangement->faceCount(), $arrangement->pointCount(), $arrangement->edgeCount(), $arrangement->componentCount()],
        );
        $face = $arrangement->faceAt(new Vec(400 + 0.3 * 500.5, 400));
        self::assertNotNull($face);
        self::assertEqualsWithDelta(M_PI * 0.09 * (501 ** 2 - 500 ** 2), $arrangement->area($face), 1e-8);
    }

    public function test_circles_that_touch_in_one_point_stay_apart_but_for_it(): void
    {
        // Nested circles through one point, a chain of circles side by side, and their common tangents.
        $nested = self::of([
            self::circle(100, 0, 100),
            self::circle(60, 0, 60),
            self::circle(25, 0, 25),
            new Line(new Vec(0, -300), new Vec(0, 300)),
        ]);
        self::assertSame([3, 3], [$nested->faceCount(), $nested->pointCount()]);
        $chain = array_map(static fn (int $k): Arc => self::circle(50.0 * (2 * $k + 1), 50, 50), range(0, 9));
        $touched = self::of([...$chain, new Line(new Vec(0, 0), new Vec(1000, 0)), new Line(new Vec(0, 100), new Vec(1000, 100))]);
        // Ten discs, and above and below nine gussets between them.
        self::assertSame([28, 9 + 20 + 4], [$touched->faceCount(), $touched->pointCount()]);
    }

    public function test_curves_drawn_twice_count_once(): void
    {
        $square = [
            new Line(new Vec(0, 0), new Vec(100, 0)),
            new Line(new Vec(100, 0), new Vec(100, 100)),
            new Line(new Vec(100, 100), new Vec(0, 100)),
            new Line(new Vec(0, 100), new Vec(0, 0)),
        ];
        $long = new Line(new Vec(-50, 0), new Vec(80, 0));
        $arrangement = self::of([...$square, ...$square, $long, $long->reversed(), self::circle(50, 50, 50), self::circle(50, 50, 50)]);
        // The disc and four corners; the circle touches each side in the middle, and the long line ends at 80.
        self::assertSame([5, 4 + 4 + 2], [$arrangement->faceCount(), $arrangement->pointCount()]);
        $hair = self::of([...$square, new Line(new Vec(0, 1e-10), new Vec(100, -1e-10))]);
        self::assertSame([1, 4, 4], [$hair->faceCount(), $hair->pointCount(), $hair->edgeCount()]);
    }

    public function test_dangling_ends_and_loops_inside_belong_to_the_face_around_them(): void
    {
        $arrangement = self::of([
            self::circle(400, 400, 300),
            self::circle(400, 300, 50), self::circle(400, 300, 20),
            new Line(new Vec(100, 400), new Vec(250, 400)),
            new Line(new Vec(500, 500), new Vec(560, 540)),
        ]);
        self::assertSame([3, 4], [$arrangement->faceCount(), $arrangement->componentCount()]);
        $ring = $arrangement->faceAt(new Vec(400, 600));
        self::assertNotNull($ring);
        self::assertEqualsWithDelta(M_PI * (300 ** 2 - 50 ** 2), $arrangement->area($ring), 1e-6);
        $outlines = $arrangement->boundary([$ring]);
        self::assertCount(2, $outlines);
        self::assertCount(1, array_filter($outlines, static fn (Outline $outline): bool => $outline->isHole()));
        self::assertSame($ring, $arrangement->faceAt(new Vec(250, 400.001)));
        self::assertSame($ring, $arrangement->faceAt(new Vec(530, 519)));
    }

    public function test_nearly_parallel_lines_through_one_point_meet_there_and_nowhere_else(): void
    {
        // The ends are exact multiples of the ways from one point. Plain doubles find the crossing of the first two more than a thousandth
        // away from it, far outside the tolerance, and the third line would cross each of them elsewhere.
        $point = new Vec(6455996.7099609375, 6520455.576171875);
        $one = new Line(new Vec(5606487.0556640625, 5796448.53125), new Vec(6840157.2529296875, 6847862.025390625));
        $other = new Line(new Vec(6046093.248046875, 6171109.3173828125), new Vec(6677780.2255859375, 6709473.841796875));
        $third = new Line($point->minus(new Vec(-512, 1024)), $point->plus(new Vec(-512, 1024)));
        $way = $one->end()->minus($one->start());
        $way2 = $other->end()->minus($other->start());
        $plain = $one->pointAt($other->start()->minus($one->start())->cross($way2) / $way->cross($way2));
        self::assertGreaterThan(1e-3, $plain->distanceTo($point));

        $arrangement = self::of([$one, $other, $third]);
        self::assertSame(
            [0, 7, 6, 2],
            [$arrangement->faceCount(), $arrangement->pointCount(), $arrangement->edgeCount(), $arrangement->eulerCharacteristic()],
        );
    }

    public function test_large_coordinates_and_small_cells_keep_their_counts(): void
    {
        $lines = [];
        for ($k = 0; $k <= 20; $k++) {
            array_push(
                $lines,
                new Line(new Vec(1e7 - 0.02, 1e7 - 0.02 + $k * 1e-3), new Vec(1e7, 1e7 - 0.02 + $k * 1e-3)),
                new Line(new Vec(1e7 - 0.02 + $k * 1e-3, 1e7 - 0.02), new Vec(1e7 - 0.02 + $k * 1e-3, 1e7)),
            );
        }
        $arrangement = self::of($lines);
        self::assertSame([400, 441], [$arrangement->faceCount(), $arrangement->pointCount()]);
        $wide = self::of([
            new Line(new Vec(-1e7, -1e7), new Vec(1e7, 1e7)),
            new Line(new Vec(-1e7, 1e7), new Vec(1e7, -1e7)),
            self::circle(0, 0, 1e-3),
            self::circle(0, 0, 1e7),
        ]);
        self::assertSame([8, 9 + 4], [$wide->faceCount(), $wide->pointCount()]);
    }

    public function test_more_than_can_be_worked_with_is_refused_before_it_is_worked_out(): void
    {
        $lines = [];
        for ($k = 0; $k < 2500; $k++) {
            array_push(
                $lines,
                new Line(new Vec(0, $k * 0.3), new Vec(800, $k * 0.3 + 0.1)),
                new Line(new Vec($k * 0.3, 0), new Vec($k * 0.3 + 0.1, 800)),
            );
        }
        $this->expectException(Unworkable::class);
        $this->expectExceptionMessage('1,500,000');
        self::of($lines);
    }

    public function test_curves_beyond_all_numbers_are_refused(): void
    {
        foreach ([NAN, INF] as $bad) {
            try {
                self::of([new Line(new Vec(0, 0), new Vec($bad, 1))]);
                self::fail('It was taken.');
            } catch (Unworkable $fault) {
                self::assertStringContainsString('beyond', $fault->getMessage());
            }
        }
        self::assertSame(0, self::of([new Line(new Vec(5, 5), new Vec(5, 5))])->faceCount());
        self::assertSame(0, self::of([])->faceCount());
    }

    public function test_a_cubic_that_crosses_itself_encloses_its_loop(): void
    {
        $loop = new Cubic(new Vec(0, 0), new Vec(300, 300), new Vec(-200, 300), new Vec(100, 0));
        $arrangement = self::of([$loop]);
        self::assertSame([1, 3, 3], [$arrangement->faceCount(), $arrangement->pointCount(), $arrangement->edgeCount()]);
    }

    /** @param  list<Outline>  $outlines */
    private static function area(array $outlines): float
    {
        return array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $outlines));
    }
}
