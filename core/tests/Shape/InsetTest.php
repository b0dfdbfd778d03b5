<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Inset;
use Sternbild\Core\Shape\Outlining;

final class InsetTest extends TestCase
{
    private const SEED = 20261126;

    public function test_a_convex_outline_is_widened_by_steiners_formula(): void
    {
        // J. Steiner 1840: area A + P·d + π·d², length P + 2π·d, for every convex outline.
        foreach ([self::polygon([[100, 100], [400, 120], [380, 300], [150, 340]]), self::disc(200, 200, 80), self::lens()] as $outline) {
            foreach ([1.0, 17.5, 300.0] as $distance) {
                $wide = self::inset([$outline], -$distance, Corner::Round);
                self::assertCount(1, $wide);
                self::assertEqualsWithDelta(
                    $outline->area() + $outline->perimeter() * $distance + M_PI * $distance ** 2,
                    $wide[0]->area(),
                    1e-6,
                );
                self::assertEqualsWithDelta($outline->perimeter() + 2 * M_PI * $distance, $wide[0]->perimeter(), 1e-8);
            }
        }
    }

    public function test_a_square_keeps_its_corners_and_a_disc_its_centre(): void
    {
        $square = self::polygon([[100, 100], [300, 100], [300, 300], [100, 300]]);
        $in = self::inset([$square], 15.0);
        self::assertSame(4, $in[0]->nodes());
        self::assertEqualsWithDelta(170.0 ** 2, $in[0]->area(), 1e-8);
        self::assertEqualsWithDelta(230.0 ** 2, self::inset([$square], -15.0)[0]->area(), 1e-8);
        self::assertEqualsWithDelta(230.0 ** 2 - 2 * 15.0 ** 2, self::inset([$square], -15.0, Corner::Bevel)[0]->area(), 1e-8);
        self::assertEqualsWithDelta(M_PI * 65 ** 2, self::inset([self::disc(200, 200, 80)], 15.0)[0]->area(), 1e-8);
        self::assertSame([], self::inset([$square], 100.5));
        self::assertSame([], self::inset([self::disc(200, 200, 80)], 80.5));
    }

    public function test_the_inset_of_a_lens_is_a_lens(): void
    {
        $in = self::inset([self::lens()], 10.0);
        self::assertCount(1, $in);
        self::assertSame(
            [90.0, 90.0],
            array_map(static fn (Curve $arc): float => $arc instanceof Arc ? round($arc->radius(), 9) : 0.0, $in[0]->curves),
        );
        // Two circles of radius 90 whose centres are 120 apart: the area of their lens.
        self::assertEqualsWithDelta(2 * 90 ** 2 * acos(60 / 90) - 60 * sqrt(4 * 90 ** 2 - 120 ** 2), $in[0]->area(), 1e-7);
    }

    public function test_a_mitre_is_as_long_as_its_angle_says_up_to_its_limit(): void
    {
        // A spike of angle a: its mitre reaches d / sin(a/2) from the corner; SVG's stroke-miterlimit is the same ratio.
        $spike = static fn (float $degrees): Outline => self::polygon([
            [100, 200],
            [500, 200 - 400 * tan(deg2rad($degrees / 2))],
            [500, 200 + 400 * tan(deg2rad($degrees / 2))],
        ]);
        $reach = static fn (Outline $outline): float => 100 - $outline->bounds()->left;
        self::assertEqualsWithDelta(10 / sin(deg2rad(30)), $reach(self::inset([$spike(60)], -10.0, Corner::Miter, 4.0)[0]), 1e-9);
        self::assertEqualsWithDelta(10 * sin(deg2rad(10)), $reach(self::inset([$spike(20)], -10.0, Corner::Miter, 4.0)[0]), 1e-9);
        self::assertEqualsWithDelta(10 / sin(deg2rad(10)), $reach(self::inset([$spike(20)], -10.0, Corner::Miter, 6.0)[0]), 1e-9);
        self::assertEqualsWithDelta(10.0, $reach(self::inset([$spike(20)], -10.0, Corner::Round)[0]), 1e-9);
    }

    public function test_a_dumbbell_falls_apart_and_a_hole_grows_until_it_meets_the_rim(): void
    {
        $dumbbell = self::polygon([
            [100, 100],
            [200, 100],
            [200, 140],
            [300, 140],
            [300, 100],
            [400, 100],
            [400, 200],
            [300, 200],
            [300, 160],
            [200, 160],
            [200, 200],
            [100, 200],
        ]);
        $apart = self::inset([$dumbbell], 12.0);
        self::assertCount(2, $apart);
        self::assertEqualsWithDelta(2 * 76.0 ** 2, array_sum(array_map(static fn (Outline $one): float => $one->area(), $apart)), 1e-7);
        $ring = [self::disc(200, 200, 80), self::disc(200, 200, 30)->reversed()];
        $thin = self::inset($ring, 10.0);
        self::assertEqualsWithDelta(
            M_PI * (70 ** 2 - 40 ** 2),
            array_sum(array_map(static fn (Outline $one): float => $one->area(), $thin)),
            1e-7,
        );
        self::assertSame([], self::inset($ring, 25.5));
    }

