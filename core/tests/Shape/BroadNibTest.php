<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\Attributes\DataProvider;
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
use Sternbild\Core\Shape\BroadNib;
use Sternbild\Core\Tests\Sample;

/** What a broad nib covers: Minkowski's sum of the way and the nib. */
final class BroadNibTest extends TestCase
{
    /**
     * @param  non-empty-list<Curve>  $way
     * @return list<Outline>
     */
    private static function drawn(array $way, float $width, float $thin, float $angle): array
    {
        return (new BroadNib($width, $thin, $angle, Tolerance::ofSheet(800.0)))->of($way);
    }

    /** @param  list<Outline>  $outlines */
    private static function area(array $outlines): float
    {
        return array_sum(
            array_map(static fn (Outline $outline): float => ($outline->isHole() ? -1 : 1) * abs($outline->area()), $outlines),
        );
    }

    /** @return iterable<string, array{float}> */
    public static function angles(): iterable
    {
        foreach ([0.0, 30.0, 45.0, 90.0, -40.0, 137.0] as $angle) {
            yield "held at $angle" => [$angle];
        }
    }

    #[DataProvider('angles')]
    public function test_a_line_is_as_wide_as_the_nib_is_across_it(float $angle): void
    {
        $area = self::area(self::drawn([new Line(new Vec(100, 100), new Vec(300, 100))], 30, 6, $angle));
        // The nib itself, and the way times its extent square to it.
        $across = 30 * abs(sin(deg2rad($angle))) + 6 * abs(cos(deg2rad($angle)));
        self::assertEqualsWithDelta(30 * 6 + 200 * $across, $area, 1e-7);
    }

    #[DataProvider('angles')]
    public function test_around_a_circle_its_outside_has_the_area_of_minkowskis_sum(float $angle): void
    {
        $outlines = self::drawn([Arc::fullCircle(new Circle(new Vec(400, 400), 150.0))], 40, 10, $angle);
        $outside = array_values(array_filter($outlines, static fn (Outline $outline): bool => ! $outline->isHole()));
        self::assertCount(1, $outside);
        // Of a convex set and a disc: A + P·r + π·r² (Steiner's formula).
        self::assertEqualsWithDelta(40 * 10 + 100 * 150 + M_PI * 150 ** 2, abs($outside[0]->area()), 1e-5);
        self::assertCount(2, $outlines, 'And a hole.');
        foreach ($outlines as $outline) {
            foreach ($outline->curves as $curve) {
                self::assertTrue(
                    $curve instanceof Line || ($curve instanceof Arc && abs($curve->radius() - 150.0) < 1e-9),
                    'Arcs stay arcs.',
                );
            }
        }
    }

    private static function number(Randomizer $lot, float $least, float $most): float
    {
        return $least + ($most - $least) * $lot->getInt(0, 1_000_000) / 1e6;
    }

    public function test_what_is_covered_is_covered_and_nothing_else(): void
    {
        $lot = new Randomizer(new Mt19937(4711));
        for ($round = 0; $round < 12; $round++) {
            $place = static fn (): Vec => new Vec(self::number($lot, 200, 600), self::number($lot, 200, 600));
            $middle = $place();
            $way = [
                new Cubic($place(), $place(), $place(), $middle),
                Arc::through($middle, $place(), $end = $place()),
                new Line($end, $place()),
            ];
            [$width, $thin, $angle] = [self::number($lot, 10, 50), self::number($lot, 2, 9), self::number($lot, -90, 90)];
            $outlines = self::drawn($way, $width, $thin, $angle);
            $edge = Vec::heading($angle + 90);
            $centres = array_merge(
                ...array_map(
                    static fn (Curve $curve): array => array_map(static fn (int $k): Vec => $curve->pointAt($k / 1500), range(0, 1500)),
                    $way,
                ),
            );
            $isIn = static fn (Vec $at): bool => array_sum(
                array_map(static fn (Outline $outline): int => $outline->windingsAround($at), $outlines),
            ) !== 0;
            foreach (array_map(static fn (int $k): Vec => $centres[$k], range(0, count($centres) - 1, 137)) as $centre) {
                self::assertTrue($isIn($centre->plus($edge->times($width * 0.49))), 'Where the nib was.');
                self::assertTrue($isIn($centre->plus($edge->quarterTurned()->times($thin * 0.49))));
            }
            for ($k = 0; $k < 60; $k++) {
                $at = $place();
                // As the nib sees it: how far along its edge, how far across.
                $off = min(
                    array_map(
                        static fn (Vec $centre): float => max(
                            abs($at->minus($centre)->dot($edge)) / ($width / 2),
                            abs($at->minus($centre)->dot($edge->quarterTurned())) / ($thin / 2),
                        ),
                        $centres,
                    ),
                );
                if ($off < 0.9) {
                    self::assertTrue($isIn($at));
                } elseif ($off > 1.6) {
                    self::assertFalse($isIn($at));
                }
            }
        }
    }

    public function test_a_plan_says_it_and_what_is_missing_or_too_thin_is_told(): void
    {
        $band = static fn (array $more): \Sternbild\Core\Evaluation\Scene => Sample::scene(
            Sample::plan([
                ['id' => 'c1', 'kind' => 'guide.run', 'points' => [[100, 400], [500, 400]]],
                ['id' => 'b1', 'kind' => 'band', 'of' => ['c1'], 'width' => 40, ...$more],
            ]),
        );
        self::assertEqualsWithDelta(
            40 * 10 + 400 * 50 * sin(M_PI / 4),
            $band(['nib' => ['angle' => 45, 'thin' => 10]])
                ->parts()['b1']->area(),
            1e-6,
        );
        self::assertSame(
            ['nib.thin', 'choice'],
            [$band(['nib' => ['angle' => 45]])->findings[0]->field, $band(['nib' => ['angle' => 45]])->findings[0]->code],
        );
        self::assertSame(
            ['nib.thin', 'number'],
            [
                $band(['nib' => ['angle' => 45, 'thin' => 1e-9]])->findings[0]->field,
                $band(['nib' => ['angle' => 45, 'thin' => 1e-9]])->findings[0]->code,
            ],
        );
    }
}
