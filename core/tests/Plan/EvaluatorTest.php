<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Piece;
use Sternbild\Core\Plan\Sentence;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Memory;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneView;

final class EvaluatorTest extends TestCase
{
    public function test_ten_sectors_become_twelve_and_everything_follows(): void
    {
        $plan = Sample::rosette();
        $ten = Sample::scene($plan)->parts()['r1'];
        $plan['steps'][0]['sectors'] = 12;
        $twelve = Sample::scene($plan)->parts()['r1'];

        self::assertSame([10, 12], [$ten->pieces(), $twelve->pieces()]);
        // The petals cover rings 2 to 4 all around, whatever their number.
        self::assertEqualsWithDelta(M_PI * (240 ** 2 - 60 ** 2), $ten->area(), 1e-6);
        self::assertEqualsWithDelta($ten->area(), $twelve->area(), 1e-6);
    }

    public function test_a_whole_ring_stays_whole(): void
    {
        foreach ([10, 12, 3] as $sectors) {
            $scene = Sample::scene(Sample::plan([Sample::polar(['sectors' => $sectors]), Sample::part('p1', ['g1#5,*'])]));
            self::assertEqualsWithDelta(M_PI * (300 ** 2 - 240 ** 2), $scene->parts()['p1']->area(), 1e-6);
        }
    }

    /** @return iterable<string, array{list<array<string, mixed>>, string, string, string}> */
    public static function failures(): iterable
    {
        yield 'radius zero' => [[Sample::polar(['radius' => 0])], 'radius', 'number', 'Grid 1: radius must be more than 0; it is 0'];
        yield 'radius below zero' => [[Sample::polar(['radius' => -5])], 'radius', 'number', 'it is -5'];
        yield 'radius without end' => [[Sample::polar(['radius' => '10^999'])], 'radius', 'arithmetic', 'no finite result'];
        yield 'too far away' => [[Sample::polar(['center' => [1e300, 0]])], 'center.0', 'limit', 'at most 10000000'];
        yield 'half a sector' => [[Sample::polar(['sectors' => 10.5])], 'sectors', 'number', 'whole number'];
        yield 'a thousand million sectors' => [[Sample::polar(['sectors' => 1e9])], 'sectors', 'limit', 'at most 100000'];
        yield 'too many cells' => [
            [Sample::polar(['rings' => 400, 'sectors' => 400])],
            'sectors',
            'limit',
            '400 × 400 cells; a grid can have at most 100,000',
        ];
        yield 'hole larger than the grid' => [[Sample::polar(['inner' => 300])], 'inner', 'number', 'less than the radius'];
        yield 'unknown name' => [[Sample::polar(['radius' => 'nothing*2'])], 'radius', 'arithmetic', '“nothing”'];
        yield 'half a sum' => [[Sample::polar(['radius' => '3+'])], 'radius', 'arithmetic', 'number was expected'];
        yield 'division by zero' => [[Sample::polar(['radius' => '1/0'])], 'radius', 'arithmetic', 'divides by zero'];
        yield 'cell and size' => [[Sample::rectangular(['size' => [5, 5]])], 'cell', 'choice', 'not both'];
        yield 'gutters that leave nothing' => [
            [Sample::rectangular(['cell' => null, 'size' => [100, 100], 'gutter' => [20, 0]])],
            'gutter',
            'number',
            'leave nothing',
        ];
        yield 'a cell of nothing' => [[Sample::rectangular(['cell' => [0, 5]])], 'cell.0', 'number', 'more than 0'];
        yield 'parallel axes' => [
            [
                [
                    'id' => 'g1',
                    'kind' => 'grid.twoaxis',
                    'origin' => [0, 0],
                    'angles' => [30, 210],
                    'spacing' => [10, 10],
                    'columns' => 2,
                    'rows' => 2,
                ],
            ],
            'angles',
            'number',
            'parallel',
        ];
        yield 'half a pixel' => [
            [['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 2, 'rows' => 2, 'cell' => 7.5]],
            'cell',
            'number',
            'whole number',
        ];
        yield 'too many triangles' => [
            [['id' => 'g1', 'kind' => 'grid.triangular', 'origin' => [0, 0], 'side' => 5, 'columns' => 300, 'rows' => 300]],
            'columns',
            'limit',
            'at most 100,000',
        ];
        yield 'a golden grid too deep' => [
            [['id' => 'g1', 'kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [5, 5], 'depth' => 9]],
            'depth',
            'limit',
            'at most 8',
        ];
        yield 'no cell' => [[Sample::polar(), Sample::part('p1', [])], 'cells', 'lost', 'no cell is picked'];
        yield 'all cells lost' => [
            [Sample::polar(), Sample::part('p1', ['g1#9,1'])],
            'cells',
            'lost',
            'ring 9 does not exist: there are rings 1 to 5 in grid 1',
        ];
        yield 'cells of no grid' => [[Sample::polar(), Sample::part('p1', ['g7#1,1'])], 'cells', 'lost', 'not in the plan'];
        yield 'a repeat of nothing' => [
            [Sample::polar(), ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 5]],
            'of',
            'lost',
            'not in the plan',
        ];
        yield 'a repeat of a grid' => [
            [Sample::polar(), ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['g1'], 'center' => 'g1@0', 'count' => 5]],
            'of',
            'lost',
            'not a part',
        ];
        yield 'a centre that is lost' => [
            [
                Sample::polar(),
                Sample::part('p1', ['g1#1,1']),
                ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@9,1', 'count' => 5],
            ],
            'center',
            'lost',
            'ring 9',
        ];
        yield 'a colour that the palette lacks' => [
            [Sample::polar(), Sample::part('p1', ['g1#1,1']), ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'plum']],
            'fill',
            'lost',
            'no colour “plum”',
        ];
        yield 'an order without a place' => [
            [Sample::polar(), Sample::part('p1', ['g1#1,1']), ['id' => 'd1', 'kind' => 'order', 'of' => ['p1']]],
            'to',
            'choice',
            'exactly one',
        ];
        yield 'too many copies' => [
            [
                Sample::polar(['rings' => 50, 'sectors' => 100]),
                Sample::part(
                    'p1',
                    array_map(static fn (int $k): string => 'g1#'.(1 + ($k % 50)).','.(1 + 2 * intdiv($k, 50)), range(0, 2499)),
                ),
                ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 10_000],
            ],
            'count',
            'limit',
            'can be drawn',
        ];
    }

