<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Rounding;
use Sternbild\Core\Shape\TooRound;

final class RoundingTest extends TestCase
{
    public function test_a_corner_loses_what_its_angle_says(): void
    {
        // The fillet of radius r in a corner of angle a begins r / tan(a/2) from it, and takes away r²·(1 / tan(a/2) − (π − a) / 2).
        foreach ([30.0, 60.0, 90.0, 135.0] as $degrees) {
            $angle = deg2rad($degrees);
            $outline = self::polygon([[100, 400], [100 + 300 * cos($angle), 400 - 300 * sin($angle)], [400, 400]]);
            $corner = array_search(
                [100.0, 400.0],
                array_map(static fn (Vec $at): array => [$at->x, $at->y], Rounding::corners($outline)),
                true,
            );
            $round = self::rounded($outline, 20.0, [(int) $corner]);
            self::assertEqualsWithDelta(400 * (1 / tan($angle / 2) - (M_PI - $angle) / 2), $outline->area() - $round->area(), 1e-8);
            $reach = 20 / tan($angle / 2);
            $byReach = (new Rounding($reach, true, Tolerance::ofSheet(800)))->of($outline, [(int) $corner]);
            self::assertEqualsWithDelta($round->area(), $byReach->area(), 1e-6);
        }
    }

    public function test_flat_corners_with_room_are_rounded_by_their_reach(): void
    {
        // Between sides of 300 that turn by 1.1° an arc that reaches 20 has the radius 20 / tan(0.55°) (handbook formula): more than four
        // times the sides.
        foreach ([1.1, 0.3, 5.0, 60.0] as $turn) {
            $outline = self::polygon([
                [100, 400],
                [400, 400],
                [400 + 300 * cos(deg2rad($turn)), 400 + 300 * sin(deg2rad($turn))],
                [300, 700],
            ]);
            $corner = (int) array_search(
                [400.0, 400.0],
                array_map(static fn (Vec $at): array => [$at->x, $at->y], Rounding::corners($outline)),
                true,
            );
            $byReach = static fn (float $reach): Outline => (new Rounding($reach, true, Tolerance::ofSheet(800)))->of($outline, [$corner]);
            $arcs = array_values(array_filter($byReach(20.0)->curves, static fn (Curve $curve): bool => $curve instanceof Arc));
            self::assertCount(1, $arcs);
            $radius = 20 / tan(deg2rad($turn) / 2);
            self::assertEqualsWithDelta(1.0, $arcs[0]->radius() / $radius, 1e-6, "a turn of {$turn}°");
            self::assertEqualsWithDelta(20.0, $arcs[0]->start()->distanceTo(new Vec(400, 400)), 1e-6);
            try {
                $byReach(301.0);
                self::fail('It was rounded.');
            } catch (TooRound $fault) {
                self::assertEqualsWithDelta(300.0, $fault->largest, 1e-3, 'What is possible is said as what was asked for: a reach.');
            }
        }
    }

    public function test_a_square_can_be_rounded_to_a_disc_and_not_further(): void
    {
        $square = self::polygon([[100, 100], [300, 100], [300, 300], [100, 300]]);
        self::assertEqualsWithDelta(200 ** 2 - (4 - M_PI) * 50 ** 2, self::rounded($square, 50.0)->area(), 1e-8);
        self::assertEqualsWithDelta(M_PI * 100 ** 2, self::rounded($square, 100.0)->area(), 1e-8);
        try {
            self::rounded($square, 101.0);
            self::fail('It was rounded.');
        } catch (TooRound $fault) {
            self::assertEqualsWithDelta(100.0, $fault->largest, 1e-6);
        }
    }

    public function test_every_arc_runs_into_both_sides_without_a_break(): void
    {
        $dice = new Randomizer(new Mt19937(20261126));
        $lot = static fn (float $least, float $most): float => $least + ($most - $least) * $dice->getInt(0, 1_000_000) / 1e6;
        $whole = 0;
        for ($round = 0; $round < 60; $round++) {
            $count = $dice->getInt(3, 8);
            $places = array_map(
                static fn (int $k): Vec => (new Vec(400, 400))->plus(Vec::heading((360 * $k) / $count)->times($lot(150, 260))),
                range(0, $count - 1),
            );
            $curves = [];
            foreach ($places as $k => $from) {
                $to = $places[($k + 1) % $count];
                $way = $to->minus($from);
                $side = $way->quarterTurned();
                $curves[] = match ($round % 3) {
                    0 => new Line($from, $to),
                    1 => Arc::through($from, $from->towards($to, 0.5)->plus($side->times($lot(0.05, 0.2) * ($k % 2 === 0 ? 1 : -1))), $to),
                    default => new Cubic(
                        $from,
                        $from->plus($way->times(0.3))->plus($side->times($lot(-0.2, 0.2))),
                        $to->minus($way->times(0.3))->plus($side->times($lot(-0.2, 0.2))),
                        $to,
                    ),
                };
            }
            $outline = new Outline($curves);
            $radius = 12.0;
            try {
                $rounded = self::rounded($outline, $radius);
            } catch (TooRound $fault) {
                // What it says is possible there is.
                self::assertLessThan($radius, $fault->largest);
                $radius = 0.999 * $fault->largest;
                $corner = array_filter(Rounding::corners($outline), static fn (Vec $at): bool => $at->distanceTo($fault->corner) === 0.0);
                self::rounded($outline, $radius, array_keys($corner));

                continue;
            }
            $whole++;
            self::assertCount(2 * $count, $rounded->curves);
            foreach ($rounded->curves as $number => $curve) {
                $next = $rounded->curves[($number + 1) % count($rounded->curves)];
                self::assertEquals($curve->end(), $next->start());
                self::assertEqualsWithDelta(
                    0.0,
                    $curve->tangentAt(1.0)->cross($next->tangentAt(0.0)),
                    $round % 3 === 2 ? 2e-3 : 1e-6,
                    "round $round",
                );
                self::assertGreaterThan(0.0, $curve->tangentAt(1.0)->dot($next->tangentAt(0.0)));
            }
            self::assertSame(
                [],
                array_filter(
                    $rounded->curves,
                    static fn (Curve $curve): bool => $curve instanceof Arc &&
                        abs($curve->sweep()) > M_PI + 1e-9 &&
                        abs($curve->radius() - 12.0) < 1e-9,
                ),
                'The short way round.',
            );
        }
        self::assertGreaterThan(45, $whole);
    }

    /** @param  list<int>|null  $corners */
    private static function rounded(Outline $outline, float $radius, ?array $corners = null): Outline
    {
        return (new Rounding($radius, false, Tolerance::ofSheet(800)))->of($outline, $corners ?? array_keys(Rounding::corners($outline)));
    }

    /** @param  non-empty-list<array{float|int, float|int}>  $places  clockwise on the screen */
    private static function polygon(array $places): Outline
    {
        $corners = array_map(static fn (array $place): Vec => new Vec((float) $place[0], (float) $place[1]), $places);

        return new Outline(
            array_map(static fn (int $k): Line => new Line($corners[$k], $corners[($k + 1) % count($corners)]), array_keys($corners)),
        );
    }
}
