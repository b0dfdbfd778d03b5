<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Section;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Sample;

final class PlanEditTest extends TestCase
{
    public function test_a_number_is_set_and_the_rest_stays(): void
    {
        $edit = self::apply([['op' => 'set', 'id' => 'g1', 'field' => 'sectors', 'value' => 12]]);
        $expected = Sample::rosette();
        $expected['steps'][0]['sectors'] = 12;
        self::assertEquals($expected, $edit->plan());
        self::assertSame(['g1'], $edit->touched());
        self::assertSame('Change sectors of grid 1', $edit->label());
    }

    public function test_nested_parameters_come_and_go(): void
    {
        $edit = self::apply([
            ['op' => 'set', 'id' => 's1', 'field' => 'stroke.width', 'value' => 4],
            ['op' => 'set', 'id' => 's1', 'field' => 'stroke.color', 'value' => 'ink'],
            ['op' => 'set', 'id' => 's1', 'field' => 'stroke.width', 'value' => null],
        ]);
        self::assertSame(['color' => 'ink'], $edit->plan()['steps'][3]['stroke']);
        $edit = PlanEdit::apply($edit->plan(), [['op' => 'set', 'id' => 's1', 'field' => 'stroke.color', 'value' => null]], Kinds::all());
        self::assertArrayNotHasKey('stroke', $edit->plan()['steps'][3]);
    }

    public function test_new_steps_get_free_ids_and_later_operations_can_name_them(): void
    {
        $edit = self::apply([
            ['op' => 'add', 'step' => ['id' => '+part', 'kind' => 'part.cells', 'cells' => ['g1#5,1']]],
            ['op' => 'add', 'step' => ['id' => '+new', 'kind' => 'style', 'of' => ['+part'], 'fill' => 'ink']],
            ['op' => 'set', 'id' => '+part', 'field' => 'name', 'value' => 'edge'],
        ]);
        self::assertSame(['p2', 's2'], $edit->added());
        self::assertSame(['id' => 's2', 'kind' => 'style', 'of' => ['p2'], 'fill' => 'ink'], $edit->plan()['steps'][5]);
        self::assertSame('edge', $edit->plan()['steps'][4]['name']);
        self::assertSame([], Sample::scene($edit->plan())->findings);
    }

    public function test_what_is_brought_elsewhere_keeps_what_it_is_called(): void
    {
        $steps = [['id' => 'p1', 'kind' => 'part.circle', 'center' => [10, 10], 'radius' => 4]];
        foreach ([['v1', 'p1'], ['v2', 'v1'], ['v3', 'v2'], ['v4', 'v3']] as [$id, $of]) {
            $steps[] = ['id' => $id, 'kind' => 'move', 'of' => [$of], 'by' => [1, 0]];
        }
        $steps[] = ['id' => 'v5', 'kind' => 'move', 'of' => ['v4'], 'by' => [9, 0], 'copy' => true];
        $plan = Sample::plan($steps);
        self::assertSame(
            ['p1' => 'disc 1', 'v1' => 'disc 1', 'v2' => 'disc 1', 'v3' => 'disc 1', 'v4' => 'disc 1', 'v5' => 'move 5'],
            Sample::scene($plan)->labels,
        );

        // Typed, the name is the last of them that stands before.
        $typed = static fn (string $id): mixed => array_column(
            self::after($plan, ['op' => 'set', 'id' => $id, 'field' => 'by', 'value' => ['disc 1.wide/2', 0]])['steps'],
            'by',
            'id',
        )[$id][0];
        self::assertSame('v4.wide/2', $typed('v5'));
        self::assertSame('v1.wide/2', $typed('v2'));

        self::assertSame('Delete the move of disc 1', PlanEdit::apply($plan, [['op' => 'remove', 'ids' => ['v4']]], Kinds::all())->label());
        $named = self::after($plan, ['op' => 'set', 'id' => 'v2', 'field' => 'name', 'value' => 'moon']);
        self::assertSame(['disc 1', 'disc 1', 'moon', 'moon', 'moon', 'move 5'], array_values(Sample::scene($named)->labels));
    }