    /** @param  list<array<string, mixed>>  $steps */
    #[DataProvider('failures')]
    public function test_a_step_that_fails_leaves_a_finding_and_no_result(array $steps, string $field, string $code, string $message): void
    {
        // A step behind the failing one is still evaluated.
        $steps[] = ['id' => 'g9', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 2, 'rows' => 2, 'cell' => [10, 10]];
        $scene = Sample::scene(Sample::plan($steps));
        $errors = self::errors($scene);

        self::assertCount(1, $errors);
        self::assertSame($steps[count($steps) - 2]['id'], $errors[0]->step);
        self::assertSame([$field, $code], [$errors[0]->field, $errors[0]->code]);
        self::assertStringContainsString($message, $errors[0]->message);
        self::assertArrayNotHasKey($errors[0]->step, $scene->known);
        self::assertArrayHasKey('g9', $scene->known);
    }

    public function test_some_lost_cells_are_left_out_with_a_warning(): void
    {
        $scene = Sample::scene(Sample::plan([Sample::polar(), Sample::part('p1', ['g1#1,1', 'g1#6,1', 'g1#2,11'])]));
        self::assertSame([], self::errors($scene));
        self::assertSame('warning', $scene->findings[0]->level);
        self::assertStringContainsString('2 cells are lost: g1#6,1', $scene->findings[0]->message);
        self::assertStringContainsString('g1#2,11', $scene->findings[0]->message);
        self::assertSame(3, $scene->parts()['p1']->nodes());
    }

