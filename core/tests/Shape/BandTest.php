<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Band;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;

final class BandTest extends TestCase
{
    public function test_a_straight_band_ends_as_is_said(): void
    {
        $line = [new Line(new Vec(100, 100), new Vec(300, 100))];
        self::assertEqualsWithDelta(200 * 20, self::area(self::band($line, 10, 10)), 1e-8);
        self::assertEqualsWithDelta(200 * 20 + M_PI * 100, self::area(self::band($line, 10, 10, cap: 'round')), 1e-8);
        self::assertEqualsWithDelta(220 * 20, self::area(self::band($line, 10, 10, cap: 'square')), 1e-8);
        // One side only: a half circle over the whole width.
        self::assertEqualsWithDelta(200 * 20 + M_PI * 100, self::area(self::band($line, 20, 0, cap: 'round')), 1e-8);
        // To the left of a way to the right is up on the screen.
        $left = self::band($line, 20, 0)[0]->bounds();
        self::assertEqualsWithDelta([80.0, 100.0], [$left->top, $left->bottom], 1e-9);
    }

    public function test_a_corner_is_gone_around_as_is_said(): void
    {
        $angle = [new Line(new Vec(100, 300), new Vec(100, 100)), new Line(new Vec(100, 100), new Vec(300, 100))];
        $inside = 200 * 20 * 2 - 10 * 10;
        self::assertEqualsWithDelta($inside + 10 * 10, self::area(self::band($angle, 10, 10)), 1e-8);
        self::assertEqualsWithDelta($inside + 10 * 10 / 2, self::area(self::band($angle, 10, 10, Corner::Bevel)), 1e-8);
        self::assertEqualsWithDelta($inside + M_PI * 10 * 10 / 4, self::area(self::band($angle, 10, 10, Corner::Round)), 1e-8);
    }

    public function test_a_circle_becomes_a_ring_and_half_of_one_where_it_is_one_sided(): void
    {
        $circle = [Arc::fullCircle(new Circle(new Vec(400, 400), 100))];
        self::assertEqualsWithDelta(M_PI * (110 ** 2 - 90 ** 2), self::area(self::band($circle, 10, 10)), 1e-7);
        self::assertEqualsWithDelta(M_PI * (120 ** 2 - 100 ** 2), self::area(self::band($circle, 20, 0)), 1e-7);
        self::assertEqualsWithDelta(M_PI * (100 ** 2 - 80 ** 2), self::area(self::band($circle, 0, 20)), 1e-7);
        // Wider than its radius it has no hole any more.
        self::assertEqualsWithDelta(M_PI * 220 ** 2, self::area(self::band($circle, 120, 120)), 1e-7);
    }

    public function test_along_cubics_one_side_has_no_more_nodes_than_both_have(): void
    {
        $scene = static fn (string $side, float $width): Part => Sample::scene(Sample::unchecked(Sample::plan([
            ['id' => 'p1', 'kind' => 'part.ellipse', 'center' => [400, 400], 'radii' => [300, 200]],
            ['id' => 'b1', 'kind' => 'band', 'of' => ['p1'], 'width' => $width, 'side' => $side],
        ])))->parts()['b1'];
        foreach ([0.5, 4.0, 60.0] as $width) {
            $both = $scene('both', $width)->nodes();
            foreach (['left' => 1, 'right' => -1] as $side => $outwards) {
                $part = $scene($side, $width);
                self::assertLessThanOrEqual(1.5 * $both, $part->nodes(), "$side, $width");
                // What runs beside a convex curve of length L at d encloses d·L + π·d² more (Steiner's formula, recalled).
                $length = self::ellipse(300, 200);
                self::assertEqualsWithDelta(
                    $width * $length + $outwards * M_PI * $width ** 2,
                    $part->area(),
                    1e-4 * $width * $length,
                    "$side, $width",
                );
            }
        }
    }

    /** The length of an ellipse, by the trapezoidal rule, which converges faster than any power for what is periodic. */
    private static function ellipse(float $a, float $b): float
    {
        $sum = 0.0;
        for ($k = 0; $k < 400; $k++) {
            $sum += hypot($a * sin(2 * M_PI * $k / 400), $b * cos(2 * M_PI * $k / 400));
        }

        return 2 * M_PI * $sum / 400;
    }

    public function test_a_place_is_in_a_round_band_just_where_the_way_is_near(): void
    {
        $dice = new Randomizer(new Mt19937(20261126));
        $lot = static fn (float $least, float $most): float => $least + ($most - $least) * $dice->getInt(0, 1_000_000) / 1e6;
        for ($round = 0; $round < 40; $round++) {
            $from = new Vec($lot(100, 700), $lot(100, 700));
            $way = array_map(static function (int $k) use (&$from, $lot): Curve {
                [$start, $from] = [$from, new Vec($lot(100, 700), $lot(100, 700))];
                $middle = $start->towards($from, 0.5)->plus($from->minus($start)->quarterTurned()->times($lot(-0.4, 0.4)));

                return $lot(0, 1) < 0.5 ? new Line($start, $from) : Arc::through($start, $middle, $from);
            }, range(1, $dice->getInt(1, 6)));
            $half = $lot(3, 80);
            $band = self::band($way, $half, $half, Corner::Round, 'round');
            for ($try = 0; $try < 80; $try++) {
                $place = new Vec($lot(0, 800), $lot(0, 800));
                $away = min(
                    array_map(static fn (Curve $curve): float => $place->distanceTo($curve->pointAt($curve->nearest($place))), $way),
                );
                if (abs($away - $half) > 1e-6) {
                    $winds = array_sum(array_map(static fn (Outline $one): int => $one->windingsAround($place), $band));
                    self::assertSame($away < $half, $winds !== 0, "round $round at $place->x, $place->y");
                }
            }
        }
    }

    /**
     * @param  non-empty-list<Curve>  $way
     * @param  'butt'|'round'|'square'  $cap
     * @return list<Outline>
     */
    private static function band(array $way, float $left, float $right, Corner $join = Corner::Miter, string $cap = 'butt'): array
    {
        return (new Band($left, $right, $join, $cap, 4.0, Tolerance::ofSheet(800)))->of($way);
    }

    /** @param  list<Outline>  $outlines */
    private static function area(array $outlines): float
    {
        return array_sum(array_map(static fn (Outline $one): float => $one->area(), $outlines));
    }
}
