<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Edit\Arranging;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Sample;

/** Points brought into line, spread and moved where they are written. */
final class ArrangingTest extends TestCase
{
    private const GRID = [
        'id' => 'g1',
        'kind' => 'grid.rectangular',
        'origin' => [0, 0],
        'columns' => 8,
        'rows' => 8,
        'cell' => [100, 100],
    ];

    /**
     * @param  list<array<string, mixed>>  $steps
     * @param  array<string, mixed>  $operation
     * @return array<string, mixed> the plan afterwards
     */
    private static function arranged(array $steps, array $operation): array
    {
        $plan = Sample::plan($steps);
        $operations = Arranging::operations(Sample::scene($plan), ['op' => 'arrange', ...$operation], '/operations/0');

        return PlanEdit::apply($plan, $operations, Kinds::all())->plan();
    }

    /** @return list<array{float, float}> */
    private static function corners(Scene $scene, string $id): array
    {
        return array_map(static fn (Vec $at): array => [round($at->x, 9), round($at->y, 9)], $scene->parts()[$id]->places);
    }

    public function test_points_of_a_grid_are_brought_into_a_row_and_stay_in_it(): void
    {
        $steps = [self::GRID, ['id' => 'p1', 'kind' => 'part.outline', 'points' => ['g1@1,1', 'g1@3,2', 'g1@2,5']]];
        $plan = self::arranged($steps, ['points' => [[100, 100], [300, 200]], 'way' => 'row']);
        self::assertSame(['g1@1,1', ['column' => 'g1@3,2', 'row' => 'g1@1,1'], 'g1@2,5'], $plan['steps'][1]['points']);
        self::assertSame([[100.0, 100.0], [300.0, 100.0], [200.0, 500.0]], self::corners(Sample::scene($plan), 'p1'));
        $plan['steps'][0]['cell'] = [100, 70];
        self::assertSame(
            [[100.0, 70.0], [300.0, 70.0], [200.0, 350.0]],
            self::corners(Sample::scene($plan), 'p1'),
            'The grid lower, the row goes along.',
        );
    }

    public function test_points_of_a_slanting_grid_are_known_by_their_address_and_by_what_was_told_of_them(): void
    {
        $grid = [
            'id' => 'g1',
            'kind' => 'grid.twoaxis',
            'origin' => [400, 100],
            'angles' => [45, 135],
            'spacing' => [40, 40],
            'columns' => 8,
            'rows' => 8,
        ];
        $steps = [$grid, ['id' => 'p1', 'kind' => 'part.outline', 'points' => ['g1@1,1', 'g1@3,2', 'g1@2,5']]];
        $told = array_map(
            static fn (array $at): array => [round($at[0], 4), round($at[1], 4)],
            self::corners(Sample::scene(Sample::plan($steps)), 'p1'),
        );
        self::assertNotSame($told, self::corners(Sample::scene(Sample::plan($steps)), 'p1'), 'Nothing is told with all of its digits.');
        foreach ([['g1@3,2'], [$told[1]]] as $points) {
            $plan = self::arranged($steps, ['points' => $points, 'way' => 'shift', 'cells' => [1, -1]]);
            self::assertSame(['g1@1,1', 'g1@4,1', 'g1@2,5'], $plan['steps'][1]['points']);
        }
        self::assertSame(
            [['of' => 'g1@1,1', 'by' => [5, 0]], 'g1@3,2', 'g1@2,5'],
            self::arranged($steps, ['points' => ['g1@1,1'], 'way' => 'shift', 'by' => [5, 0]])['steps'][1]['points'],
        );
    }

    public function test_free_points_of_one_outline_share_a_named_number(): void
    {
        $steps = [['id' => 'p1', 'kind' => 'part.outline', 'points' => [[10, 20], [200, 30], [100, 300]]]];
        $plan = self::arranged($steps, ['points' => [[10, 20], [200, 30]], 'way' => 'row']);
        self::assertSame(['row1' => 20.0], $plan['values']);
        self::assertSame([[10, 'row1'], [200, 'row1'], [100, 300]], $plan['steps'][0]['points']);
        $again = PlanEdit::apply(
            $plan,
            Arranging::operations(Sample::scene($plan), ['points' => [[10, 20], [100, 300]], 'way' => 'column'], ''),
            Kinds::all(),
        )->plan();
        self::assertSame(['row1' => 20.0, 'column1' => 10.0], $again['values']);
        self::assertSame([['column1', 'row1'], [200, 'row1'], ['column1', 300]], $again['steps'][0]['points']);
    }

    public function test_a_later_part_follows_the_corner_of_an_earlier_one(): void
    {
        $steps = [
            ['id' => 'p1', 'kind' => 'part.outline', 'points' => [[10, 20], [200, 30], [100, 300]]],
            ['id' => 'c1', 'kind' => 'guide.run', 'points' => [[400, 400], [500, 450]]],
        ];
        $plan = self::arranged($steps, ['points' => [[200, 30], [500, 450]], 'way' => 'column']);
        self::assertSame([[400, 400], ['column' => 'p1@2', 'row' => [500, 450]]], $plan['steps'][1]['points']);
        $scene = Sample::scene($plan);
        self::assertEqualsWithDelta(200.0, $scene->guides()['c1']->runs[0]->end()->x, 1e-12);
    }