    public function test_a_muted_step_is_skipped_and_its_parts_are_drawn_again(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][2]['muted'] = true;
        $scene = Sample::scene($plan);
        self::assertSame(['p1'], array_map(static fn ($drawn): string => $drawn->id, $scene->drawing));
        self::assertStringContainsString('repeat 1 is muted', $scene->findings[0]->message);
    }

    public function test_a_hidden_part_is_computed_and_not_drawn(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][2]['hidden'] = true;
        $scene = Sample::scene($plan);
        self::assertSame([], $scene->drawing);
        self::assertSame(10, $scene->parts()['r1']->pieces());
    }

    public function test_a_look_given_to_a_part_reaches_its_copies(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][3]['of'] = ['p1'];
        self::assertSame('#0f6e84', Sample::scene($plan)->drawing[0]->styles[9]?->fill);
    }

    public function test_a_later_look_goes_over_an_earlier_one_and_leaves_the_rest(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][] = ['id' => 's2', 'kind' => 'style', 'of' => ['p1'], 'stroke' => ['color' => 'ink', 'width' => 3]];
        $style = Sample::scene($plan)->drawing[0]->styles[0];
        self::assertNotNull($style);
        self::assertSame(['#0f6e84', '#1b2140', 3.0], [$style->fill, $style->stroke, $style->strokeWidth]);
    }

    public function test_order_moves_parts_to_front_back_and_beside_one_another(): void
    {
        $steps = [Sample::polar(), Sample::part('p1', ['g1#1,1']), Sample::part('p2', ['g1#2,1']), Sample::part('p3', ['g1#3,1'])];
        $order = static function (array ...$more) use ($steps): array {
            foreach (array_values($more) as $number => $one) {
                $steps[] = ['id' => "d$number", 'kind' => 'order', ...$one];
            }

            return array_column(Sample::scene(Sample::plan($steps))->drawing, 'id');
        };
        self::assertSame(['p1', 'p2', 'p3'], $order());
        self::assertSame(['p2', 'p3', 'p1'], $order(['of' => ['p1'], 'to' => 'front']));
        self::assertSame(['p3', 'p1', 'p2'], $order(['of' => ['p3'], 'to' => 'back']));
        self::assertSame(['p2', 'p1', 'p3'], $order(['of' => ['p1'], 'above' => 'p2']));
        self::assertSame(['p1', 'p3', 'p2'], $order(['of' => ['p3'], 'below' => 'p2']));
        self::assertSame(
            ['p2', 'p3', 'p1'],
            $order(['of' => ['p3'], 'to' => 'back'], ['of' => ['p1'], 'above' => 'p3'], ['of' => ['p2'], 'to' => 'back']),
        );
    }

    public function test_a_mirror_doubles_the_copies_and_keeps_their_area(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][1]['cells'] = ['g1#2,1', 'g1#3,2'];
        $plain = Sample::scene($plan)->parts()['r1'];
        $plan['steps'][2]['mirror'] = true;
        $mirrored = Sample::scene($plan)->parts()['r1'];
        self::assertSame(2 * $plain->pieces(), $mirrored->pieces());
        $each = static fn (Part $part): float => array_sum(
            array_map(static fn (Figure $figure): float => $figure->area(), $part->figures()),
        );
        self::assertEqualsWithDelta(2 * $each($plain), $each($mirrored), 1e-6);
        self::assertSame(0, $mirrored->holes());
    }

    public function test_copies_by_an_own_angle_are_not_spread_over_the_circle(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][2] = [...$plan['steps'][2], 'count' => 3, 'angle' => 10];
        $bounds = Sample::scene($plan)->parts()['r1']->bounds();
        self::assertLessThan(400, $bounds->bottom);
    }

    public function test_places_by_centre_of_cell_and_of_part(): void
    {
        $steps = static fn (mixed $center): array => [
            Sample::polar(),
            Sample::part('p1', ['g1#5,1']),
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => $center, 'count' => 2],
        ];
        $part = Sample::scene(Sample::plan($steps('p1!')))->parts()['r1'];
        // Half a turn about the centre of its own bounds leaves the bounds as they are.
        self::assertEqualsWithDelta(
            Sample::scene(Sample::plan($steps('p1!')))->parts()['p1']->bounds()->toArray(),
            $part->bounds()->toArray(),
            1e-9,
        );
        $about = Sample::scene(Sample::plan($steps('g1#5,1!')))->parts()['r1']->bounds()->center();
        self::assertEqualsWithDelta(400, $about->x, 1e-9);
    }

    public function test_numbers_of_grids_can_be_taken_by_name(): void
    {
        $scene = Sample::scene(
            Sample::plan(
                [
                    Sample::polar(),
                    [
                        'id' => 'g2',
                        'kind' => 'grid.polar',
                        'center' => 'g1@0',
                        'radius' => 'g1.ring*2',
                        'rings' => 'g1.rings-3',
                        'sectors' => '360/g1.sector',
                        'turn' => 'g1.sector/2',
                    ],
                    [
                        'id' => 'g3',
                        'kind' => 'grid.rectangular',
                        'origin' => [0, 0],
                        'columns' => 2,
                        'rows' => 2,
                        'size' => ['sheet.width/4', 'bar'],
                    ],
                    [
                        'id' => 'g4',
                        'kind' => 'grid.rectangular',
                        'origin' => [0, 0],
                        'columns' => 1,
                        'rows' => 1,
                        'cell' => ['g3.cellw', 'g3.cellh'],
                    ],
                ],
                ['bar' => '4*10'],
            ),
        );
        self::assertSame([], $scene->findings);
        self::assertEqualsWithDelta(M_PI * 120 ** 2, $scene->grids()['g2']->area(), 1e-6);
        self::assertSame(20, $scene->grids()['g2']->cellCount());
        self::assertEqualsWithDelta(100 * 20, $scene->grids()['g4']->area(), 1e-9);
    }

    public function test_a_changed_number_recomputes_only_what_hangs_on_it(): void
    {
        $cache = new class implements Memory
        {
            private ShortMemory $inner;

            /** @var list<class-string> */
            public array $computed = [];

            public function __construct()
            {
                $this->inner = new ShortMemory;
            }

            public function recall(string $key): mixed
            {
                return $this->inner->recall($key);
            }

            public function keep(string $key, mixed $value, float $seconds, ?int $pieces): void
            {
                if ($value instanceof Result) {
                    $this->computed[] = $value::class;
                }
                $this->inner->keep($key, $value, $seconds, $pieces);
            }
        };
        $plan = Sample::rosette();
        $plan['steps'][] = ['id' => 'g2', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 4, 'rows' => 4, 'cell' => [9, 9]];
        $plan['steps'][] = Sample::part('p2', ['g2#1,1']);
        Sample::scene($plan, $cache);
        self::assertCount(6, $cache->computed);

        $cache->computed = [];
        Sample::scene($plan, $cache);
        self::assertSame([], $cache->computed);

        $plan['steps'][4]['columns'] = 5;
        Sample::scene($plan, $cache);
        self::assertCount(2, $cache->computed);

        $cache->computed = [];
        $plan['steps'][0]['strength'] = 0.7;
        Sample::scene($plan, $cache);
        self::assertSame([], $cache->computed);
    }

    public function test_sentences_say_what_is_given_and_can_say_the_rest(): void
    {
        $scene = Sample::scene(Sample::rosette());
        $text = static fn (string $id): string => Sentence::text($scene->plan->steps[$id], $scene->plan, $scene->labels);
        self::assertSame('Polar grid at the centre of the sheet, radius 300, 5 rings × 10 sectors, a sector on the axis.', $text('g1'));
        self::assertSame('petal: part from 3 cells of grid 1.', $text('p1'));
        self::assertSame('Repeat petal around the centre of grid 1, g1.sectors times.', $text('r1'));
        self::assertSame('Fill repeat 1 with lagoon.', $text('s1'));
        $unsaid = array_filter(
            Sentence::pieces($scene->plan->steps['g1'], $scene->plan, $scene->labels, []),
            static fn (Piece $piece): bool => ! $piece->said && $piece->field !== null,
        );
        self::assertSame(['inner', 'turn', 'spacing', 'show', 'strength'], array_values(array_column($unsaid, 'field')));
    }

    /** @return list<Finding> */
    private static function errors(Scene $scene): array
    {
        return array_values(array_filter($scene->findings, static fn (Finding $finding): bool => $finding->isError()));
    }

    public function test_places_lie_where_grids_and_numbers_put_them_and_are_described_for_handles(): void
    {
        $scene = Sample::scene(Sample::plan([
            ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [10, 20], 'columns' => 4, 'rows' => 4, 'cell' => [30, 40]],
            ['id' => 'p1', 'kind' => 'part.outline', 'points' => ['g1@1,1', ['g1.cellw*3', 5], 'g1#2,2!']],
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => 'g1@2,0', 'radius' => 9],
        ]));
        $described = self::handles($scene);
        self::assertEquals((object) ['points' => [40.0, 60.0, 90.0, 5.0, 55.0, 80.0]], $described['p1']['at']);
        self::assertEquals((object) ['center' => [70.0, 20.0]], $described['c1']['at']);
        self::assertEquals((object) ['origin' => [10.0, 20.0]], $described['g1']['at']);
    }

    public function test_handles_are_told_of_the_steps_that_they_are_wanted_of_and_of_those_that_changed(): void
    {
        $scene = Sample::scene(Sample::rosette());
        $keys = static fn (array $has, ?array $of): array => array_values(
            array_filter(
                array_keys((array) SceneView::describe($scene, $has, $of)['geometry']),
                static fn (string $key): bool => str_starts_with($key, 'handles-'),
            ),
        );
        $all = $keys([], null);
        self::assertGreaterThan(1, count($all));
        self::assertSame(array_slice($all, 0, 1), $keys([], ['g1']));
        self::assertSame([], $keys([], []));
        self::assertSame(array_slice($all, 1), $keys([$all[0]], null));
    }

    /** @return array<string, array{at: object, pulls: list<mixed>}> by step */
    private static function handles(Scene $scene): array
    {
        $view = SceneView::describe($scene, []);
        $of = [];
        foreach ($view['steps'] as $k => $step) {
            $of[$step['id']] = ((array) $view['geometry'])["handles-{$view['geometries'][$k]}"];
        }

        return $of;
    }

    public function test_outlines_through_hundreds_of_points_have_no_handles(): void
    {
        $points = array_map(static fn (int $k): array => [400 + 300 * cos($k / 100), 400 + 300 * sin($k / 100)], range(0, 300));
        $scene = Sample::scene(Sample::plan([['id' => 'p1', 'kind' => 'part.outline', 'points' => $points]]));
        self::assertCount(301, $scene->known['p1']->places['points']);
        self::assertEquals(['at' => (object) [], 'pulls' => []], self::handles($scene)['p1']);
    }

    public function test_a_part_looks_like_another_with_all_that_was_said_of_that_one_and_goes_on_doing_so(): void
    {
        $steps = [
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 20],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [200, 100], 'radius' => 20],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'lagoon', 'stroke' => ['color' => 'ink', 'width' => 3]],
            ['id' => 's2', 'kind' => 'style', 'of' => ['p2'], 'like' => 'p1', 'opacity' => 0.5],
            ['id' => 's3', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'ink'],
        ];
        [$model, $like] = Sample::scene(Sample::plan($steps))->drawing;
        self::assertNotNull($model->styles[0]);
        self::assertNotNull($like->styles[0]);
        self::assertSame(
            ['#1b2140', '#1b2140', 3.0, 0.5],
            [$like->styles[0]->fill, $like->styles[0]->stroke, $like->styles[0]->strokeWidth, $like->styles[0]->opacity],
        );
        self::assertSame(1.0, $model->styles[0]->opacity, 'The model keeps its own.');
    }

    public function test_parts_that_look_like_one_another_come_to_an_end(): void
    {
        $scene = Sample::scene(
            Sample::plan([
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 20],
                ['id' => 'p2', 'kind' => 'part.circle', 'center' => [200, 100], 'radius' => 20],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'like' => 'p2', 'fill' => 'lagoon'],
                ['id' => 's2', 'kind' => 'style', 'of' => ['p2'], 'like' => 'p1', 'opacity' => 0.25],
            ]),
        );
        self::assertSame(
            ['#0f6e84', '#0f6e84'],
            array_map(static fn (DrawnPart $part): ?string => $part->styles[0]?->fill, $scene->drawing),
        );
    }

    public function test_copies_that_grow_beyond_all_measure_are_refused(): void
    {
        $disc = ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 20];
        foreach ([['kind' => 'repeat.along', 'by' => [9, 9]], ['kind' => 'repeat.around', 'center' => [400, 400]]] as $repeat) {
            foreach ([348.8, 0.01] as $factor) {
                $scene = Sample::scene(
                    Sample::plan([$disc, ['id' => 'r1', 'of' => ['p1'], 'count' => 80, 'factor' => $factor, ...$repeat]]),
                );
                self::assertSame(['factor', 'limit'], [$scene->findings[0]->field, $scene->findings[0]->code]);
            }
        }
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return list<string> the fills of what is drawn last
     */
    private static function fills(array $steps): array
    {
        $drawing = Sample::scene(Sample::plan($steps))->drawing;

        return array_map(static fn ($style): string => $style->fill ?? '', $drawing[count($drawing) - 1]->styles);
    }

    public function test_a_copy_or_a_piece_has_a_look_of_its_own_also_where_it_is_brought_elsewhere(): void
    {
        $row = [
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [160, 160]]],
            ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [100, 0], 'count' => 3],
            ['id' => 's1', 'kind' => 'style', 'of' => ['r1'], 'fill' => 'ink'],
            ['id' => 's2', 'kind' => 'style', 'of' => ['r1[2]'], 'fill' => 'lagoon'],
        ];
        self::assertSame(['#1b2140', '#0f6e84', '#1b2140'], self::fills($row));
        self::assertSame(
            ['#1b2140', '#0f6e84', '#1b2140'],
            self::fills([...$row, ['id' => 'v1', 'kind' => 'turn', 'of' => ['r1'], 'about' => [400, 400], 'angle' => 30]]),
        );
        $split = [
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [700, 300]]],
            ['id' => 'l1', 'kind' => 'guide.line', 'through' => [[300, 0], [300, 800]]],
            ['id' => 't1', 'kind' => 'split', 'of' => ['p1'], 'by' => ['l1']],
            ['id' => 'i1', 'kind' => 'inset', 'of' => ['t1'], 'distance' => 5],
            ['id' => 's1', 'kind' => 'style', 'of' => ['i1~150,200'], 'fill' => 'ink'],
            ['id' => 's2', 'kind' => 'style', 'of' => ['i1~600,200'], 'fill' => 'lagoon'],
        ];
        self::assertEqualsCanonicalizing(['#1b2140', '#0f6e84'], self::fills($split));
    }

    public function test_one_piece_of_a_figure_of_several_is_told_to_be_made_a_part_first(): void
    {
        $scene = Sample::scene(
            Sample::plan([
                Sample::polar(),
                Sample::part('p1', ['g1#5,1', 'g1#5,6']),
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1~400,110'], 'fill' => 'ink'],
            ]),
        );
        self::assertSame(
            ['of', 'choice'],
            [
                $scene->findings[count($scene->findings) - 1]->field ?? $scene->findings[0]->field,
                array_values(array_filter($scene->findings, static fn (Finding $finding): bool => $finding->isError()))[0]->code,
            ],
        );
    }
}
