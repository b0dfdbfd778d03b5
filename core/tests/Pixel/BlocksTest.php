<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Pixel;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Oklab;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Tests\Sample;

final class BlocksTest extends TestCase
{
    /** Edges of a cell of the grid below. */
    private const EDGE = 40.0;

    private const PIXELS = ['id' => 'g2', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 200, 'rows' => 150, 'cell' => 4];

    private const COLOURS = ['top' => '#00ff00', 'left' => '#ff0000', 'right' => '#0000ff'];

    public function test_a_cube_shows_three_equal_faces_and_sixteen_in_a_slab_as_many_tops_and_eight_sides(): void
    {
        $face = self::EDGE ** 2 * sqrt(3) / 2;
        $cube = self::areas(self::scene(['cells' => ['g1#3,3'], 'up' => 1]));
        self::assertEqualsWithDelta(['top' => $face, 'left' => $face, 'right' => $face], $cube, 1e-6);
        $scene = self::scene([
            'cells' => array_map(static fn (int $k): string => 'g1#'.(1 + ($k % 4)).','.(1 + intdiv($k, 4)), range(0, 15)),
            'up' => 1,
        ]);
        self::assertEqualsWithDelta(['top' => 16 * $face, 'left' => 4 * $face, 'right' => 4 * $face], self::areas($scene), 1e-6);
        foreach (self::figures($scene) as $figure) {
            self::assertCount(1, $figure->outlines(), 'A face is one outline.');
            self::assertCount(4, $figure->outlines()[0]->curves);
        }
    }

    public function test_what_is_seen_is_what_looks_through_the_sheet_meet_first(): void
    {
        mt_srand(30);
        for ($round = 0; $round < 12; $round++) {
            $cells = $heights = [];
            foreach (range(0, 24) as $k) {
                if (mt_rand(0, 3) > 0) {
                    $cells[] = 'g1#'.(1 + $k % 5).','.(1 + intdiv($k, 5));
                    $heights[] = $round < 6 ? mt_rand(1, 4) : mt_rand(2, 40) / 10;
                }
            }
            $base = $round % 3 === 0 ? 0.5 : 0;
            $figures = self::figures(self::scene(['cells' => $cells, 'up' => $heights, 'base' => $base]));
            $off = 0;
            for ($shot = 0; $shot < 400; $shot++) {
                $place = new Vec(400 + mt_rand(-2000, 2000) / 10, 100 + mt_rand(-1000, 3000) / 10);
                $expected = self::met($place, $cells, $heights, $base);
                $found = null;
                foreach ($figures as $sort => $figure) {
                    $around = array_sum(array_map(static fn ($outline): int => $outline->windingsAround($place), $figure->outlines()));
                    $found = $around !== 0 ? $sort : $found;
                }
                $off += $found !== $expected ? 1 : 0;
            }
            self::assertSame(0, $off, "round $round");
        }
    }

    public function test_pits_show_their_floor_and_the_walls_behind_within_their_opening(): void
    {
        $areas = self::areas(self::scene(['cells' => ['g1#2,2', 'g1#3,2', 'g1#2,3', 'g1#3,3'], 'down' => 0.5]));
        $face = self::EDGE ** 2 * sqrt(3) / 2;
        // The opening is all that is seen; each of two walls is two cells long and half a cell high.
        self::assertEqualsWithDelta(4 * $face, array_sum($areas), 1e-6);
        self::assertEqualsWithDelta($face * 2 * 0.5, $areas['left'] + 0.0, 1e-6 + $face * 0.25);
        self::assertGreaterThan(0.0, min($areas['top'], $areas['left'], $areas['right']));
        // Twice as deep no floor is left but its nearest corner.
        self::assertLessThan(
            $areas['top'],
            self::areas(self::scene(['cells' => ['g1#2,2', 'g1#3,2', 'g1#2,3', 'g1#3,3'], 'down' => 1.5]))['top'],
        );
    }

