<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Arrangement;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Arrangement\Neighbours;
use Sternbild\Core\Arrangement\Points;
use Sternbild\Core\Arrangement\Runs;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Tests\Geometry\RandomCurves;

/** What is done before curves are laid over one another. */
final class PreparationTest extends TestCase
{
    /** @return iterable<string, array{list<Curve>}> */
    public static function drawings(): iterable
    {
        foreach (['l', 'lacb', 'cr'] as $sorts) {
            foreach ([1, 2, 40, 300] as $count) {
                yield "$sorts $count" => [RandomCurves::draw(17, $count, $sorts)];
            }
        }
        yield 'level lines' => [array_map(static fn (int $k): Line => new Line(new Vec(0, $k), new Vec(500, $k)), range(0, 99))];
        yield 'short ones' => [
            array_map(
                static fn (int $k): Line => new Line(
                    new Vec(($k * 7) % 500, ($k * 13) % 500),
                    new Vec((($k * 7) % 500) + 3, (($k * 13) % 500) + 2),
                ),
                range(0, 400),
            ),
        ];
    }

    /** @param  list<Curve>  $curves */
    #[DataProvider('drawings')]
    public function test_every_pair_of_boxes_that_meet_is_found_once(array $curves): void
    {
        $found = [];
        foreach (Neighbours::find($curves, 0.5) as [$curve, $others]) {
            foreach ($others as $other) {
                $found[] = min($curve, $other).' '.max($curve, $other);
            }
        }
        $wanted = [];
        $bounds = array_map(static fn (Curve $curve): Bounds => $curve->bounds()->grownBy(0.5), $curves);
        for ($i = 0; $i < count($curves); $i++) {
            for ($j = $i + 1; $j < count($curves); $j++) {
                if ($bounds[$i]->meets($bounds[$j], 0.0)) {
                    $wanted[] = "$i $j";
                }
            }
        }
        sort($found);
        sort($wanted);
        self::assertSame($wanted, $found);
    }

    public function test_places_that_lie_together_become_one_and_others_stay_apart(): void
    {
        [$x, $y, $number] = Points::merged([5.0, 1.0, 1.0 + 1e-10, 5.0, 1.0, 5.0], [2.0, 3.0, 3.0, 7.0, 3.1, 2.0 - 1e-10], 1e-9);
        self::assertSame([[1.0, 1.0, 5.0, 5.0], [3.0, 3.1, 2.0, 7.0]], [$x, $y]);
        self::assertSame([2, 0, 0, 3, 1, 2], $number);
    }

    public function test_what_lies_on_one_line_or_circle_becomes_one_run_without_gaps(): void
    {
        $line = static fn (float $from, float $to): Line => new Line(new Vec($from, 2 * $from), new Vec($to, 2 * $to));
        $runs = Runs::of([$line(0, 10), $line(30, 20), $line(10, 14), $line(12, 8), $line(22, 24)], 1e-9, new Bounds(0, 0, 30, 60));
        self::assertCount(2, $runs->curves);
        self::assertSame([0, 0], $runs->carriers);
        self::assertEquals(
            [0, 14, 20, 30],
            [$runs->curves[0]->start()->x, $runs->curves[0]->end()->x, $runs->curves[1]->start()->x, $runs->curves[1]->end()->x],
        );

        $circle = Arc::fullCircle(new Circle(new Vec(100, 100), 50));
        $turned = static fn (float $from, float $to): Arc => Arc::around(
            new Vec(100, 100),
            50,
            $circle->pointAt($from),
            $circle->pointAt($to),
            true,
        );
        $arcs = Runs::of([$turned(0.8, 0.1), $turned(0.1, 0.3)->reversed(), $turned(0.5, 0.6)], 1e-9, new Bounds(50, 50, 150, 150));
        self::assertCount(2, $arcs->curves);
        self::assertEqualsWithDelta(
            [0.1 * 100 * M_PI, 0.5 * 100 * M_PI],
            array_values(self::sorted(array_map(static fn (Curve $curve): float => $curve->length(), $arcs->curves))),
            1e-9,
        );
        $whole = Runs::of([$turned(0.0, 0.4), $turned(0.4, 0.9), $turned(0.85, 0.05)], 1e-9, new Bounds(50, 50, 150, 150));
        self::assertCount(1, $whole->curves);
        self::assertTrue($whole->curves[0] instanceof Arc && $whole->curves[0]->isFullCircle());
    }

    public function test_lines_that_lean_by_a_hair_across_the_upright_are_one(): void
    {
        foreach ([0.0, 1e-10, -1e-10] as $lean) {
            $runs = Runs::of(
                [new Line(new Vec(10, 0), new Vec(10, 500)), new Line(new Vec(10 + $lean, 700), new Vec(10 - $lean, 300))],
                1e-9,
                new Bounds(0, 0, 20, 700),
            );
            self::assertCount(1, $runs->curves);
            self::assertEqualsWithDelta(700.0, $runs->curves[0]->length(), 1e-9);
        }
    }

    /**
     * @param  list<float>  $numbers
     * @return list<float>
     */
    private static function sorted(array $numbers): array
    {
        sort($numbers);

        return $numbers;
    }
}