    public function test_points_are_spread_evenly_between_the_first_and_the_last(): void
    {
        $steps = [self::GRID, ['id' => 'c1', 'kind' => 'guide.run', 'points' => ['g1@0,0', [120, 90], [150, 500], 'g1@6,3']]];
        $plan = self::arranged($steps, ['points' => [[0, 0], [120, 90], [150, 500], [600, 300]], 'way' => 'spread']);
        self::assertSame(['between' => ['g1@0,0', 'g1@6,3'], 'share' => '2/3'], $plan['steps'][1]['points'][2]);
        $scene = Sample::scene($plan);
        self::assertEqualsWithDelta(
            [200.0, 100.0],
            [$scene->known['c1']->places['points'][1]->x, $scene->known['c1']->places['points'][1]->y],
            1e-9,
        );
    }

    public function test_a_pair_of_corners_is_moved_by_whole_cells(): void
    {
        $steps = [self::GRID, ['id' => 'p1', 'kind' => 'part.outline', 'points' => ['g1@1,1', 'g1@3,1', 'g1@3,2', 'g1@1,2']]];
        $plan = self::arranged($steps, ['points' => [[300, 100], [300, 200]], 'way' => 'shift', 'cells' => [2, 0]]);
        self::assertSame(['g1@1,1', 'g1@5,1', 'g1@5,2', 'g1@1,2'], $plan['steps'][1]['points']);
    }

    public function test_points_are_moved_by_a_way_and_again(): void
    {
        $steps = [
            self::GRID,
            ['id' => 'p1', 'kind' => 'part.outline', 'points' => ['g1@1,1', [300, 100], ['of' => 'g1@3,2', 'by' => [5, 5]]]],
        ];
        $plan = self::arranged($steps, [
            'points' => [[100, 100], [300, 100], [305, 205]],
            'way' => 'shift',
            'by' => [50, 'sheet.height/80'],
        ]);
        self::assertSame(
            [
                ['of' => 'g1@1,1', 'by' => [50, 'sheet.height/80']],
                [350, '(100) + (sheet.height/80)'],
                ['of' => 'g1@3,2', 'by' => [55, '(5) + (sheet.height/80)']],
            ],
            $plan['steps'][1]['points'],
        );
        self::assertSame([[150.0, 110.0], [350.0, 110.0], [355.0, 215.0]], self::corners(Sample::scene($plan), 'p1'));
    }

    public function test_the_step_that_has_the_most_of_the_points_is_meant_or_the_one_that_is_named(): void
    {
        $bar = static fn (string $id, array $points): array => ['id' => $id, 'kind' => 'part.outline', 'points' => $points];
        $steps = [self::GRID, $bar('p1', ['g1@1,1', 'g1@3,1', 'g1@3,2']), $bar('p2', ['g1@3,1', 'g1@5,1', 'g1@5,3'])];
        $of = static fn (array $more): array => array_column(
            self::arranged($steps, ['points' => [[100, 100], [300, 100]], 'way' => 'shift', 'cells' => [0, 1], ...$more])['steps'],
            'points',
        );
        self::assertSame([['g1@1,2', 'g1@3,2', 'g1@3,2'], ['g1@3,1', 'g1@5,1', 'g1@5,3']], $of([]));
        self::assertSame('g1@3,2', $of(['of' => 'p2'])[1][0]);
    }

    public function test_what_cannot_be_arranged_is_said_at_its_field(): void
    {
        $steps = [self::GRID, ['id' => 'p1', 'kind' => 'part.outline', 'points' => ['g1@1,1', [300, 100], 'g1@3,2']]];
        foreach ([
            [['points' => [[100, 100], [777, 5]], 'way' => 'row'], '/operations/0/points/1'],
            [['points' => [[100, 100]], 'way' => 'row'], '/operations/0/points'],
            [['points' => [], 'way' => 'row'], '/operations/0/points'],
            [['points' => [[100, 100], [300, 100]], 'way' => 'sideways'], '/operations/0/way'],
            [['points' => [[300, 100]], 'way' => 'shift', 'cells' => [1, 0]], '/operations/0/cells'],
            [['points' => [[100, 100]], 'way' => 'shift', 'cells' => [0.5, 0]], '/operations/0/cells'],
            [['points' => [[100, 100]], 'way' => 'shift'], '/operations/0/by'],
        ] as [$operation, $pointer]) {
            try {
                self::arranged($steps, $operation);
                self::fail("$pointer was let through.");
            } catch (Unusable $fault) {
                self::assertSame($pointer, $fault->pointer);
            }
        }
    }
}
