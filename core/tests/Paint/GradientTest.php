<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Paint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Paint\Oklab;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;

/** Colours that run into others, and where they lie when what they fill has been moved. */
final class GradientTest extends TestCase
{
    private const STOPS = [[0, 'lagoon'], [1, 'ink']];

    private const BAR = ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [200, 140]]];

    private const ACROSS = ['gradient' => 'linear', 'from' => [100, 120], 'to' => [200, 120], 'stops' => self::STOPS];

    /** @param  list<array<string, mixed>>  $steps */
    private static function scene(array $steps): Scene
    {
        $scene = Sample::scene(Sample::plan($steps));
        self::assertSame([], array_values(array_filter($scene->findings, static fn ($finding): bool => $finding->level === 'error')));

        return $scene;
    }

    /** The colour at a place of the sheet, of the part that is drawn last. */
    private static function colourAt(Scene $scene, int $figure, float $x, float $y): string
    {
        $drawn = $scene->drawing[count($scene->drawing) - 1];
        $gradient = $drawn->styles[$figure]?->gradient;
        self::assertNotNull($gradient);

        return $gradient->near(new Vec($x, $y), $drawn->part->figures()[$figure]->map);
    }

    public function test_what_is_written_is_within_a_255th_of_the_mixture_everywhere(): void
    {
        mt_srand(5);
        for ($round = 0; $round < 60; $round++) {
            $colour = static fn (): string => sprintf('#%06x', mt_rand(0, 0xFFFFFF));
            [$one, $other] = [$colour(), $colour()];
            $written = Gradient::linear([[0.0, $one, 1.0], [1.0, $other, 1.0]], null, null)->written();
            self::assertSame([0.0, $one, 1.0], $written[0]);
            $rgb = static fn (string $hex): array => [hexdec(substr($hex, 1, 2)), hexdec(substr($hex, 3, 2)), hexdec(substr($hex, 5, 2))];
            foreach (range(0, 100) as $k) {
                $at = $k / 100;
                $next = 1;
                while ($written[$next][0] < $at) {
                    $next++;
                }
                [$before, $after] = [$written[$next - 1], $written[$next]];
                $part = ($at - $before[0]) / ($after[0] - $before[0]);
                foreach (Oklab::mixed(Oklab::coordinates($one), Oklab::coordinates($other), $at) as $channel => $wanted) {
                    $shown = $rgb($before[1])[$channel] + $part * ($rgb($after[1])[$channel] - $rgb($before[1])[$channel]);
                    self::assertEqualsWithDelta(255 * max(0.0, min(1.0, $wanted)), $shown, 1.0, "$one to $other at $at");
                }
            }
        }
    }

    public function test_a_gradient_said_for_a_part_turns_with_its_copies(): void
    {
        $scene = self::scene([
            self::BAR,
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => 7],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => self::ACROSS],
        ]);
        foreach (range(0, 6) as $copy) {
            foreach ([0.1, 0.5, 0.8] as $share) {
                $place = Affine::turn(($copy * 360) / 7, new Vec(400.0, 400.0))->apply(new Vec(100.0 + 100.0 * $share, 120.0));
                self::assertSame(
                    self::colourAt($scene, 0, 100.0 + 100.0 * $share, 120.0),
                    self::colourAt($scene, $copy, $place->x, $place->y),
                );
            }
        }
        self::assertCount(
            1,
            array_unique(array_map(spl_object_id(...), array_filter($scene->drawing[0]->styles))),
            'Copies share one look.',
        );
    }

    public function test_said_for_the_repeat_it_lies_over_all_copies_and_goes_with_them_from_there_on(): void
    {
        $steps = [
            self::BAR,
            ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [120, 0], 'count' => 3],
            [
                'id' => 's1',
                'kind' => 'style',
                'of' => ['r1'],
                'fill' => ['gradient' => 'linear', 'from' => [100, 0], 'to' => [440, 0], 'stops' => self::STOPS],
            ],
        ];
        $scene = self::scene($steps);
        self::assertSame('#0f6e84', self::colourAt($scene, 0, 100.0, 120.0));
        self::assertSame('#1b2140', self::colourAt($scene, 2, 440.0, 120.0));
        self::assertSame(self::colourAt($scene, 0, 270.0, 120.0), self::colourAt($scene, 1, 270.0, 130.0));
        // Mirrored in an upright line, what was left is right.
        $mirrored = self::scene([...$steps, ['id' => 'm1', 'kind' => 'mirror', 'of' => ['r1'], 'axis' => [[400, 0], [400, 1]]]]);
        self::assertSame('#0f6e84', self::colourAt($mirrored, 0, 700.0, 120.0));
        self::assertSame('#1b2140', self::colourAt($mirrored, 2, 360.0, 120.0));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, \Closure(Vec): Vec}> */
    public static function made(): iterable
    {
        $same = static fn (Vec $place): Vec => $place;
        yield 'inset' => [[['id' => 'x', 'kind' => 'inset', 'of' => ['p1'], 'distance' => 4]], $same];
        yield 'rounded' => [[['id' => 'x', 'kind' => 'round', 'of' => ['p1'], 'radius' => 4]], $same];
        yield 'moved, then cut' => [
            [
                ['id' => 'm1', 'kind' => 'move', 'of' => ['p1'], 'by' => [50, 30]],
                ['id' => 'p2', 'kind' => 'part.circle', 'center' => [150, 150], 'radius' => 10],
                ['id' => 'x', 'kind' => 'cut', 'from' => 'm1', 'with' => ['p2']],
            ],
            static fn (Vec $place): Vec => $place->plus(new Vec(50.0, 30.0)),
        ];
        yield 'turned, then inset, then moved' => [
            [
                ['id' => 't1', 'kind' => 'turn', 'of' => ['p1'], 'about' => [150, 120], 'angle' => 90],
                ['id' => 'i1', 'kind' => 'inset', 'of' => ['t1'], 'distance' => 4],
                ['id' => 'x', 'kind' => 'move', 'of' => ['i1'], 'by' => [7, 0]],
            ],
            static fn (Vec $place): Vec => Affine::turn(90.0, new Vec(150.0, 120.0))->apply($place)->plus(new Vec(7.0, 0.0)),
        ];
        yield 'resized' => [
            [['id' => 'x', 'kind' => 'resize', 'of' => ['p1'], 'about' => [0, 0], 'factors' => [2, 3]]],
            static fn (Vec $place): Vec => new Vec(2 * $place->x, 3 * $place->y),
        ];
        yield 'a copy that is lapped' => [
            [['id' => 'x', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [150, 160], 'count' => 6, 'lap' => 'clockwise']],
            $same,
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @param  \Closure(Vec): Vec  $moved
     */
    #[DataProvider('made')]
    public function test_it_goes_with_what_is_made_of_the_part(array $steps, \Closure $moved): void
    {
        $scene = self::scene([self::BAR, ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => self::ACROSS], ...$steps]);
        $plain = self::scene([self::BAR, ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => self::ACROSS]]);
        foreach ([0.0, 0.3, 0.9] as $share) {
            $place = $moved(new Vec(100.0 + 100.0 * $share, 120.0));
            self::assertSame(self::colourAt($plain, 0, 100.0 + 100.0 * $share, 120.0), self::colourAt($scene, 0, $place->x, $place->y));
        }
    }

    public function test_what_is_left_open_fits_every_figure_by_itself(): void
    {
        $scene = self::scene([
            self::BAR,
            ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [120, 0], 'count' => 3],
            ['id' => 's1', 'kind' => 'style', 'of' => ['r1'], 'fill' => ['gradient' => 'linear', 'stops' => self::STOPS]],
        ]);
        foreach (range(0, 2) as $copy) {
            self::assertSame('#0f6e84', self::colourAt($scene, $copy, 100.0 + 120 * $copy, 120.0));
            self::assertSame('#1b2140', self::colourAt($scene, $copy, 200.0 + 120 * $copy, 120.0));
        }
        $disc = self::scene([
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [300, 300], 'radius' => 50],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => ['gradient' => 'radial', 'stops' => self::STOPS]],
        ]);
        self::assertSame('#0f6e84', self::colourAt($disc, 0, 300.0, 300.0));
        self::assertSame('#1b2140', self::colourAt($disc, 0, 300.0, 350.0));
    }

    public function test_along_a_band_it_runs_from_one_end_to_the_other_whichever_way_that_bends(): void
    {
        $scene = self::scene([
            ['id' => 'c1', 'kind' => 'guide.run', 'points' => [[100, 100], [400, 100], [400, 300]]],
            ['id' => 'b1', 'kind' => 'band', 'of' => ['c1'], 'width' => 20],
            [
                'id' => 's1',
                'kind' => 'style',
                'of' => ['b1'],
                'fill' => ['gradient' => 'along', 'stops' => [[0, '#000000'], [1, '#ffffff']]],
            ],
        ]);
        $stretches = $scene->drawing[0]->styles[0]?->gradient->stretches ?? [];
        self::assertGreaterThan(60, count($stretches));
        $before = -1;
        foreach ($stretches as [$curves, $colour]) {
            self::assertGreaterThanOrEqual($before, hexdec(substr($colour, 1, 2)), 'It only gets lighter.');
            $before = hexdec(substr($colour, 1, 2));
            self::assertLessThanOrEqual(2, count($curves), 'Each reaches under the next one only.');
        }
        self::assertGreaterThan(250, $before);
        // The corner is three fifths of the way.
        $corner = array_values(
            array_filter($stretches, static fn (array $stretch): bool => $stretch[0][0]->end()->distanceTo(new Vec(400.0, 100.0)) < 1e-6),
        )[0];
        self::assertEqualsWithDelta(hexdec(substr(Oklab::mix('#000000', '#ffffff', 0.6), 1, 2)), hexdec(substr($corner[1], 1, 2)), 3.0);
    }

    public function test_along_a_way_needs_a_way(): void
    {
        $scene = Sample::scene(
            Sample::plan([
                self::BAR,
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => ['gradient' => 'along', 'stops' => self::STOPS]],
            ]),
        );
        self::assertSame(['s1', 'fill'], [$scene->findings[0]->step, $scene->findings[0]->field]);
        self::assertStringContainsString('needs a band', $scene->findings[0]->message);
    }

    public function test_a_gradient_between_equal_places_is_a_finding_and_stops_out_of_order_are_put_in_order(): void
    {
        $scene = Sample::scene(
            Sample::plan([
                self::BAR,
                [
                    'id' => 's1',
                    'kind' => 'style',
                    'of' => ['p1'],
                    'fill' => ['gradient' => 'linear', 'from' => [5, 5], 'to' => [5, 5], 'stops' => self::STOPS],
                ],
            ]),
        );
        self::assertStringContainsString('begins where it ends', $scene->findings[0]->message);
        $look = static fn (array $stops): ?Style => self::scene([
            self::BAR,
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => ['gradient' => 'linear', 'stops' => $stops]],
        ])->drawing[0]->styles[0];
        self::assertSame(
            $look([[0, 'ink'], [0.4, 'lagoon'], [1, '#ffffff']])?->gradient?->written(),
            $look([[1, '#ffffff'], [0.4, 'lagoon'], [0, 'ink']])?->gradient?->written(),
        );
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function unusable(): iterable
    {
        yield 'no sort' => [['stops' => self::STOPS], '/steps/1/fill/gradient'];
        yield 'one stop' => [['gradient' => 'linear', 'stops' => [[0, 'ink']]], '/steps/1/fill/stops'];
        yield 'a stop that is no pair' => [['gradient' => 'linear', 'stops' => [[0, 'ink'], [1]]], '/steps/1/fill/stops/1'];
        yield 'a stop outside' => [['gradient' => 'linear', 'stops' => [[0, 'ink'], [true, 'ink']]], '/steps/1/fill/stops/1/0'];
        yield 'a stop of no colour' => [['gradient' => 'linear', 'stops' => [[0, 'ink'], [1, 'none']]], '/steps/1/fill/stops/1/1'];
        yield 'what another sort says' => [['gradient' => 'linear', 'radius' => 5, 'stops' => self::STOPS], '/steps/1/fill/radius'];
        yield 'no place' => [['gradient' => 'radial', 'center' => 'here', 'stops' => self::STOPS], '/steps/1/fill/center'];
    }

    #[DataProvider('unusable')]
    public function test_what_is_no_gradient_is_refused_with_its_place(mixed $fill, string $pointer): void
    {
        try {
            Sample::scene(Sample::plan([self::BAR, ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => $fill]]));
            self::fail('It was taken.');
        } catch (Unusable $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }

    public function test_a_renamed_colour_is_renamed_in_stops_and_steps_are_found_in_places(): void
    {
        $plan = Sample::plan([
            Sample::polar(),
            self::BAR,
            [
                'id' => 's1',
                'kind' => 'style',
                'of' => ['p1'],
                'fill' => [
                    'gradient' => 'linear',
                    'from' => 'g1@0',
                    'to' => ['p1.wide', 0],
                    'stops' => [[0, 'ink'], ['p1.wide/200', 'lagoon'], [1, 'ink']],
                ],
            ],
        ]);
        $read = (new PlanReader(Kinds::all()))->fromArray($plan);
        self::assertEqualsCanonicalizing(['p1', 'g1'], $read->steps['s1']->references());
        $edited = PlanEdit::apply($plan, [['op' => 'rename-colour', 'name' => 'ink', 'to' => 'night']], Kinds::all())->plan();
        self::assertSame([[0, 'night'], ['p1.wide/200', 'lagoon'], [1, 'night']], $edited['steps'][2]['fill']['stops'] ?? null);
    }

    public function test_in_betweens_of_two_gradients_run_between_what_lies_between_their_colours(): void
    {
        $fill = static fn (string $from, string $to): array => ['gradient' => 'linear', 'stops' => [[0, $from], [1, $to]]];
        $scene = self::scene([
            self::BAR,
            [...self::BAR, 'id' => 'p2', 'corners' => [[100, 400], [200, 440]]],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => $fill('#000000', '#ff0000')],
            ['id' => 's2', 'kind' => 'style', 'of' => ['p2'], 'fill' => $fill('#ffffff', '#0000ff')],
            ['id' => 'n1', 'kind' => 'between', 'of' => ['p1', 'p2'], 'steps' => 1],
        ]);
        $gradient = null;
        foreach ($scene->drawing as $drawn) {
            $gradient = $drawn->id === 'n1' ? $drawn->styles[0]?->gradient : $gradient;
        }
        self::assertSame(
            [Oklab::mix('#000000', '#ffffff', 0.5), Oklab::mix('#ff0000', '#0000ff', 0.5)],
            [$gradient?->colourAt(0.0), $gradient?->colourAt(1.0)],
        );
    }

    public function test_svg_defines_colours_once_and_places_every_copy(): void
    {
        $svg = SvgDrawing::write(
            self::scene([
                self::BAR,
                ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => 4],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => self::ACROSS],
            ]),
        );
        self::assertSame(1, substr_count($svg, '<stop stop-color="#0f6e84"/>'));
        self::assertSame(4, substr_count($svg, 'gradientUnits="userSpaceOnUse"'));
        self::assertStringContainsString('gradientTransform="matrix(0 1 -1 0 800 0)"', $svg, 'A quarter turn about the middle.');
        preg_match_all('/url\(#([^)]+)\)/', $svg, $used);
        foreach ($used[1] as $id) {
            self::assertSame(1, substr_count($svg, "id=\"$id\""));
        }
    }

    public function test_a_part_knows_how_it_was_moved_since_each_step(): void
    {
        $scene = self::scene([
            self::BAR,
            ['id' => 'm1', 'kind' => 'move', 'of' => ['p1'], 'by' => [5, 0]],
            ['id' => 't1', 'kind' => 'turn', 'of' => ['m1'], 'about' => [0, 0], 'angle' => 90],
        ]);
        $part = $scene->parts()['t1'] ?? null;
        self::assertInstanceOf(Part::class, $part);
        $figure = $part->figures()[0];
        self::assertEquals(new Vec(-20.0, 15.0), self::rounded($figure->since('p1')?->apply(new Vec(10.0, 20.0))));
        self::assertEquals(new Vec(-20.0, 10.0), self::rounded($figure->since('m1')?->apply(new Vec(10.0, 20.0))));
        self::assertEquals(new Vec(10.0, 20.0), self::rounded($figure->since('t1')?->apply(new Vec(10.0, 20.0))));
        self::assertNull($figure->since('p9'));
    }

    private static function rounded(?Vec $place): ?Vec
    {
        return $place === null ? null : new Vec(round($place->x, 9) + 0.0, round($place->y, 9) + 0.0);
    }

    public function test_its_stops_are_held_where_they_lie(): void
    {
        self::assertSame([
            ['place', ['from'], 100.0, 120.0, null], ['place', ['to'], 200.0, 120.0, null],
            ['along', ['stops', 1, 0], 100.0, 140.0, '#0f6e84'], ['along', ['stops', 0, 0], 150.0, 140.0, '#1b2140'],
        ], self::held(['gradient' => 'linear', 'stops' => [[0.5, 'ink'], [0, 'lagoon']]], [self::BAR]));
        // Along a band they lie on its way: at 400 of 500.
        $band = [
            ['id' => 'c1', 'kind' => 'guide.run', 'points' => [[100, 100], [400, 100], [400, 300]]],
            ['id' => 'b1', 'kind' => 'band', 'of' => ['c1'], 'width' => 20],
        ];
        self::assertSame(
            [['along', ['stops', 0, 0], 100.0, 100.0, '#0f6e84'], ['along', ['stops', 1, 0], 400.0, 200.0, '#1b2140']],
            self::held(['gradient' => 'along', 'stops' => [[0, 'lagoon'], [0.8, 'ink']]], $band),
        );
        self::assertSame(
            ['place', 'distance'],
            array_column(array_slice(self::held(['gradient' => 'radial', 'stops' => self::STOPS], [self::BAR]), 0, 2), 0),
        );
    }

    /**
     * What of a look can be taken hold of: its sort, what of the field it is, where, and in which colour.
     *
     * @param  array<string, mixed>  $fill
     * @param  list<array<string, mixed>>  $shape
     * @return list<array{string, list<int|string>, float, float, string|null}>
     */
    private static function held(array $fill, array $shape): array
    {
        $known = self::scene([...$shape, ['id' => 's1', 'kind' => 'style', 'of' => [$shape[count($shape) - 1]['id']], 'fill' => $fill]])
            ->known['s1'];

        return array_map(
            static fn ($pull): array => [$pull->sort, $pull->path, round($pull->at->x, 3), round($pull->at->y, 3), $pull->colour],
            $known->pulls(),
        );
    }
}