    public function test_triangles_with_an_upright_edge_between_them_are_one_cell_of_the_ground(): void
    {
        $plan = Sample::plan([
            [
                'id' => 'g1',
                'kind' => 'grid.triangular',
                'origin' => [400, 300],
                'side' => self::EDGE,
                'columns' => 6,
                'rows' => 6,
                'angle' => 30,
            ],
            ['id' => 'b1', 'kind' => 'block', 'on' => 'g1', 'cells' => ['g1#5,3'], 'up' => 2, 'colours' => self::COLOURS],
        ]);
        $face = (self::EDGE ** 2 * sqrt(3)) / 2;
        self::assertEqualsWithDelta(
            ['top' => $face, 'left' => 2 * $face, 'right' => 2 * $face],
            self::areas(Sample::scene(Sample::unchecked($plan))),
            1e-6,
        );
    }

    public function test_light_from_the_upper_left_leaves_the_right_side_dark_and_moves_with_the_sheet(): void
    {
        $lightness = static fn (Scene $scene): array => array_map(
            static fn ($style): float => Oklab::coordinates($style->fill ?? '#000000')[0],
            $scene->drawing[0]->styles,
        );
        $block = ['cells' => ['g1#3,3'], 'up' => 1, 'colours' => null, 'colour' => '#7f8fb0'];
        [$top, $left, $right] = $lightness(self::scene($block));
        self::assertGreaterThan($left, $top);
        self::assertGreaterThan($right, $left);
        [, $left, $right] = $lightness(self::scene($block, ['light' => 45]));
        self::assertGreaterThan($left, $right);
    }

    public function test_in_pixels_a_cube_has_even_steps_of_two_and_as_many_cells_on_either_side(): void
    {
        // A cell of the ground has edges of 34.6 across: of 4 px eight or nine, two across and one down each step.
        $scene = self::scene(['cells' => ['g1#3,3'], 'up' => 1, 'pixels' => 'g2'], [], [], self::PIXELS);
        self::assertSame([], $scene->findings);
        $painted = $scene->parts()['b1']->painted;
        self::assertNotNull($painted);
        $rows = [];
        foreach ($painted->cells as $cell => $colour) {
            $rows[$colour][intdiv($cell, 200)][] = $cell % 200;
        }
        $top = array_values(array_map(count(...), $rows[self::COLOURS['top']]));
        $half = array_slice($top, 0, intdiv(count($top), 2));
        self::assertSame(range(2, 4 * count($half) - 2, 4), $half, 'From its corner it becomes wider by two cells to either side.');
        self::assertSame(array_reverse($half), array_slice($top, count($half)));
        self::assertSame(count($rows[self::COLOURS['left']], COUNT_RECURSIVE), count($rows[self::COLOURS['right']], COUNT_RECURSIVE));
        self::assertCount(
            10 * (2 * count($half)),
            array_merge(...$rows[self::COLOURS['left']]),
            'Its side is as wide as half the top, and 40 units high.',
        );
        foreach ($rows as $those) {
            foreach ($those as $columns) {
                self::assertSame(
                    range(self::sorted($columns)[0], self::sorted($columns)[0] + count($columns) - 1),
                    self::sorted($columns),
                    'A row of a face has no holes.',
                );
            }
        }
    }

    public function test_in_pixels_nothing_is_seen_twice_and_nothing_in_between_is_missed(): void
    {
        mt_srand(21);
        for ($round = 0; $round < 8; $round++) {
            $cells = $heights = [];
            foreach (range(0, 15) as $k) {
                $cells[] = 'g1#'.(1 + $k % 4).','.(1 + intdiv($k, 4));
                $heights[] = mt_rand(1, 12) / 4;
            }
            $painted = self::scene(['cells' => $cells, 'up' => $heights, 'pixels' => 'g2'], [], [], self::PIXELS)->parts()['b1']->painted;
            self::assertNotNull($painted);
            // On a whole ground every column is one run of cells.
            $columns = [];
            foreach (array_keys($painted->cells) as $cell) {
                $columns[$cell % 200][] = intdiv($cell, 200);
            }
            foreach ($columns as $rows) {
                self::assertSame(range(self::sorted($rows)[0], self::sorted($rows)[0] + count($rows) - 1), self::sorted($rows));
            }
            ksort($columns);
            self::assertSame(range((int) array_key_first($columns), (int) array_key_last($columns)), array_keys($columns));
        }
    }

