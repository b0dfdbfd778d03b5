<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Field\CellsField;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Sentence;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\Constructions;
use Sternbild\Core\View\SceneNumbers;
use Sternbild\Core\View\SceneView;

/** Guides, overlays and what is made of them, by way of plans. */
final class OverlayTest extends TestCase
{
    /** @param  list<array<string, mixed>>  $steps */
    private static function scene(array $steps): Scene
    {
        return Sample::scene(Sample::plan($steps));
    }

    /** @return array<string, mixed> */
    private static function circle(string $id, mixed $center, mixed $radius): array
    {
        return ['id' => $id, 'kind' => 'guide.circle', 'center' => $center, 'radius' => $radius];
    }

    /** @return array<string, mixed> */
    private static function line(string $id, mixed $from, mixed $to, string $extend = 'none'): array
    {
        return ['id' => $id, 'kind' => 'guide.line', 'through' => [$from, $to], 'extend' => $extend];
    }

    public function test_a_part_of_an_overlay_keeps_its_cells_when_the_grid_gets_other_numbers(): void
    {
        $areas = [];
        foreach ([10, 12, 16] as $sectors) {
            $scene = self::scene([
                Sample::polar(['sectors' => $sectors]),
                self::circle('c1', 'g1@0', '2.5*g1.ring'),
                ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'c1']],
                Sample::part('p1', ['o1~g1:2.2,3.5', 'o1~g1:2.8,3.5']),
                Sample::part('p2', ['o1~g1:2.2,3.5']),
            ]);
            self::assertSame([], array_filter($scene->findings, static fn (Finding $finding): bool => $finding->level !== 'note'));
            $areas[$sectors] = $scene->parts()['p1']->area();
            // Both pieces of ring 3, sector 4 together are the cell: (R² − r²)·θ/2 (handbook formula).
            self::assertEqualsWithDelta((180 ** 2 - 120 ** 2) * M_PI / $sectors, $areas[$sectors], 1e-6);
            self::assertEqualsWithDelta((150 ** 2 - 120 ** 2) * M_PI / $sectors, $scene->parts()['p2']->area(), 1e-6);
            self::assertSame(4, $scene->parts()['p1']->nodes());
        }
    }

    public function test_an_overlay_of_guides_alone_is_held_in_the_grid_that_they_stand_on(): void
    {
        $steps = static fn (int $radius): array => [
            Sample::polar(['radius' => $radius]),
            self::circle('c1', 'g1@0', '2*g1.ring'),
            self::circle('c2', 'g1@2,1', '2*g1.ring'),
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['c1', 'c2']],
        ];
        $overlay = self::scene($steps(300))->overlays()['o1'];
        $cells = array_map(static fn (int $cell): string => 'o1'.$overlay->cellAddress($cell), range(0, 2));
        foreach ($cells as $cell) {
            self::assertStringStartsWith('o1~g1:', $cell);
        }
        $area = static fn (int $radius): float => self::scene([...$steps($radius), Sample::part('p1', $cells)])->parts()['p1']->area();
        // Two circles of equal radius, each through the other's centre: 2πr² less the lens (2π/3 − √3/2)·r² (handbook formula).
        foreach ([300, 390, 45] as $radius) {
            $ring = 2 * $radius / 5;
            self::assertEqualsWithDelta((2 * M_PI - 2 * M_PI / 3 + sqrt(3) / 2) * $ring ** 2, $area($radius), 1e-6);
        }
    }

    public function test_an_overlay_is_counted_as_the_format_says(): void
    {
        $circles = [self::circle('c0', [400, 400], 100)];
        for ($k = 0; $k < 6; $k++) {
            $circles[] = self::circle("c1$k", ["400 + 100*cos(60*$k)", "400 + 100*sin(60*$k)"], 100);
        }
        $ids = array_column($circles, 'id');
        $figures = json_decode(
            json_encode(
                SceneNumbers::list(self::scene([...$circles, ['id' => 'o1', 'kind' => 'overlay', 'of' => $ids]])),
                JSON_THROW_ON_ERROR,
            ),
            true,
        );
        // Seven equal circles (counted with an independent program).
        self::assertSame(
            [24, 13, 36],
            [$figures['overlays']['o1']['cells'], $figures['overlays']['o1']['points'], $figures['overlays']['o1']['edges']],
        );
        self::assertSame(
            $figures['overlays']['o1'],
            json_decode(
                json_encode(
                    SceneNumbers::list(self::scene([...$circles, ['id' => 'o1', 'kind' => 'overlay', 'of' => array_reverse($ids)]])),
                    JSON_THROW_ON_ERROR,
                ),
                true,
            )['overlays']['o1'],
        );
    }

    public function test_crossings_are_counted_along_the_first_guide(): void
    {
        $scene = self::scene([
            self::circle('c1', [400, 400], 100),
            self::line('c2', [200, 400], [600, 400]),
            self::line('c3', [600, 400], [200, 400]),
            Sample::rectangular(),
            self::circle('c4', 'c2*c1/1', 5),
            self::circle('c5', 'c3*c1/1', 5),
            self::circle('c6', 'c2*g1/1', 5),
            self::circle('c7', 'c2@0.25', 5),
            self::circle('c8', 'c1!', 5),
            self::circle('c9', 'g1~2.5,1.5', 5),
        ]);
        $centers = array_map(
            static fn (string $id): array => [round($scene->guides()[$id]->center()->x, 9), round($scene->guides()[$id]->center()->y, 9)],
            ['c4', 'c5', 'c7', 'c8', 'c9'],
        );
        self::assertSame([[300.0, 400.0], [500.0, 400.0], [300.0, 400.0], [400.0, 400.0], [200.0, 95.0]], $centers);
        self::assertSame(
            ['c6'],
            array_column(array_filter($scene->findings, static fn (Finding $finding): bool => $finding->isError()), 'step'),
        );
    }

    public function test_a_line_carried_on_ends_at_the_edges_of_the_sheet(): void
    {
        $scene = self::scene([
            self::line('c1', [200, 300], [300, 350], 'both'),
            self::line('c2', [200, 10], [200, 20], 'both'),
            self::line('c3', [900, 10], [950, 20], 'both'),
        ]);
        $ends = static fn (string $id): array => [
            $scene->guides()[$id]->single()->start()->x,
            $scene->guides()[$id]->single()->start()->y,
            $scene->guides()[$id]->single()->end()->x,
            $scene->guides()[$id]->single()->end()->y,
        ];
        self::assertEqualsWithDelta([0, 200, 800, 600], $ends('c1'), 1e-9);
        self::assertEqualsWithDelta([200, 0, 200, 800], $ends('c2'), 1e-9);
        self::assertEqualsWithDelta([900, 10, 950, 20], $ends('c3'), 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function degenerate(): iterable
    {
        yield 'two equal points' => [self::line('c9', [1, 1], [1, 1]), 'through', 'same place'];
        yield 'three in a line' => [['id' => 'c9', 'kind' => 'guide.arc', 'through' => [[0, 0], [1, 1], [2, 2]]], 'through', 'in a line'];
        yield 'circle through three in a line' => [
            ['id' => 'c9', 'kind' => 'guide.circle', 'through' => [[0, 0], [1, 1], [2, 2]]],
            'through',
            'in a line',
        ];
        yield 'radius nothing' => [self::circle('c9', [1, 1], 0), 'radius', 'more than 0'];
        yield 'radius by arithmetic negative' => [self::circle('c9', [1, 1], '3-7'), 'radius', 'more than 0'];
        yield 'point at the centre' => [['id' => 'c9', 'kind' => 'guide.circle', 'center' => [5, 5], 'on' => [5, 5]], 'center', 'radius'];
        yield 'no radius' => [['id' => 'c9', 'kind' => 'guide.circle', 'center' => [5, 5]], 'radius', 'missing'];
        yield 'two ways' => [
            ['id' => 'c9', 'kind' => 'guide.circle', 'center' => [5, 5], 'radius' => 3, 'fit' => [[0, 0], [1, 0], [0, 1]]],
            'fit',
            'one way',
        ];
        yield 'nothing' => [['id' => 'c9', 'kind' => 'guide.circle'], 'center', 'needs'];
        yield 'cannot touch' => [
            ['id' => 'c9', 'kind' => 'guide.circle', 'touching' => ['c1', 'c2'], 'radius' => 3],
            'touching',
            'no circle',
        ];
        yield 'infinite' => [self::circle('c9', ['1e7*1e308', 0], 1), 'center.0', 'no finite result'];
        yield 'beyond the largest' => [self::circle('c9', [1e8, 0], 1), 'center.0', 'at most'];
        yield 'nearly straight' => [
            ['id' => 'c9', 'kind' => 'guide.circle', 'through' => [[0, 0], [400, 0.0000001], [800, 0]]],
            'through',
            'in a line',
        ];
        yield 'too large' => [
            ['id' => 'c9', 'kind' => 'guide.circle', 'through' => [[0, 0], [400, 0.001], [800, 0]]],
            'through',
            'at most',
        ];
        yield 'not a guide' => [['id' => 'c9', 'kind' => 'guide.circle', 'touching' => ['g1'], 'radius' => 3], 'touching', 'not a guide'];
        yield 'no such crossing' => [self::circle('c9', 'c1*c2/1', 3), 'center', 'do not meet'];
        yield 'beyond the way' => [self::circle('c9', 'c1@7', 3), 'center', 'from 0 to 1'];
    }

    /** @param  array<string, mixed>  $step */
    #[DataProvider('degenerate')]
    public function test_what_cannot_be_says_why_at_its_field_and_the_rest_goes_on(array $step, string $field, string $says): void
    {
        $scene = self::scene([
            Sample::polar(),
            self::circle('c1', [100, 100], 50),
            self::circle('c2', [600, 600], 50),
            $step,
            Sample::part('p1', ['g1#1,1']),
        ]);
        $errors = array_values(array_filter($scene->findings, static fn (Finding $finding): bool => $finding->isError()));
        self::assertCount(1, $errors);
        self::assertSame(['c9', $field], [$errors[0]->step, $errors[0]->field]);
        self::assertStringContainsString($says, $errors[0]->message);
        self::assertArrayHasKey('p1', $scene->parts());
    }

    public function test_lost_cells_of_an_overlay_are_named_and_the_others_stay(): void
    {
        $scene = self::scene([
            Sample::polar(), self::circle('c1', 'g1@0', 100),
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'c1']],
            Sample::part('p1', ['o1~g1:2.5,3.5', 'o1~790,790', 'o1#1,2', 'g1~2.5,3.5']),
            Sample::part('p2', ['o1~790,790']),
        ]);
        self::assertSame(
            [['p1', 'warning', 'lost-cells'], ['p2', 'error', 'lost']],
            array_map(static fn (Finding $finding): array => [$finding->step, $finding->level, $finding->code], $scene->findings),
        );
        self::assertSame(1, $scene->parts()['p1']->pieces());
    }

    public function test_five_thousand_guides_give_a_result_or_a_clear_finding(): void
    {
        $lines = $circles = [];
        for ($k = 0; $k < 5000; $k++) {
            $lines[] =
                $k % 2 === 0
                    ? self::line("c$k", [0, $k * 0.16], [800, $k * 0.16 + 0.05])
                    : self::line("c$k", [$k * 0.16, 0], [$k * 0.16 + 0.05, 800]);
            $circles[] = self::circle("c$k", [10 * ($k % 80) + 5, 12 * intdiv($k, 80) + 6], 4);
        }
        $scene = self::scene([...$lines, ['id' => 'o1', 'kind' => 'overlay', 'of' => array_column($lines, 'id')]]);
        self::assertSame(
            [['limit', 'of']],
            array_map(
                static fn (Finding $finding): array => [$finding->code, $finding->field],
                array_values(array_filter($scene->findings, static fn (Finding $finding): bool => $finding->isError())),
            ),
        );
        $scene = self::scene([...$circles, ['id' => 'o1', 'kind' => 'overlay', 'of' => array_column($circles, 'id')]]);
        self::assertSame(5000, $scene->overlays()['o1']->cellCount());
        self::assertEqualsWithDelta(5000 * M_PI * 16, $scene->overlays()['o1']->area(), 1e-6);
    }

    public function test_more_cells_than_anyone_picks_are_cut_and_named_but_not_sent(): void
    {
        $scene = self::scene([
            ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 250, 'rows' => 250, 'size' => [800, 800]],
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[0, 0.7], [800, 799.3]]],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'c1']],
            Sample::part('p1', ['o1~g1:120.5,3.5']),
        ]);
        self::assertGreaterThan(62_500, $scene->overlays()['o1']->cellCount());
        self::assertEqualsWithDelta(3.2 ** 2, $scene->parts()['p1']->area(), 1e-9);
        self::assertContains('many-cells', array_map(static fn (Finding $finding): string => $finding->code, $scene->findings));
        $marks = [];
        foreach ((array) SceneView::describe($scene, [])['geometry'] as $geometry) {
            $marks[] = is_array($geometry) ? $geometry['mark'] ?? '' : '';
        }
        self::assertContains('#', $marks);
        self::assertNotContains('~', $marks);
    }

    public function test_every_cell_of_every_ready_construction_is_found_again_by_its_address(): void
    {
        foreach ((new Constructions(Kinds::all()))->list() as $construction) {
            $scene = Sample::scene([...Sample::plan($construction['steps']), 'palette' => (array) $construction['palette']]);
            foreach ($scene->overlays() as $id => $overlay) {
                for ($cell = 0; $cell < $overlay->cellCount(); $cell++) {
                    $address = $id.$overlay->cellAddress($cell);
                    self::assertTrue(Address::isOfCells($address), $address);
                    $picked = (new CellsField('cells', 'cells'))->resolve([$address], Sample::scope($scene));
                    self::assertSame([$id => [$cell]], $picked->cells, $address);
                }
            }
        }
    }

    public function test_ready_constructions_can_be_laid_on_any_sheet_beside_what_is_there(): void
    {
        $list = (new Constructions(Kinds::all()))->list();
        self::assertGreaterThanOrEqual(12, count($list));
        foreach ([[800, 800, 'px'], [210, 297, 'mm'], [1600, 900, 'px']] as [$width, $height, $unit]) {
            $plan = [
                ...Sample::plan([
                    Sample::polar(['center' => ['sheet.width/2', 'sheet.height/2'], 'radius' => 'sheet.width/4']),
                    Sample::part('p1', ['g1#1,1']),
                ]),
                'sheet' => ['width' => $width, 'height' => $height, 'unit' => $unit],
                'palette' => [],
            ];
            foreach ($list as $construction) {
                $edit = PlanEdit::apply(
                    $plan,
                    [
                        [
                            'op' => 'lay',
                            'name' => $construction['name'],
                            'steps' => $construction['steps'],
                            'palette' => (array) $construction['palette'],
                        ],
                    ],
                    Kinds::all(),
                );
                $scene = Sample::scene($edit->plan());
                self::assertSame(
                    [],
                    array_filter(
                        $scene->findings,
                        static fn (Finding $finding): bool => $finding->level !== 'note' && $finding->code !== 'almost-meeting',
                    ),
                    $construction['name'],
                );
                self::assertCount(2 + count($construction['steps']), $scene->known);
                self::assertSame('Lay '.mb_strtolower($construction['name']), $edit->label());
                self::assertGreaterThan(1, count($scene->drawing));
            }
        }
    }

    public function test_a_construction_laid_twice_names_its_own_steps(): void
    {
        $steps = [
            Sample::polar(),
            self::circle('c1', 'g1@0', 'min(g1.ring, 90)*2'),
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'c1']],
            Sample::part('p1', ['o1~g1:1.5,2.5', 'g1#2,*']),
            self::circle('c2', 'c1*g1/1', 12),
        ];
        $lay = ['op' => 'lay', 'name' => 'Twice', 'steps' => $steps, 'palette' => ['sand' => '#e7c98f']];
        $plan = PlanEdit::apply(Sample::plan([]), [$lay, $lay], Kinds::all())->plan();
        self::assertSame(['lagoon', 'ink', 'sand'], array_keys($plan['palette']));
        [, , , , , $grid, $circle, $overlay, $part, $other] = $plan['steps'];
        self::assertSame(['g2', 'c3', 'o2', 'p2', 'c4'], [$grid['id'], $circle['id'], $overlay['id'], $part['id'], $other['id']]);
        self::assertSame(['g2@0', 'min(g2.ring, 90)*2'], [$circle['center'], $circle['radius']]);
        self::assertSame([['g2', 'c3'], ['o2~g2:1.5,2.5', 'g2#2,*'], 'c3*g2/1'], [$overlay['of'], $part['cells'], $other['center']]);
    }

    public function test_a_free_place_reads_as_numbers_and_an_address_as_words(): void
    {
        $scene = self::scene([Sample::polar(), self::line('c1', 'g1@2,3', [5, 7]), self::circle('c2', 'c1*g1/2', 3)]);
        $text = static fn (string $id): string => Sentence::text($scene->plan->steps[$id], $scene->plan, $scene->labels);
        self::assertSame('Line through ring 2, spoke 3 of grid 1 and 5, 7, reaching no farther.', $text('c1'));
        self::assertSame('Circle around crossing 2 of line 1 and grid 1, radius 3.', $text('c2'));
    }
}
