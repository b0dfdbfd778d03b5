<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Geometry;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\CubicMeetings;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Meeting;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

final class CubicMeetingsTest extends TestCase
{
    /** Handle of a quarter circle as one cubic (handbook value). */
    private const QUARTER = 0.5522847498;

    public function test_two_cubics_a_thousandth_apart_cross_twice(): void
    {
        $one = self::cubic(308.669, 287.425, 332.560, 643.094, 202.460, 555.905, 141.105, 406.805);
        $other = self::cubic(309.202, 287.517, 331.841, 642.913, 203.189, 555.226, 140.995, 406.688);
        self::assertCount(2, self::meetings($one, $other));
    }

    /** @return iterable<string, array{float}> */
    public static function nearness(): iterable
    {
        foreach ([1e-3, 1e-4, 1e-5, 1e-7, 1e-9] as $near) {
            yield sprintf('%g of the sheet', $near) => [$near];
        }
    }

    /** The distance of a curve from a neighbour is, to first order, the share of the shift that stands square to it. */
    #[DataProvider('nearness')]
    public function test_near_copies_cross_as_often_as_the_shift_changes_sides(float $near): void
    {
        mt_srand(7);
        $unlike = 0;
        for ($round = 0; $round < 150; $round++) {
            $points = array_map(static fn (): float => mt_rand(0, 800_000) / 1000, range(1, 8));
            $shift = array_map(static fn (): float => 800 * $near * mt_rand(-1000, 1000) / 1000, $points);
            $one = self::cubic(...$points);
            $by = self::cubic(...$shift);
            $other = self::cubic(...array_map(static fn (float $a, float $b): float => $a + $b, $points, $shift));
            $sides = 0;
            $last = 0.0;
            for ($k = 0; $k <= 2000; $k++) {
                $side = $one->velocity($k / 2000)->cross($by->pointAt($k / 2000));
                $sides += $last * $side < 0.0 ? 1 : 0;
                $last = $side === 0.0 ? $last : $side;
            }
            // A loop crosses its neighbour twice where it crosses itself.
            $sides += $one->selfCrossing(1e-9) === null ? 0 : 2;
            $unlike += count(self::meetings($one, $other)) === $sides ? 0 : 1;
        }
        // At a thousandth the first order does not tell all; at a millionth of that an end can lie within the tolerance.
        self::assertLessThanOrEqual(match (true) {
            $near > 5e-4 => 2,
            $near < 1e-8 => 1,
            default => 0,
        }, $unlike);
    }

    public function test_cubics_that_touch_have_one_place_in_common(): void
    {
        self::assertCut(5, 4, [self::cubic(100, 500, 300, 100, 500, 100, 700, 500), self::cubic(100, -100, 300, 300, 500, 300, 700, -100)]);
    }

    /** Of a sheet that reaches to 1e30 the tolerance is wider than what lies in its corner. */
    public function test_cubics_within_the_tolerance_are_one_place(): void
    {
        $one = new Cubic(new Vec(10, 10), new Vec(20, 0), new Vec(99_999, 30), new Vec(50, 50));
        $other = new Cubic(new Vec(50, 50), new Vec(60, 70), new Vec(90, 90), new Vec(90, 10));
        self::assertCount(1, CubicMeetings::find($one, $other, 1e18));
        self::assertLessThan(200, count(CubicMeetings::find($one, $other, 100.0)));
    }

    public function test_ellipses_of_four_cubics_touch_at_their_nodes(): void
    {
        self::assertCut(7, 8, [...self::ellipse(300), ...self::ellipse(500)]);
    }

    public function test_arcs_as_good_as_straight_touch_once(): void
    {
        self::assertCut(5, 4, [
            Arc::through(new Vec(100, 400), new Vec(400, 400.5), new Vec(700, 400)),
            Arc::through(new Vec(100, 401), new Vec(400, 400.5), new Vec(700, 401)),
        ]);
    }

    public function test_cubics_that_run_along_one_another_share_the_stretch_and_its_ends(): void
    {
        $whole = self::cubic(100, 500, 300, 100, 500, 700, 700, 300);
        // Two pieces of one curve that overlap between its 0.4 and 0.6, cut off by a line to give a face.
        $meetings = self::meetings($whole->part(0.0, 0.6), $whole->part(0.4, 1.0));
        self::assertCount(2, $meetings);
        self::assertEqualsWithDelta(0.0, $meetings[0]->at->distanceTo($whole->pointAt(0.4)), 1e-9);
        self::assertEqualsWithDelta(0.0, $meetings[1]->at->distanceTo($whole->pointAt(0.6)), 1e-9);
        self::assertCut(4, 3, [$whole->part(0.0, 0.6), $whole->part(0.4, 1.0)]);
    }

    public function test_a_cubic_that_begins_or_ends_on_itself_encloses_a_face(): void
    {
        $loop = self::cubic(100, 500, 900, 100, -100, 100, 700, 500);
        [$first, $second] = $loop->selfCrossing(1e-9) ?? self::fail('It crosses itself.');
        for ($degrees = 0; $degrees < 360; $degrees += 10) {
            foreach ([$loop->part($first, 1.0), $loop->part(0.0, $second)] as $curve) {
                $turned = $curve->mapped(Affine::turn($degrees + 0.37, new Vec(311, 402)))[0];
                $arrangement = Arrangement::of([$turned], Tolerance::ofSheet(800));
                self::assertSame([1, 2], [$arrangement->faceCount(), $arrangement->edgeCount()], "$degrees degrees");
            }
        }
    }

    public function test_a_hundred_flat_arcs_close_to_one_another_are_cut_by_twenty_lines(): void
    {
        $curves = [];
        for ($k = 0; $k < 100; $k++) {
            $curves[] = Arc::through(new Vec(100, 400 + $k / 100), new Vec(400, 400.5 + $k / 100), new Vec(700, 400 + $k / 100));
        }
        for ($k = 0; $k < 20; $k++) {
            $curves[] = new Line(new Vec(120 + 28 * $k, 300), new Vec(130 + 28 * $k, 500));
        }
        self::assertSame(99 * 19, Arrangement::of($curves, Tolerance::ofSheet(800))->faceCount());
    }

    /** @param  list<Curve>  $curves */
    private static function assertCut(int $points, int $edges, array $curves): void
    {
        $arrangement = Arrangement::of($curves, Tolerance::ofSheet(800));
        self::assertSame([$points, $edges], [$arrangement->pointCount(), $arrangement->edgeCount()]);
    }

    /** @return list<Cubic> of radii 100 and 60 */
    private static function ellipse(float $x): array
    {
        $quarter = self::cubic(1, 0, 1, self::QUARTER, self::QUARTER, 1, 0, 1);
        $cubics = [];
        foreach ([0, 90, 180, 270] as $degrees) {
            $map = Affine::turn($degrees, Vec::zero())->then(Affine::scaling(100, 60, Vec::zero()))->then(Affine::move(new Vec($x, 400)));
            array_push($cubics, ...$quarter->mapped($map));
        }

        return array_values(array_filter($cubics, static fn (Curve $curve): bool => $curve instanceof Cubic));
    }

    /** @return list<Meeting> */
    private static function meetings(Curve $one, Curve $other): array
    {
        return Intersections::find($one, $other, Tolerance::ofSheet(800));
    }

    private static function cubic(float ...$at): Cubic
    {
        return new Cubic(new Vec($at[0], $at[1]), new Vec($at[2], $at[3]), new Vec($at[4], $at[5]), new Vec($at[6], $at[7]));
    }
}