    public function test_a_way_along_the_axes_moves_blocks_by_cells_whatever_they_are_drawn_in(): void
    {
        foreach ([[], ['pixels' => 'g2']] as $as) {
            $moved = self::bounds(['cells' => ['g1#2,3'], 'up' => 1, 'by' => [2, -1], ...$as]);
            $there = self::bounds(['cells' => ['g1#4,2'], 'up' => 1, ...$as]);
            self::assertEqualsWithDelta($there, $moved, 1e-6);
        }
        $scene = self::scene(['cells' => ['g1#2,3', 'g1#3,3'], 'up' => 1, 'by' => [2, -1]]);
        $pulls = $scene->known['b1']->pulls();
        self::assertSame(['by', 'by', 'up'], array_column($pulls, 'field'));
        // A pull to where it is says what is said.
        foreach ([[$pulls[0], 2.0], [$pulls[1], -1.0], [$pulls[2], 1.0]] as [$pull, $value]) {
            $unit = $pull->to->minus($pull->from);
            self::assertEqualsWithDelta($value, $pull->at->minus($pull->from)->dot($unit) / $unit->dot($unit), 1e-9);
        }
    }

    public function test_pixels_outside_their_grid_are_told(): void
    {
        $findings = static fn (array $at): array => array_map(
            static fn ($one): string => "$one->level $one->code",
            self::scene(['cells' => ['g1#3,3'], 'up' => 1, 'pixels' => 'g2'], [], [], [...self::PIXELS, ...$at])->findings,
        );
        self::assertSame(['warning lost-cells'], $findings(['origin' => [400, 0]]));
        self::assertSame(['error empty'], $findings(['origin' => [2000, 0]]));
    }

    public function test_what_cannot_stand_says_why(): void
    {
        $message = static fn (array $block, array $grid = []): string => self::scene($block, [], $grid)->findings[0]->message ?? '';
        self::assertStringContainsString('3 heights are said, for 2 cells', $message(['cells' => ['g1#1,1', 'g1#2,1'], 'up' => [1, 2, 3]]));
        self::assertStringContainsString('a height is 0 or more', $message(['cells' => ['g1#1,1'], 'up' => -1]));
        self::assertStringContainsString('has a height, a pit a depth', $message(['cells' => ['g1#1,1']]));
        self::assertStringContainsString('level or upright', $message(['cells' => ['g1#1,1'], 'up' => 1], ['angles' => [0, 120]]));
        self::assertStringContainsString(
            'no colour for the left',
            $message(['cells' => ['g1#1,1'], 'up' => 1, 'colours' => ['top' => '#112233']]),
        );
    }