    public function test_a_copy_goes_on_as_a_repeat_and_a_repeat_by_one_more(): void
    {
        $disc = ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 20];
        $again = static fn (array $plan, int $times): array => self::after(
            $plan,
            ...array_fill(0, $times, ['op' => 'again', 'id' => 'v1']),
        );
        $copy = static fn (array $more, array ...$others): array => Sample::plan([
            $disc,
            ...array_values($others),
            ['id' => 'v1', 'of' => ['p1'], ...$more],
            ['id' => 's1', 'kind' => 'style', 'of' => ['v1'], 'fill' => 'ink'],
        ]);
        $places = static function (array $plan): array {
            $part = Sample::scene($plan)->parts()['v1'];

            return array_map(static function ($figure): array {
                $bounds = $figure->outlines()[0]->bounds();

                return array_map(static fn (float $one): float => round($one, 6) + 0.0, [
                    $bounds->center()->x,
                    $bounds->center()->y,
                    ($bounds->right - $bounds->left) / 2,
                ]);
            }, $part->figures());
        };

        $moved = $copy(['kind' => 'move', 'by' => ['p1.wide', 10], 'copy' => true, 'name' => 'row']);
        self::assertSame(
            ['id' => 'v1', 'name' => 'row', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => ['p1.wide', 10], 'count' => 3],
            $again($moved, 1)['steps'][1],
        );
        self::assertSame(
            [[100.0, 100.0, 20.0], [140.0, 110.0, 20.0], [180.0, 120.0, 20.0], [220.0, 130.0, 20.0]],
            $places($again($moved, 2)),
        );
        self::assertSame(['v1'], $again($moved, 3)['steps'][2]['of'], 'What hangs on it goes on doing so.');

        $turned = $copy(['kind' => 'turn', 'about' => [200, 100], 'angle' => 90, 'copy' => true]);
        self::assertSame([[100.0, 100.0, 20.0], [200.0, 0.0, 20.0], [300.0, 100.0, 20.0]], $places($again($turned, 1)));
        $smaller = $copy(['kind' => 'resize', 'about' => [0, 0], 'factor' => 0.5, 'copy' => true]);
        self::assertSame([[100.0, 100.0, 20.0], [50.0, 50.0, 10.0], [25.0, 25.0, 5.0]], $places($again($smaller, 1)));

