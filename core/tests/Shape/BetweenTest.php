<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bend;
use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Oklab;
use Sternbild\Core\Shape\Between;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;

final class BetweenTest extends TestCase
{
    public function test_in_betweens_at_the_ends_are_the_ends(): void
    {
        $dice = new Randomizer(new Mt19937(20261126));
        for ($round = 0; $round < 60; $round++) {
            [$one, $other] = [self::outline($dice), self::outline($dice)];
            foreach ([[0.0, $one], [1.0, $other]] as [$share, $end]) {
                $between = Between::outlines($one, $other, $share);
                self::assertEqualsWithDelta($end->area(), $between->area(), 2e-4 * abs($end->area()), "round $round at $share");
                self::assertEqualsWithDelta($end->perimeter(), $between->perimeter(), 2e-4 * $end->perimeter());
            }
            $curves = Between::outlines($one, $other, 0.37)->curves;
            foreach ($curves as $k => $curve) {
                self::assertEqualsWithDelta(
                    0.0,
                    $curve->end()->distanceTo($curves[($k + 1) % count($curves)]->start()),
                    1e-9,
                    'It is closed.',
                );
            }
        }
    }

    public function test_how_many_nodes_there_are_does_not_hang_on_how_large_the_sheet_is(): void
    {
        for ($seed = 0; $seed < 60; $seed++) {
            $nodes = [];
            foreach ([1.0, 3.7, 0.31] as $size) {
                $lot = new Randomizer(new Mt19937($seed + 71));
                $between = static fn (int $least, int $most): float => $size * $lot->getInt(100 * $least, 100 * $most) / 100;
                [$x, $y] = [$between(200, 600), $between(200, 600)];
                $drop = [
                    'id' => 'p1',
                    'kind' => 'part.outline',
                    'points' => [[$x, $y], [$x + $between(40, 100), $y], [$x + $between(20, 60), $y + $between(60, 160)]],
                    'bends' => [
                        ['handles' => [[$x + $between(10, 20), $y - $between(10, 50)], [$x + $between(30, 40), $y - $between(10, 50)]]],
                        null,
                        ['bulge' => 0.3],
                    ],
                ];
                $other = [
                    ['kind' => 'part.circle', 'center' => [$between(200, 600), 300], 'radius' => $between(50, 200)],
                    [
                        'kind' => 'part.ellipse',
                        'center' => [$between(200, 600), 300],
                        'radii' => [$between(50, 200), $between(50, 200)],
                        'angle' => 30,
                    ],
                    [
                        'kind' => 'part.polygon',
                        'center' => [$between(200, 600), 300],
                        'radius' => $between(50, 200),
                        'corners' => 3 + ($seed % 5),
                    ],
                ][$seed % 3];
                $plan = Sample::unchecked(
                    Sample::plan([
                        $drop,
                        ['id' => 'p2', ...$other],
                        ['id' => 'b1', 'kind' => 'between', 'of' => ['p1', 'p2'], 'steps' => 3],
                    ]),
                );
                $plan['sheet'] = [...(array) $plan['sheet'], 'width' => 800 * $size, 'height' => 800 * $size];
                $nodes[] = Sample::scene($plan)->parts()['b1']->nodes();
            }
            self::assertCount(1, array_unique($nodes), "seed $seed");
        }
    }

    public function test_a_square_becomes_a_turned_one_node_by_node_and_a_disc_stays_round(): void
    {
        $square = static fn (float $x, float $side): Outline => self::drawn(
            [new Vec($x, 100), new Vec($x + $side, 100), new Vec($x + $side, 100 + $side), new Vec($x, 100 + $side)],
            [],
        );
        $middle = Between::outlines($square(0, 100), $square(300, 200), 0.5);
        self::assertSame(4, $middle->nodes());
        self::assertEqualsWithDelta(150 ** 2, $middle->area(), 1e-9);
        $disc = static fn (float $x, float $radius): Outline => new Outline([Arc::fullCircle(new Circle(new Vec($x, 100), $radius))]);
        self::assertEqualsWithDelta(M_PI * 30 ** 2, Between::outlines($disc(0, 10), $disc(300, 50), 0.5)->area(), 1e-9);
        // From a disc to a square the corners come out of the arcs.
        $areas = array_map(static fn (float $share): float => Between::outlines($disc(50, 50), $square(0, 100), $share)->area(), [
            0.01,
            0.25,
            0.5,
            0.75,
            0.99,
        ]);
        self::assertSame(
            $areas,
            array_values(array_filter($areas, static fn (float $area): bool => $area > M_PI * 2500 - 60 && $area < 10_050)),
        );
    }

