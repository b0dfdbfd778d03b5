<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Pixel;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Field\PaintedCellsField;
use Sternbild\Core\Plan\Field\PaintOver;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;

final class PaintOverTest extends TestCase
{
    public function test_what_is_painted_later_goes_over_what_was_before_cell_by_cell(): void
    {
        mt_srand(7);
        for ($run = 0; $run < 60; $run++) {
            $along = $run % 2;
            $painted = [];
            $expected = [];
            for ($stroke = 0; $stroke < 12; $stroke++) {
                $colour = ['ink', 'sand', 'none', '#abc123'][mt_rand(0, 3)];
                $cells = [];
                for ($k = 0; $k < 3; $k++) {
                    $first = [mt_rand(1, 9), mt_rand(1, 9)];
                    $more = mt_rand(0, 4);
                    for ($step = 0; $step <= $more; $step++) {
                        $cells[] = $along === 0 ? [$first[0] + $step, $first[1]] : [$first[0], $first[1] + $step];
                    }
                }
                foreach ($cells as [$column, $row]) {
                    $expected["$column,$row"] = $colour;
                }
                $painted = PaintOver::over(
                    $painted,
                    [$colour => implode(' ', array_map(static fn (array $cell): string => implode(',', $cell), $cells))],
                    $along,
                );
            }
            self::assertEquals($expected, self::cells($painted, $along));
            // Every cell is written once, in runs as long as they can be.
            self::assertSame(
                count($expected),
                array_sum(
                    array_map(
                        static fn (string $text): int => array_sum(
                            array_map(static fn (array $one): int => 1 + $one[2], PaintedCellsField::runs($text)),
                        ),
                        $painted,
                    ),
                ),
            );
            foreach ($painted as $text) {
                $runs = PaintedCellsField::runs($text);
                foreach ($runs as $one) {
                    $next = $one;
                    $next[$along] += $one[2] + 1;
                    self::assertNotContains([$next[0], $next[1]], array_map(static fn (array $run): array => [$run[0], $run[1]], $runs));
                }
            }
        }
    }

    public function test_a_stroke_goes_into_the_last_step_on_its_grid_or_into_a_new_one(): void
    {
        $kinds = Kinds::all();
        $plan = ['steps' => [['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 9, 'rows' => 9, 'cell' => 10]]];
        $stroke = static fn (array $cells): array => [
            ['op' => 'paint', 'kind' => 'paint', 'field' => 'cells', 'on' => 'g1', 'cells' => $cells, 'along' => 0],
        ];
        $edit = PlanEdit::apply($plan, $stroke(['ink' => '2,3+2']), $kinds);
        self::assertCount(1, $edit->added());
        self::assertSame('Paint', $edit->label());
        $edit = PlanEdit::apply($edit->plan(), $stroke(['sand' => '3,3']), $kinds);
        self::assertSame([], $edit->added());
        self::assertEquals(['ink' => '2,3 4,3', 'sand' => '3,3'], self::steps($edit->plan())[1]['cells']);
        // What lies over it, by another kind, is painted over by a new step.
        $edit = PlanEdit::apply(
            $edit->plan(),
            [
                ['op' => 'add', 'step' => ['kind' => 'dots', 'on' => 'g1', 'line' => [1, 1, 4, 4], 'colour' => 'ink']],
                ...$stroke(['none' => '2,2']),
            ],
            $kinds,
        );
        self::assertCount(4, self::steps($edit->plan()));
        self::assertEquals(['none' => '2,2'], self::steps($edit->plan())[3]['cells']);
    }

    public function test_cells_of_an_overlay_are_told_by_how_they_are_written_and_never_run_together(): void
    {
        $plan = [
            'steps' => [
                ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 4, 'rows' => 4, 'cell' => [100, 100]],
                ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1']],
                [
                    'id' => 'p1',
                    'kind' => 'paint',
                    'on' => 'o1',
                    'cells' => ['ink' => '50,50 51,50', 'sand' => 'g1:2.5,3.5;g2:1.2,7.7;c1,-c2'],
                ],
            ],
        ];
        $stroke = [
            'op' => 'paint',
            'kind' => 'paint',
            'field' => 'cells',
            'on' => 'o1',
            'cells' => ['ink' => 'g1:2.5,3.5;g2:1.2,7.7;c1,-c2', 'none' => '51,50'],
        ];
        self::assertEquals(
            ['ink' => '50,50 g1:2.5,3.5;g2:1.2,7.7;c1,-c2', 'none' => '51,50'],
            self::steps(PlanEdit::apply($plan, [$stroke], Kinds::all())->plan())[2]['cells'],
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no such grid' => [['on' => 'g9'], '/operations/0/on'];
        yield 'no painted cells' => [['cells' => ['ink' => 'here']], '/operations/0/cells/ink'];
        yield 'no cells at all' => [['cells' => []], '/operations/0/cells'];
        yield 'another field' => [['field' => 'on'], '/operations/0/field'];
        yield 'another kind' => [['kind' => 'nothing'], '/operations/0/field'];
    }

    /** @param  array<string, mixed>  $wrong */
    #[\PHPUnit\Framework\Attributes\DataProvider('wrong')]
    public function test_what_cannot_be_painted_is_said(array $wrong, string $pointer): void
    {
        $plan = ['steps' => [['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 9, 'rows' => 9, 'cell' => 10]]];
        try {
            PlanEdit::apply(
                $plan,
                [[...['op' => 'paint', 'kind' => 'paint', 'field' => 'cells', 'on' => 'g1', 'cells' => ['ink' => '1,1']], ...$wrong]],
                Kinds::all(),
            );
            self::fail('It was painted.');
        } catch (Unusable $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @return list<array<string, mixed>>
     */
    private static function steps(array $plan): array
    {
        /** @var list<array<string, mixed>> $steps */
        $steps = $plan['steps'];

        return $steps;
    }

    /**
     * @param  array<string, string>  $painted
     * @return array<string, string>
     */
    private static function cells(array $painted, int $along): array
    {
        $cells = [];
        foreach ($painted as $colour => $text) {
            foreach (PaintedCellsField::runs($text) as [$first, $second, $more]) {
                for ($k = 0; $k <= $more; $k++) {
                    $cells[$along === 0 ? ($first + $k).",$second" : "$first,".($second + $k)] = $colour;
                }
            }
        }

        return $cells;
    }
}