        // Turned and resized at once: the copy that was turned alone goes.
        $both = $copy(
            ['kind' => 'resize', 'of' => ['v0'], 'about' => [200, 100], 'factor' => 0.5],
            ['id' => 'v0', 'kind' => 'turn', 'of' => ['p1'], 'about' => [200, 100], 'angle' => 90, 'copy' => true],
        );
        self::assertSame(['p1', 'v1', 's1'], array_column($again($both, 1)['steps'], 'id'));
        // Unless a place, or a number, is said by it.
        foreach ([['center' => 'v0!', 'radius' => 3], ['center' => [9, 9], 'radius' => 'v0.wide/4']] as $said) {
            $held = [...$both, 'steps' => [...(array) $both['steps'], ['id' => 'p9', 'kind' => 'part.circle', ...$said]]];
            self::assertSame(['p1', 'v0', 'v1', 's1', 'p9'], array_column($again($held, 1)['steps'], 'id'));
        }
        self::assertSame([[100.0, 100.0, 20.0], [200.0, 50.0, 10.0], [225.0, 100.0, 5.0]], $places($again($both, 1)));
    }

    public function test_what_is_no_copy_does_not_go_on(): void
    {
        foreach (
            [
                ['kind' => 'move', 'by' => [1, 0]],
                ['kind' => 'move', 'from' => [0, 0], 'to' => [9, 9], 'copy' => true],
                ['kind' => 'repeat.along', 'by' => [1, 0], 'count' => '2*3'],
                ['kind' => 'mirror', 'axis' => [[0, 0], [0, 9]], 'copy' => true],
            ] as $said
        ) {
            try {
                self::after(
                    Sample::plan([
                        ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 20],
                        ['id' => 'v1', 'of' => ['p1'], ...$said],
                    ]),
                    ['op' => 'again', 'id' => 'v1'],
                );
                self::fail($said['kind']);
            } catch (Unusable $fault) {
                self::assertSame(
                    ['/operations/0/id', 'a copy that was moved, turned or resized, or a repeat with a count'],
                    [$fault->pointer, $fault->expected],
                );
            }
        }
    }

    public function test_places_and_numbers_of_new_steps_are_named_by_them(): void
    {
        $edit = self::apply([
            ['op' => 'add', 'step' => ['id' => '+new', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 20]],
            ['op' => 'add', 'step' => ['kind' => 'part.circle', 'center' => '+new!', 'radius' => '40-+new.wide/4*(+new.wide/40)']],
            ['op' => 'add', 'step' => ['kind' => 'part.circle', 'center' => [300, 100], 'radius' => '2+news', 'name' => 'the +new. one']],
        ]);
        [$circle, $unknown] = array_slice($edit->plan()['steps'], -2);
        self::assertSame(['p2!', '40-p2.wide/4*(p2.wide/40)'], [$circle['center'], $circle['radius']]);
        self::assertSame(['2+news', 'the +new. one'], [$unknown['radius'], $unknown['name']]);
    }

    public function test_steps_are_put_before_others_moved_and_removed(): void
    {
        $ids = static fn (PlanEdit $edit): array => array_column($edit->plan()['steps'], 'id');
        self::assertSame(
            ['g1', 'p1', 'p2', 'r1', 's1'],
            $ids(self::apply([['op' => 'add', 'step' => Sample::part('+', ['g1#1,1']), 'before' => 'r1']])),
        );
        self::assertSame(['g1', 'p1', 's1', 'r1'], $ids(self::apply([['op' => 'move', 'id' => 's1', 'before' => 'r1']])));
        self::assertSame(['p1', 'r1', 's1', 'g1'], $ids(self::apply([['op' => 'move', 'id' => 'g1', 'before' => null]])));
        self::assertSame(['g1'], $ids(self::apply([['op' => 'remove', 'ids' => ['p1', 'r1']]])));
    }

    public function test_a_removed_step_leaves_its_followers_with_a_finding_and_their_data(): void
    {
        $plan = self::apply([['op' => 'remove', 'ids' => ['p1']]])->plan();
        self::assertSame(['p1'], $plan['steps'][1]['of']);
        self::assertStringContainsString('not in the plan', Sample::scene($plan)->findings[0]->message);
    }

    public function test_an_id_is_never_given_twice_however_steps_come_and_go(): void
    {
        $seed = new \Random\Randomizer(new \Random\Engine\Mt19937(41));
        $plan = Sample::rosette();
        $seen = array_fill_keys(array_column($plan['steps'], 'id'), true);
        for ($turn = 0; $turn < 120; $turn++) {
            $ids = array_column($plan['steps'], 'id');
            $isGoing = count($ids) > 1 && $seed->getInt(0, 2) === 0;
            $operation = $isGoing
                ? ['op' => 'remove', 'ids' => [$ids[$seed->getInt(1, count($ids) - 1)]]]
                : [
                    'op' => 'add',
                    'step' => $seed->getInt(0, 1) === 0
                            ? ['kind' => 'part.circle', 'center' => [$turn, 10], 'radius' => 5]
                            : ['kind' => 'guide.circle', 'center' => [$turn, 10], 'radius' => 5],
                ];
            $edit = PlanEdit::apply($plan, [$operation], Kinds::all());
            foreach ($edit->added() as $id) {
                self::assertArrayNotHasKey($id, $seen, "$id was given before");
                $seen[$id] = true;
            }
            // As it is stored, and read again.
            $plan = json_decode(PlanJson::compact($edit->plan()), true);
            Sample::scene($plan);
        }
    }

    public function test_names_do_not_move_down_when_a_step_is_deleted(): void
    {
        $disc = static fn (int $k): array => ['id' => "p$k", 'kind' => 'part.circle', 'center' => [$k, 10], 'radius' => 5];
        $plan = Sample::plan(array_map($disc, range(1, 5)));
        $labels = static fn (array $plan): array => Sample::scene($plan)->labels;
        $left = self::after($plan, ['op' => 'remove', 'ids' => ['p1', 'p3']]);
        self::assertSame(['p2' => 'disc 2', 'p4' => 'disc 4', 'p5' => 'disc 5'], $labels($left));
        $more = self::after($left, ['op' => 'add', 'step' => $disc(9)]);
        self::assertSame('disc 6', $labels($more)['p9']);
        $moved = array_values(
            $labels(
                self::after(
                    $more,
                    ['op' => 'move', 'id' => 'p4', 'before' => null],
                    ['op' => 'remove', 'ids' => ['p2']],
                    ['op' => 'add', 'step' => $disc(2), 'before' => 'p5'],
                ),
            ),
        );
        self::assertSame($moved, array_values(array_unique($moved)), 'No two are called alike, whatever is moved.');
    }

    public function test_after_a_part_that_has_a_look_is_deleted_a_new_part_can_be_made(): void
    {
        $plan = Sample::plan([
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [9, 10], 'radius' => 5],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'ink'],
        ]);
        // As sheets were stored in which the look stayed behind.
        $dead = [...$plan, 'steps' => [$plan['steps'][1]]];
        foreach ([self::after($plan, ['op' => 'remove', 'ids' => ['p1']]), $dead] as $left) {
            $new = self::after($left, ['op' => 'add', 'step' => ['kind' => 'part.circle', 'center' => [9, 10], 'radius' => 5]]);
            self::assertArrayHasKey('p2', Sample::scene($new)->labels);
        }
    }

    public function test_with_a_part_go_looks_orders_and_numbers_that_were_its_alone(): void
    {
        $disc = static fn (string $id): array => ['id' => $id, 'kind' => 'part.circle', 'center' => ['column1', 10], 'radius' => 'bar'];
        $plan = [...Sample::plan([
            [...$disc('p1'), 'center' => ['column1', 'row1']], $disc('p2'), $disc('p3'),
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'ink'],
            ['id' => 's2', 'kind' => 'style', 'of' => ['p1', 'p2'], 'fill' => 'ink'],
            ['id' => 'd1', 'kind' => 'order', 'of' => ['p2'], 'above' => 'p1'],
            ['id' => 'd2', 'kind' => 'order', 'of' => ['p3'], 'to' => 'front'],
            ['id' => 'j1', 'kind' => 'join', 'of' => ['p1', 'p3']],
        ]), 'values' => ['column1' => 40, 'row1' => 30, 'bar' => 5]];
        $left = self::after($plan, ['op' => 'remove', 'ids' => ['p1']]);
        self::assertSame(['p2', 'p3', 's2', 'd2', 'j1'], array_column($left['steps'], 'id'));
        self::assertSame(['p2'], $left['steps'][2]['of']);
        self::assertSame(['p1', 'p3'], $left['steps'][4]['of'], 'What is made of it is the designer’s to decide about.');
        self::assertEquals(['column1' => 40, 'bar' => 5], $left['values'], 'A number that somebody named stays.');
    }

    public function test_names_in_numbers_stand_for_parts_and_measures_among_thousands_and_never_for_what_plans_name_themselves(): void
    {
        $disc = static fn (string $id, string $name): array => [
            'id' => $id,
            'kind' => 'part.circle',
            'name' => $name,
            'center' => [9, 9],
            'radius' => 5,
        ];
        $steps = [
            ...array_map(static fn (int $k): array => $disc("q$k", "disc number $k"), range(1, 8900)),
            $disc('p1', 'sheet'),
            $disc('p2', 'q1'),
            Sample::polar(),
            $disc('p3', 'last'),
        ];
        $set = static fn (string $typed): mixed => array_column(
            self::after(Sample::plan($steps), ['op' => 'set', 'id' => 'p3', 'field' => 'radius', 'value' => $typed])['steps'],
            'radius',
            'id',
        )['p3'];
        foreach (
            [
                'disc number 812.wide/4' => 'q812.wide/4',
                'sheet.width/8' => 'sheet.width/8',
                'q1.wide' => 'q1.wide',
                'g1.sectors*2' => 'g1.sectors*2',
                'sqrt(disc number 7.area)' => 'sqrt(q7.area)',
            ] as $typed => $written
        ) {
            self::assertSame($written, $set($typed));
        }
    }

    public function test_a_renamed_colour_is_renamed_wherever_it_is_used(): void
    {
        $plan = Sample::rosette();
        $plan['sheet']['background'] = 'lagoon';
        $plan['steps'][3]['stroke'] = ['color' => 'lagoon', 'width' => 1];
        $renamed = PlanEdit::apply($plan, [['op' => 'rename-colour', 'name' => 'lagoon', 'to' => 'harbour']], Kinds::all())->plan();
        self::assertSame('harbour', $renamed['sheet']['background']);
        self::assertSame(['harbour', 'harbour'], [$renamed['steps'][3]['fill'], $renamed['steps'][3]['stroke']['color']]);
        self::assertSame([], Sample::scene($renamed)->findings);
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function faults(): iterable
    {
        yield 'no operation' => [['op' => 'explode'], '/operations/0/op'];
        yield 'not an object' => ['set', '/operations/0/op'];
        yield 'a step that is not there' => [['op' => 'set', 'id' => 'p9', 'field' => 'name', 'value' => 'x'], '/operations/0/id'];
        yield 'another id' => [['op' => 'set', 'id' => 'p1', 'field' => 'id', 'value' => 'x'], '/operations/0/field'];
        yield 'a step without a kind' => [['op' => 'add', 'step' => ['id' => 'p7']], '/operations/0/step'];
        yield 'before nothing' => [['op' => 'move', 'id' => 'p1', 'before' => 'p9'], '/operations/0/before'];
        yield 'removing nothing' => [['op' => 'remove', 'ids' => []], '/operations/0/ids'];
        yield 'a sheet of another kind' => [['op' => 'sheet', 'field' => 'paper', 'value' => 1], '/operations/0/field'];
        yield 'a colour without a name' => [['op' => 'colour', 'value' => '#112233'], '/operations/0/name'];
        yield 'a colour renamed to one that is there' => [['op' => 'rename-colour', 'name' => 'ink', 'to' => 'lagoon'], '/operations/0/to'];
    }

    #[DataProvider('faults')]
    public function test_what_cannot_be_done_is_refused_with_its_place(mixed $operation, string $pointer): void
    {
        try {
            self::apply([$operation]);
            self::fail('It was done.');
        } catch (Unusable $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @param  array<string, mixed>  ...$operations
     * @return array<array-key, mixed>
     */
    private static function after(array $plan, array ...$operations): array
    {
        return PlanEdit::apply($plan, array_values($operations), Kinds::all())->plan();
    }

    /** @param  list<mixed>  $operations */
    private static function apply(array $operations): PlanEdit
    {
        return PlanEdit::apply(Sample::rosette(), $operations, Kinds::all());
    }

    public function test_laying_a_plan_renames_steps_where_fields_name_them_and_no_colours_or_words(): void
    {
        // Ids that are words of the format and names of colours, too.
        $steps = [
            [
                'id' => 'ink',
                'kind' => 'grid.polar',
                'center' => ['sheet.width/2', 400],
                'radius' => 300,
                'rings' => 5,
                'sectors' => 10,
                'axis' => 'sector',
            ],
            ['id' => 'sector', 'kind' => 'part.cells', 'name' => 'ink', 'cells' => ['ink#2,*']],
            ['id' => 'front', 'kind' => 'repeat.around', 'of' => ['sector'], 'center' => 'ink@0', 'count' => 'ink.sectors'],
            [
                'id' => 'multiply',
                'kind' => 'style',
                'of' => ['front'],
                'fill' => 'ink',
                'stroke' => ['color' => 'front', 'width' => 'ink.ring/9'],
                'blend' => 'multiply',
            ],
            ['id' => 'order', 'kind' => 'order', 'of' => ['front[2]'], 'to' => 'front'],
        ];
        $lay = ['op' => 'lay', 'name' => 'Words', 'steps' => $steps, 'palette' => ['front' => '#112233']];
        $plan = PlanEdit::apply(Sample::plan([Sample::polar()]), [$lay], Kinds::all())->plan();
        $laid = array_slice((array) $plan['steps'], 1);
        self::assertSame(['g2', 'p1', 'r1', 's1', 'd1'], array_column($laid, 'id'));
        self::assertSame(['sector', 'ink'], [$laid[0]['axis'], $laid[1]['name']]);
        self::assertSame(
            [['g2#2,*'], ['p1'], 'g2@0', 'g2.sectors'],
            [$laid[1]['cells'], $laid[2]['of'], $laid[2]['center'], $laid[2]['count']],
        );
        self::assertSame(
            [['r1'], 'ink', ['color' => 'front', 'width' => 'g2.ring/9'], 'multiply'],
            [$laid[3]['of'], $laid[3]['fill'], $laid[3]['stroke'], $laid[3]['blend']],
        );
        self::assertSame([['r1[2]'], 'front'], [$laid[4]['of'], $laid[4]['to']]);
    }

    public function test_the_history_calls_steps_and_parameters_what_the_plan_calls_them(): void
    {
        $plan = Sample::plan([Sample::polar(), Sample::polar(['id' => 'g2', 'name' => 'rim']), Sample::rectangular(['id' => 'g3'])]);
        foreach ([
            'Change origin of grid 3' => ['op' => 'set', 'id' => 'g3', 'field' => 'origin', 'value' => [0, 0]],
            'Change sectors of rim' => ['op' => 'set', 'id' => 'g2', 'field' => 'sectors', 'value' => 9],
            'Move grid 3' => ['op' => 'move', 'id' => 'g3', 'before' => 'g1'],
            'Delete grid 1' => ['op' => 'remove', 'ids' => ['g1']],
        ] as $label => $operation) {
            self::assertSame($label, PlanEdit::apply($plan, [$operation], Kinds::all())->label());
        }
    }

    public function test_thousands_of_steps_are_laid_at_once_and_before_others(): void
    {
        $circles = array_map(
            static fn (int $k): array => [
                'id' => "z$k",
                'kind' => 'guide.circle',
                'center' => $k === 0 ? [1, 2] : 'z'.($k - 1).'!',
                'radius' => 3,
            ],
            range(0, 7999),
        );
        $edit = self::apply([['op' => 'lay', 'name' => 'Chain', 'steps' => $circles, 'palette' => [], 'before' => 'p1']]);
        $ids = array_column($edit->plan()['steps'], 'id');
        self::assertSame(['g1', 'c1', 'c2'], array_slice($ids, 0, 3));
        self::assertSame(['c8000', 'p1', 'r1', 's1'], array_slice($ids, -4));
        self::assertSame('c7999!', $edit->plan()['steps'][8000]['center']);
    }

    public function test_chapters_are_named_renamed_and_dissolved(): void
    {
        $edit = self::apply([
            ['op' => 'chapter', 'from' => 'p1', 'name' => 'Rosette'],
            ['op' => 'chapter', 'from' => 's1', 'name' => 'Colour'],
            ['op' => 'chapter', 'from' => 'p1', 'name' => 'Star'],
        ]);
        self::assertSame([['name' => 'Star', 'from' => 'p1'], ['name' => 'Colour', 'from' => 's1']], $edit->plan()['chapters']);
        self::assertSame([['Ground', 'g1', false, 1], ['Star', 'p1', true, 2], ['Colour', 's1', true, 1]], self::sections($edit));
        $less = PlanEdit::apply($edit->plan(), [['op' => 'chapter', 'from' => 's1', 'name' => null]], Kinds::all());
        self::assertSame([['Ground', 'g1', false, 1], ['Star', 'p1', true, 3]], self::sections($less));
        $none = PlanEdit::apply($less->plan(), [['op' => 'chapter', 'from' => 'p1', 'name' => null]], Kinds::all());
        self::assertArrayNotHasKey('chapters', $none->plan());
    }

    public function test_a_chapter_whose_first_step_goes_begins_with_the_next_and_ends_with_its_last(): void
    {
        $plan = self::apply([
            ['op' => 'chapter', 'from' => 'p1', 'name' => 'Star'],
            ['op' => 'chapter', 'from' => 's1', 'name' => 'Colour'],
        ])->plan();
        $after = static fn (array ...$operations): array => PlanEdit::apply($plan, $operations, Kinds::all())->plan()['chapters'] ?? [];
        self::assertSame(
            [['name' => 'Star', 'from' => 'r1'], ['name' => 'Colour', 'from' => 's1']],
            $after(['op' => 'remove', 'ids' => ['p1']]),
        );
        self::assertSame([], $after(['op' => 'remove', 'ids' => ['p1', 'r1']]), 'The look goes with them, and its chapter.');
        self::assertSame([['name' => 'Star', 'from' => 'p1']], $after(['op' => 'remove', 'ids' => ['s1']]));
        // Moved out of it, the next one leads; moved to its head, it leads itself.
        self::assertSame(
            [['name' => 'Star', 'from' => 'r1'], ['name' => 'Colour', 'from' => 's1']],
            $after(['op' => 'move', 'id' => 'p1', 'before' => null]),
        );
        self::assertSame(
            [['name' => 'Star', 'from' => 'r1'], ['name' => 'Colour', 'from' => 's1']],
            $after(['op' => 'move', 'id' => 'r1', 'before' => 'p1', 'leads' => true]),
        );
        self::assertSame(
            [['name' => 'Star', 'from' => 'p1'], ['name' => 'Colour', 'from' => 's1']],
            $after(['op' => 'move', 'id' => 'r1', 'before' => 'p1']),
        );
    }

    public function test_a_chapter_is_moved_as_a_whole(): void
    {
        $plan = self::apply([
            ['op' => 'add', 'step' => Sample::part('p2', ['g1#1,1'])],
            ['op' => 'add', 'step' => Sample::part('p3', ['g1#2,1'])],
            ['op' => 'chapter', 'from' => 'p1', 'name' => 'Star'],
            ['op' => 'chapter', 'from' => 'p2', 'name' => 'Middle'],
        ])->plan();
        $moved = PlanEdit::apply($plan, [['op' => 'move-chapter', 'from' => 'p2', 'before' => 'p1']], Kinds::all())->plan();
        self::assertSame(['g1', 'p2', 'p3', 'p1', 'r1', 's1'], array_column($moved['steps'], 'id'));
        self::assertSame([['name' => 'Middle', 'from' => 'p2'], ['name' => 'Star', 'from' => 'p1']], $moved['chapters']);
        $back = PlanEdit::apply($moved, [['op' => 'move-chapter', 'from' => 'p2', 'before' => null]], Kinds::all())->plan();
        self::assertSame($plan, $back);
    }

    public function test_without_chapters_the_ground_the_construction_and_the_looks_have_headings_of_their_own(): void
    {
        $style = static fn (string $id): array => ['id' => $id, 'kind' => 'style', 'of' => ['p1'], 'fill' => 'ink'];
        $circle = ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [1, 2], 'radius' => 3];
        $edit = self::apply([
            ['op' => 'add', 'step' => $circle, 'before' => 'p1'],
            ['op' => 'add', 'step' => $style('s2'), 'before' => 'r1'],
            ['op' => 'add', 'step' => ['id' => 'c2'] + $circle, 'before' => 'r1'],
            ['op' => 'add', 'step' => $style('s3')],
        ]);
        // What is laid, or looked at, between the parts stands among them.
        self::assertSame(['g1', 'c1', 'p1', 's2', 'c2', 'r1', 's1', 's3'], array_column($edit->plan()['steps'], 'id'));
        self::assertSame(
            [['Ground', 'g1', false, 2], ['Construction', 'p1', false, 3], ['Repeat', 'r1', false, 1], ['Look', 's1', false, 2]],
            self::sections($edit),
        );
        self::assertSame([], self::sections(self::apply([['op' => 'remove', 'ids' => ['g1', 'p1', 'r1', 's1']]])));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faultyChapters(): iterable
    {
        yield 'no such step' => [['op' => 'chapter', 'from' => 'x9', 'name' => 'A'], '/operations/0/from'];
        yield 'markup in the name' => [['op' => 'chapter', 'from' => 'p1', 'name' => '<b>'], '/operations/0/name'];
        yield 'no chapter begins there' => [['op' => 'move-chapter', 'from' => 'p1', 'before' => null], '/operations/0/from'];
    }

    /** @param  array<string, mixed>  $operation */
    #[DataProvider('faultyChapters')]
    public function test_faulty_chapters_are_refused_by_name(array $operation, string $pointer): void
    {
        try {
            self::apply([$operation]);
            self::fail('It was taken.');
        } catch (Unusable $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }

    public function test_a_chapter_cannot_be_moved_into_another(): void
    {
        $this->expectExceptionMessage('the first step of another chapter');
        self::apply([['op' => 'chapter', 'from' => 's1', 'name' => 'Colour'], ['op' => 'move-chapter', 'from' => 's1', 'before' => 'r1']]);
    }

    /** @return list<array{string, string, bool, int}> */
    private static function sections(PlanEdit $edit): array
    {
        return array_map(
            static fn (Section $one): array => [$one->name, $one->from, $one->named, $one->steps],
            (new PlanReader(Kinds::all()))->fromArray($edit->plan())->sections(),
        );
    }

    public function test_a_bend_that_says_nothing_is_refused_by_its_place_also_in_what_is_laid(): void
    {
        $edit = PlanEdit::apply(
            Sample::plan([]),
            [
                [
                    'op' => 'lay',
                    'steps' => [['id' => 'c1', 'kind' => 'guide.run', 'points' => [[0, 0], [9, 9], [20, 0]], 'bends' => [[], null]]],
                ],
            ],
            Kinds::all(),
        );
        $this->expectException(Unusable::class);
        $this->expectExceptionMessage('/steps/0/bends/0');
        (new PlanReader(Kinds::all()))->fromArray($edit->plan());
    }

    public function test_thousands_of_steps_are_taken_out_at_once_and_chapters_keep_their_names(): void
    {
        $steps = array_map(
            static fn (int $k): array => ['id' => "c$k", 'kind' => 'guide.circle', 'center' => [1, 1], 'radius' => 5],
            range(1, 8000),
        );
        $plan = [
            ...Sample::plan($steps),
            'chapters' => [
                ['name' => 'First', 'from' => 'c1'],
                ['name' => 'Second', 'from' => 'c3001'],
                ['name' => 'Third', 'from' => 'c7001'],
            ],
        ];
        $gone = array_map(static fn (int $k): string => "c$k", [...range(1, 2), ...range(3001, 7000), 8000]);
        $budget = new Budget(100_000);
        $edit = Budget::within(
            $budget,
            static fn (): PlanEdit => PlanEdit::apply($plan, [['op' => 'remove', 'ids' => $gone]], Kinds::all()),
        );
        self::assertCount(8000 - count($gone), (array) $edit->plan()['steps']);
        self::assertSame([['name' => 'First', 'from' => 'c3'], ['name' => 'Third', 'from' => 'c7001']], $edit->plan()['chapters']);
        self::assertStringContainsString('Delete circle 1', $edit->label());
        $this->expectExceptionMessage('each once');
        PlanEdit::apply($plan, [['op' => 'remove', 'ids' => ['c5', 'c5']]], Kinds::all());
    }

    public function test_changes_that_would_take_long_are_counted(): void
    {
        $steps = array_map(
            static fn (int $k): array => ['id' => "c$k", 'kind' => 'guide.circle', 'center' => [1, 1], 'radius' => 5],
            range(1, 8000),
        );
        $this->expectException(OverBudget::class);
        Budget::within(
            Budget::large(),
            static fn (): PlanEdit => PlanEdit::apply(
                Sample::plan($steps),
                array_fill(0, 1000, ['op' => 'move', 'id' => 'c1', 'before' => 'c4000']),
                Kinds::all(),
            ),
        );
    }
}