    public function test_a_copy_is_turned_on_its_way_and_keeps_its_size(): void
    {
        $figure = Figure::drawn([self::drawn([new Vec(0, 0), new Vec(100, 0), new Vec(100, 20), new Vec(0, 20)], [])], ['p1']);
        $turned = $figure->mapped(Affine::turn(90, new Vec(50, 10)))->mapped(Affine::move(new Vec(200, 0)));
        $middle = Between::figures($figure, $turned, 0.5);
        self::assertNotNull($middle);
        self::assertEqualsWithDelta(2000.0, $middle->area(), 1e-9);
        $bounds = $middle->outlines()[0]->bounds();
        self::assertEqualsWithDelta(150.0, $bounds->center()->x, 1e-9);
        // Turned by 45° it is as wide as it is high.
        self::assertEqualsWithDelta($bounds->right - $bounds->left, $bounds->bottom - $bounds->top, 1e-9);
    }

    public function test_colours_between_are_mixed_as_they_look(): void
    {
        // Oklab of sRGB's red, as its author gives it: 0.628, 0.225, 0.126.
        self::assertEqualsWithDelta([0.628, 0.225, 0.126], Oklab::coordinates('#ff0000'), 5e-4);
        self::assertEqualsWithDelta([1.0, 0.0, 0.0], Oklab::coordinates('#ffffff'), 1e-4);
        foreach (['#0f6e84', '#c65f3c', '#000000', '#ffffff'] as $colour) {
            self::assertSame($colour, Oklab::mix($colour, '#123456', 0.0));
            self::assertSame($colour, Oklab::mix('#654321', $colour, 1.0));
        }
        $scene = Sample::scene(
            Sample::plan([
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 20],
                ['id' => 'p2', 'kind' => 'part.circle', 'center' => [500, 100], 'radius' => 60],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => '#0f6e84', 'opacity' => 0.4],
                ['id' => 's2', 'kind' => 'style', 'of' => ['p2'], 'fill' => '#c65f3c'],
                ['id' => 'b1', 'kind' => 'between', 'of' => ['p1', 'p2'], 'steps' => 3],
            ]),
        );
        $drawn = array_values(array_filter($scene->drawing, static fn ($one): bool => $one->id === 'b1'))[0] ?? self::fail('It is drawn.');
        self::assertSame(
            array_map(static fn (float $share): string => Oklab::mix('#0f6e84', '#c65f3c', $share), [0.25, 0.5, 0.75]),
            array_map(static fn ($style): string => $style->fill ?? '', $drawn->styles),
        );
        self::assertEqualsWithDelta(
            [0.55, 0.7, 0.85],
            array_map(static fn ($style): float => $style->opacity ?? 0.0, $drawn->styles),
            1e-12,
        );
    }

    public function test_over_a_face_they_lie_where_both_ways_across_it_cross(): void
    {
        $corners = [[100.0, 100.0, 10.0, 0.2], [500.0, 140.0, 30.0, 0.4], [420.0, 500.0, 50.0, 0.8], [80.0, 380.0, 20.0, 0.6]];
        $steps = [];
        foreach ($corners as $k => [$x, $y, $radius, $opacity]) {
            $steps[] = ['id' => "p$k", 'kind' => 'part.circle', 'center' => [$x, $y], 'radius' => $radius];
            $steps[] = ['id' => "s$k", 'kind' => 'style', 'of' => ["p$k"], 'fill' => '#0f6e84', 'opacity' => $opacity];
        }
        $scene = Sample::scene(
            Sample::plan([...$steps, ['id' => 'b1', 'kind' => 'between', 'of' => ['p0', 'p1', 'p2', 'p3'], 'steps' => 3, 'rows' => 1]]),
        );
        // Bilinear: what lies a share s along and a share t down is what lies there on the line through both sides.
        $expected = [];
        for ($row = 0; $row <= 2; $row++) {
            for ($step = 0; $step <= 4; $step++) {
                [$s, $t] = [$step / 4, $row / 2];
                if (! in_array($row, [0, 2], true) || ! in_array($step, [0, 4], true)) {
                    $expected[] = array_map(
                        static fn (int $n): float => (1 - $s) * (1 - $t) * $corners[0][$n] +
                            $s * (1 - $t) * $corners[1][$n] +
                            $s * $t * $corners[2][$n] +
                            (1 - $s) * $t * $corners[3][$n],
                        range(0, 3),
                    );
                }
            }
        }
        $part = $scene->parts()['b1'];
        $drawn = array_values(array_filter($scene->drawing, static fn ($one): bool => $one->id === 'b1'))[0] ?? self::fail('It is drawn.');
        self::assertCount(5 * 3 - 4, $expected);
        foreach ($part->figures() as $k => $figure) {
            $bounds = $figure->outlines()[0]->bounds();
            self::assertEqualsWithDelta(
                $expected[$k],
                [$bounds->center()->x, $bounds->center()->y, ($bounds->right - $bounds->left) / 2, $drawn->styles[$k]->opacity ?? 0.0],
                1e-9,
            );
        }
        self::assertSame(count($expected), $part->count());

        // In-betweens of in-betweens look like what lies between them.
        $nested = Sample::scene(
            Sample::plan([
                ...$steps,
                ['id' => 'b1', 'kind' => 'between', 'of' => ['p0', 'p2'], 'steps' => 1],
                ['id' => 'b2', 'kind' => 'between', 'of' => ['p0', 'b1'], 'steps' => 1],
            ]),
        );
        $drawn = array_values(array_filter($nested->drawing, static fn ($one): bool => $one->id === 'b2'))[0] ?? self::fail('It is drawn.');
        self::assertEqualsWithDelta(0.2 + (0.8 - 0.2) / 4, $drawn->styles[0]?->opacity, 1e-12);
    }

    public function test_a_face_has_four_corners(): void
    {
        $discs = array_map(
            static fn (int $k): array => ['id' => "p$k", 'kind' => 'part.circle', 'center' => [100 * $k + 50, 100], 'radius' => 9],
            range(1, 4),
        );
        $said = static fn (array $of, array $more): string => Sample::scene(
            Sample::plan([...$discs, ['id' => 'b1', 'kind' => 'between', 'of' => $of, 'steps' => 200, ...$more]]),
        )->findings[0]->message ?? '';
        self::assertStringContainsString('a face has four corners; there are 3 parts', $said(['p1', 'p2', 'p3'], ['rows' => 2]));
        self::assertStringContainsString('over the face of four, rows are said', $said(['p1', 'p2', 'p3', 'p4'], []));
        self::assertStringContainsString('there would be 40,804 in-betweens', $said(['p1', 'p2', 'p3', 'p4'], ['rows' => 200]));
    }

    public function test_what_cannot_be_paired_is_said(): void
    {
        $scene = Sample::scene(
            Sample::plan([
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 20],
                ['id' => 'p2', 'kind' => 'part.circle', 'center' => [500, 100], 'radius' => 60],
                ['id' => 'p3', 'kind' => 'part.circle', 'center' => [500, 100], 'radius' => 30],
                ['id' => 'k1', 'kind' => 'cut', 'from' => 'p2', 'with' => ['p3']],
                ['id' => 'b1', 'kind' => 'between', 'of' => ['p1', 'k1'], 'steps' => 3],
            ]),
        );
        self::assertStringContainsString('more holes or pieces', $scene->findings[0]->message);
        self::assertInstanceOf(Part::class, $scene->known['k1']->result);
    }

    /** An outline of lines, arcs or cubics, or all of them, clockwise on the screen. */
    private static function outline(Randomizer $dice): Outline
    {
        $lot = static fn (float $least, float $most): float => $least + ($most - $least) * $dice->getInt(0, 1_000_000) / 1e6;
        $count = $dice->getInt(3, 9);
        $center = new Vec($lot(200, 600), $lot(200, 600));
        $points = array_map(
            static fn (int $k): Vec => $center->plus(Vec::heading((360 * $k) / $count)->times($lot(60, 120))),
            range(0, $count - 1),
        );
        $bends = array_map(
            static fn (int $k): ?Bend => match ($dice->getInt(0, 3)) {
                0 => Bend::bulge($lot(-0.3, 0.5)),
                1 => Bend::handles(
                    $points[$k]->towards($points[($k + 1) % $count], 0.3)->plus(new Vec($lot(-9, 9), $lot(-9, 9))),
                    $points[$k]->towards($points[($k + 1) % $count], 0.7)->plus(new Vec($lot(-9, 9), $lot(-9, 9))),
                ),
                default => null,
            },
            range(0, $count - 1),
        );

        return self::drawn($points, $bends);
    }

    /**
     * @param  list<Vec>  $points
     * @param  list<Bend|null>  $bends
     */
    private static function drawn(array $points, array $bends): Outline
    {
        $curves = BentWay::curves($points, $bends, true);

        return $curves === [] ? self::fail('It has ways.') : new Outline($curves);
    }
}