    public function test_every_place_of_what_is_left_keeps_the_distance_and_everything_that_keeps_it_is_left(): void
    {
        $dice = new Randomizer(new Mt19937(self::SEED));
        for ($round = 0; $round < 60; $round++) {
            $outline = self::lumpy($dice, $round % 3);
            $distance = self::lot($dice, 2, 60) * ($round % 2 === 0 ? 1 : -1);
            $exact = $round % 3 !== 2;
            $left = self::inset([$outline], $distance, Corner::Round);
            foreach ($left as $one) {
                foreach ($one->curves as $curve) {
                    foreach ([0.1, 0.35, 0.5, 0.8] as $t) {
                        self::assertEqualsWithDelta(
                            abs($distance),
                            self::distance($outline, $curve->pointAt($t)),
                            $exact ? 1e-6 : 1.2e-4 * abs($distance),
                            "round $round",
                        );
                    }
                }
            }
            for ($try = 0; $try < 60; $try++) {
                $place = new Vec(self::lot($dice, 0, 800), self::lot($dice, 0, 800));
                $away = self::distance($outline, $place) * ($outline->isAround($place) ? 1 : -1);
                if (abs($away - $distance) > 0.02) {
                    self::assertSame($away > $distance, self::winds($left, $place), "round $round at $place->x, $place->y");
                }
            }
        }
    }

    private static function lot(Randomizer $dice, float $least, float $most): float
    {
        return $least + ($most - $least) * $dice->getInt(0, 1_000_000) / 1e6;
    }

    /** @param  list<Outline>  $outlines */
    private static function winds(array $outlines, Vec $place): bool
    {
        return array_sum(array_map(static fn (Outline $one): int => $one->windingsAround($place), $outlines)) !== 0;
    }

    private static function distance(Outline $outline, Vec $place): float
    {
        return min(
            array_map(static fn (Curve $curve): float => $place->distanceTo($curve->pointAt($curve->nearest($place))), $outline->curves),
        );
    }

    /** A star-shaped outline of lines, of lines and arcs, or of cubics. */
    private static function lumpy(Randomizer $dice, int $sort): Outline
    {
        $count = $dice->getInt(4, 11);
        $places = array_map(
            static fn (int $k): Vec => (new Vec(400, 400))->plus(Vec::heading((360 * $k) / $count)->times(self::lot($dice, 70, 260))),
            range(0, $count - 1),
        );
        $curves = [];
        foreach ($places as $k => $from) {
            $to = $places[($k + 1) % $count];
            $way = $to->minus($from);
            $curves[] = match (true) {
                $sort === 2 => new Cubic(
                    $from,
                    $from->plus($way->times(0.3))->plus($way->quarterTurned()->times(self::lot($dice, -0.2, 0.2))),
                    $to->minus($way->times(0.3))->plus($way->quarterTurned()->times(self::lot($dice, -0.2, 0.2))),
                    $to,
                ),
                $sort === 1 && $dice->getInt(1, 2) === 1 => Arc::through(
                    $from,
                    $from
                        ->towards($to, 0.5)
                        ->plus($way->quarterTurned()->times(self::lot($dice, 0.05, 0.15) * ($dice->getInt(0, 1) === 0 ? 1 : -1))),
                    $to,
                ),
                default => new Line($from, $to),
            };
        }

        return Outlining::of($curves, Tolerance::ofSheet(800))->outlines[0];
    }

    /**
     * @param  list<Outline>  $outlines
     * @return list<Outline>
     */
    private static function inset(array $outlines, float $distance, Corner $corner = Corner::Miter, float $limit = 4.0): array
    {
        return (new Inset($distance, $corner, $limit, Tolerance::ofSheet(800)))->of($outlines);
    }

    /** @param  non-empty-list<array{float|int, float|int}>  $places  clockwise on the screen */
    private static function polygon(array $places): Outline
    {
        $corners = array_map(static fn (array $place): Vec => new Vec((float) $place[0], (float) $place[1]), $places);

        return new Outline(
            array_map(static fn (int $k): Line => new Line($corners[$k], $corners[($k + 1) % count($corners)]), array_keys($corners)),
        );
    }

    private static function disc(float $x, float $y, float $radius): Outline
    {
        return new Outline([Arc::fullCircle(new Circle(new Vec($x, $y), $radius))]);
    }

    /** What two circles of radius 100 have in common whose centres are 120 apart. */
    private static function lens(): Outline
    {
        [$top, $bottom] = [new Vec(400, 400 - 80), new Vec(400, 400 + 80)];

        return new Outline([
            Arc::around(new Vec(340, 400), 100, $top, $bottom, true),
            Arc::around(new Vec(460, 400), 100, $bottom, $top, true),
        ]);
    }
}
