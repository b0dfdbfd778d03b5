<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Measure;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Edit\Equalising;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Sentence;
use Sternbild\Core\Tests\Sample;

/** Distances, angles, widths and lengths; their names in arithmetic; two of them made equal. */
final class MeasuresTest extends TestCase
{
    /** @return iterable<string, array{list<array<string, mixed>>, float}> */
    public static function measures(): iterable
    {
        yield 'a distance, by Pythagoras' => [[['id' => 'm1', 'kind' => 'measure.distance', 'from' => [10, 20], 'to' => [13, 24]]], 5.0];
        $those = [[0, -1, 1, 0, 90.0], [1, 0, 0, -1, 270.0], [1, 0, -1, 0, 180.0], [1, 0, 1, 1, 45.0], [3, 3, 1, 1, 0.0]];
        foreach ($those as [$x, $y, $u, $v, $degrees]) {
            yield "an angle of {$degrees} degrees, clockwise on the screen" => [
                [['id' => 'm1', 'kind' => 'measure.angle', 'at' => [50, 50], 'from' => [50 + $x, 50 + $y], 'to' => [50 + $u, 50 + $v]]],
                $degrees,
            ];
        }
        $bar = ['id' => 'p1', 'kind' => 'part.rectangle', 'origin' => [100, 100], 'size' => [300, 40], 'angle' => 30];
        yield 'the width of a turned bar' => [[$bar, ['id' => 'm1', 'kind' => 'measure.width', 'of' => 'p1', 'at' => [200, 160]]], 40.0];
        $disc = ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 150];
        yield 'the width of a circle is its diameter' => [
            [$disc, ['id' => 'm1', 'kind' => 'measure.width', 'of' => 'p1', 'at' => [520, 310]]],
            300.0,
        ];
        $ring = [
            $disc,
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 90],
            ['id' => 'p3', 'kind' => 'cut', 'from' => 'p1', 'with' => ['p2']],
        ];
        yield 'the width of a ring, from outside' => [
            [...$ring, ['id' => 'm1', 'kind' => 'measure.width', 'of' => 'p3', 'at' => [400, 245]]],
            60.0,
        ];
        yield 'the width of a ring, from its hole' => [
            [...$ring, ['id' => 'm1', 'kind' => 'measure.width', 'of' => 'p3', 'at' => [312, 400]]],
            60.0,
        ];
        yield 'the length of a circle' => [
            [
                ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => 50],
                ['id' => 'm1', 'kind' => 'measure.length', 'of' => ['c1']],
            ],
            100 * M_PI,
        ];
        yield 'the length of two outlines' => [
            [
                $disc,
                ['id' => 'p2', 'kind' => 'part.rectangle', 'corners' => [[0, 0], [10, 20]]],
                ['id' => 'm1', 'kind' => 'measure.length', 'of' => ['p1', 'p2']],
            ],
            300 * M_PI + 60,
        ];
    }

    /** @param  list<array<string, mixed>>  $steps */
    #[DataProvider('measures')]
    public function test_measures_come_to_what_their_formulas_say(array $steps, float $expected): void
    {
        $scene = Sample::scene(Sample::plan($steps));
        self::assertSame([], array_filter($scene->findings, static fn ($finding): bool => $finding->isError()));
        self::assertEqualsWithDelta($expected, $scene->measures()['m1']->value, 1e-9);
    }

    public function test_what_cannot_be_measured_is_said(): void
    {
        $scene = Sample::scene(Sample::plan([['id' => 'm1', 'kind' => 'measure.angle', 'at' => [5, 5], 'from' => [5, 5], 'to' => [9, 9]]]));
        self::assertSame('from', $scene->findings[0]->field);
    }

    public function test_the_name_of_a_measure_stands_for_its_number(): void
    {
        $plan = Sample::plan(
            [
                ['id' => 'm1', 'kind' => 'measure.distance', 'from' => [0, 0], 'to' => [30, 40], 'name' => 'bar width'],
                ['id' => 'm2', 'kind' => 'measure.distance', 'from' => [0, 0], 'to' => [3, 4]],
            ],
            ['bar' => 7],
        );
        $set = static fn (string|array $radius): array => PlanEdit::apply(
            $plan,
            [['op' => 'add', 'step' => ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 'bar width*2'], 'radius' => $radius]]],
            Kinds::all(),
        )->plan();
        $after = $set('bar width/2 + distance 2 + bar');
        self::assertSame('m1.value/2 + m2.value + bar', $after['steps'][2]['radius'], 'Stored by ids.');
        self::assertSame([400, 'm1.value*2'], $after['steps'][2]['center']);
        $scene = Sample::scene($after);
        self::assertEqualsWithDelta(37.0, $scene->known['p1']->numbers['radius'], 1e-12);
        self::assertStringContainsString(
            'bar width/2 + distance 2 + bar',
            Sentence::text($scene->plan->steps['p1'], $scene->plan, $scene->labels),
            'Said by names.',
        );
        self::assertSame('bar widths', $set('bar widths')['steps'][2]['radius'], 'Only whole names.');
    }

    public function test_a_measure_is_brought_before_the_number_that_takes_it(): void
    {
        $plan = Sample::plan([
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 30],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [300, 100], 'radius' => 30],
            ['id' => 'm1', 'kind' => 'measure.width', 'of' => 'p1', 'at' => [70, 100], 'name' => 'a'],
            ['id' => 'm2', 'kind' => 'measure.width', 'of' => 'p2', 'at' => [270, 100], 'name' => 'b'],
        ]);
        $after = static fn (string $radius): array => array_column(
            PlanEdit::apply($plan, [['op' => 'set', 'id' => 'p2', 'field' => 'radius', 'value' => $radius]], Kinds::all())->plan()['steps'],
            'id',
        );
        self::assertSame(['p1', 'm1', 'p2', 'm2'], $after('a'));
        self::assertSame(['p1', 'p2', 'm1', 'm2'], $after('b'), 'What hangs on the very circle stays.');
    }

    public function test_a_sentence_says_what_was_measured(): void
    {
        $scene = Sample::scene(Sample::plan([['id' => 'm1', 'kind' => 'measure.angle', 'at' => [0, 0], 'from' => [5, 0], 'to' => [0, 5]]]));
        $pieces = Sentence::pieces($scene->plan->steps['m1'], $scene->plan, $scene->labels, $scene->measures()['m1']->quantities());
        self::assertStringEndsWith(' = 90°.', implode('', array_column($pieces, 'text')));
    }

    /**
     * @return iterable<string, array{list<array<string, mixed>>}> two measures, the second to follow the first, and what says how large
     *   that is
     */
    public static function unequal(): iterable
    {
        $bar = static fn (string $id, float $x, float $wide): array => [
            'id' => $id,
            'kind' => 'part.rectangle',
            'origin' => [$x, 100],
            'size' => [$wide, 300],
        ];
        $width = static fn (string $id, string $of, float $x): array => [
            'id' => $id,
            'kind' => 'measure.width',
            'of' => $of,
            'at' => [$x, 200],
        ];
        yield 'bars, the measured one standing later' => [
            [$bar('p1', 100, 40), $bar('p2', 300, 55), $width('m1', 'p1', 100), $width('m2', 'p2', 300)],
        ];
        $discs = [
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [200, 400], 'radius' => 60],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [500, 400], 'radius' => 90],
        ];
        yield 'the diameter of a circle, half of which is its radius' => [[...$discs, $width('m1', 'p1', 140), $width('m2', 'p2', 410)]];
        yield 'the width of a band of two sides' => [
            [
                ['id' => 'l1', 'kind' => 'guide.run', 'points' => [[100, 600], [500, 600]]],
                $bar('p1', 100, 40),
                ['id' => 'p2', 'kind' => 'band', 'of' => ['l1'], 'width' => 12],
                $width('m1', 'p1', 100),
                ['id' => 'm2', 'kind' => 'measure.width', 'of' => 'p2', 'at' => [300, 594]],
            ],
        ];
        yield 'a distance that does not grow evenly with the coordinate' => [
            [
                ['id' => 'm1', 'kind' => 'measure.distance', 'from' => [0, 0], 'to' => [300, 0]],
                ['id' => 'p2', 'kind' => 'part.circle', 'center' => [150, 150], 'radius' => 9],
                ['id' => 'm2', 'kind' => 'measure.distance', 'from' => [0, 0], 'to' => 'p2!'],
            ],
        ];
    }

    /** @param  list<array<string, mixed>>  $steps */
    #[DataProvider('unequal')]
    public function test_two_measures_are_made_equal(array $steps): void
    {
        $plan = Sample::plan($steps);
        $operations = Equalising::operations($plan, 'm1', 'm2', Kinds::all());
        self::assertNotNull($operations);
        $scene = Sample::scene(PlanEdit::apply($plan, $operations, Kinds::all())->plan());
        self::assertEqualsWithDelta($scene->measures()['m1']->value, $scene->measures()['m2']->value, 1e-6);
    }

    public function test_what_was_made_equal_stays_equal(): void
    {
        foreach (array_slice(iterator_to_array(self::unequal()), 0, 2) as [$steps]) {
            $plan = Sample::plan($steps);
            $after = PlanEdit::apply($plan, Equalising::operations($plan, 'm1', 'm2', Kinds::all()) ?? [], Kinds::all())->plan();
            $changed = PlanEdit::apply(
                $after,
                [
                    [
                        'op' => 'set',
                        'id' => 'p1',
                        'field' => isset($steps[0]['radius']) ? 'radius' : 'size',
                        'value' => isset($steps[0]['radius']) ? 77 : [71, 300],
                    ],
                ],
                Kinds::all(),
            )->plan();
            $scene = Sample::scene($changed);
            self::assertEqualsWithDelta($scene->measures()['m1']->value, $scene->measures()['m2']->value, 1e-6);
        }
    }

    public function test_measures_that_hang_on_the_same_numbers_cannot_be_made_equal(): void
    {
        $plan = Sample::plan([
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 60],
            ['id' => 'm1', 'kind' => 'measure.width', 'of' => 'p1', 'at' => [340, 400]],
            ['id' => 'm2', 'kind' => 'measure.length', 'of' => ['p1']],
        ]);
        self::assertNull(Equalising::operations($plan, 'm1', 'm2', Kinds::all()));
    }
}