    public function test_touches_of_colour_are_the_same_for_the_same_seed_and_lie_in_the_part(): void
    {
        $speckled = static fn (array $more): ?array => Sample::scene(Sample::unchecked(Sample::plan([
            ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 40, 'rows' => 40, 'cell' => 10],
            ['id' => 'p1', 'kind' => 'part.cells', 'cells' => ['g1#*,7', 'g1#*,8', 'g1#*,9', 'g1#*,10']],
            ['id' => 'k1', 'kind' => 'speckle', 'of' => 'p1', 'colours' => ['ink', 'lagoon'], ...$more],
        ])))->parts()['k1']->painted?->cells;
        $cells = $speckled(['share' => 0.25, 'seed' => 3]);
        self::assertSame($cells, $speckled(['share' => 0.25, 'seed' => 3]));
        self::assertNotSame($cells, $speckled(['share' => 0.25, 'seed' => 4]));
        self::assertNotNull($cells);
        // Of 160 cells a quarter, give or take three standard deviations.
        self::assertEqualsWithDelta(40, count($cells), 17);
        foreach (array_keys($cells) as $cell) {
            self::assertContains(intdiv($cell, 40) + 1, [7, 8, 9, 10]);
        }
        self::assertCount(160, $speckled(['share' => 1]) ?? []);
    }

    /**
     * The face of a block that a look through a place of the sheet meets first, by its own way through each block.
     *
     * @param  list<string>  $cells
     * @param  list<float|int>  $heights
     */
    private static function met(Vec $place, array $cells, array $heights, float $base): ?string
    {
        // In edges of cells: p = x·(√3/2, ½) + y·(−√3/2, ½) − z·(0, 1). A look goes along (1, 1, 1); it starts at z = 0.
        [$x, $y] = [($place->x - 400) / self::EDGE, ($place->y - 100) / self::EDGE];
        $start = [$x / sqrt(3) + $y, -$x / sqrt(3) + $y, 0.0];
        [$nearest, $sort] = [-INF, null];
        foreach ($cells as $number => $address) {
            [$column, $row] = array_map(intval(...), explode(',', substr($address, 3)));
            $ends = [$column - $start[0], $row - $start[1], $base + $heights[$number] - $start[2]];
            $begins = [$column - 1 - $start[0], $row - 1 - $start[1], $base - $start[2]];
            $leaves = min($ends);
            if ($leaves > max($begins) && $leaves > $nearest) {
                [$nearest, $sort] = [$leaves, ['right', 'left', 'top'][(int) array_search($leaves, $ends, true)]];
            }
        }

        return $sort;
    }

    /**
     * @param  array<string, mixed>  $block
     * @param  array<string, mixed>  $sheet
     * @param  array<string, mixed>  $grid
     * @param  array<string, mixed>|null  $pixels
     */
    private static function scene(array $block, array $sheet = [], array $grid = [], ?array $pixels = null): Scene
    {
        $plan = Sample::plan([
            ...$pixels === null ? [] : [$pixels],
            [
                'id' => 'g1',
                'kind' => 'grid.twoaxis',
                'origin' => [400, 100],
                'angles' => [30, 150],
                'spacing' => [self::EDGE, self::EDGE],
                'columns' => 6,
                'rows' => 6,
                ...$grid,
            ],
            array_filter(
                ['id' => 'b1', 'kind' => 'block', 'on' => 'g1', 'colours' => self::COLOURS, ...$block],
                static fn (mixed $one): bool => $one !== null,
            ),
        ]);
        $plan['sheet'] = [...$plan['sheet'], ...$sheet];

        return Sample::scene(Sample::unchecked($plan));
    }

    /**
     * @param  array<string, mixed>  $block
     * @return list<float>
     */
    private static function bounds(array $block): array
    {
        return self::scene($block, [], [], isset($block['pixels']) ? self::PIXELS : null)->parts()['b1']->bounds()->toArray();
    }

    /**
     * @param  non-empty-list<int>  $numbers
     * @return non-empty-list<int>
     */
    private static function sorted(array $numbers): array
    {
        sort($numbers);

        return $numbers;
    }

    /** @return array<string, Figure> by the side that they are */
    private static function figures(Scene $scene): array
    {
        $figures = [];
        foreach ($scene->parts()['b1']->figures() as $number => $figure) {
            $figures[(string) array_search($scene->drawing[0]->styles[$number]->fill ?? '', self::COLOURS, true)] = $figure;
        }

        return $figures;
    }

    /** @return array<string, float> */
    private static function areas(Scene $scene): array
    {
        return array_map(static fn (Figure $figure): float => $figure->area(), self::figures($scene));
    }
}
