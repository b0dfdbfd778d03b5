<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Pixel;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PixelRaster;
use Sternbild\Core\Pixel\Bayer;
use Sternbild\Core\Pixel\Dots;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;
use Sternbild\Core\View\SceneView;

/** Painted cells, dots and dithers. */
final class PaintTest extends TestCase
{
    private const GRID = ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 20, 'rows' => 16, 'cell' => 10];

    /** @param  array<array-key, mixed>  ...$steps */
    private static function scene(array ...$steps): Scene
    {
        return Sample::scene(Sample::unchecked(Sample::plan([self::GRID, ...array_values($steps)])));
    }

    /** @return array{cells: int, colours: array<string, int>} */
    private static function paint(Scene $scene, string $id): array
    {
        $paints = (array) SceneNumbers::list($scene)['paints'];

        return ['cells' => $paints[$id]['cells'], 'colours' => (array) $paints[$id]['colours']];
    }

    public function test_lines_are_bresenhams(): void
    {
        // The line of the figure in the paper's terms: eight across, three down.
        self::assertSame([[0, 0], [1, 0], [2, 1], [3, 1], [4, 2], [5, 2], [6, 2], [7, 3], [8, 3]], Dots::line(0, 0, 8, 3));
        mt_srand(3);
        for ($k = 0; $k < 300; $k++) {
            [$x, $y, $toX, $toY] = [mt_rand(-40, 40), mt_rand(-40, 40), mt_rand(-40, 40), mt_rand(-40, 40)];
            $cells = Dots::line($x, $y, $toX, $toY);
            self::assertCount(max(abs($toX - $x), abs($toY - $y)) + 1, $cells, 'As many cells as the longer way has.');
            $long = max(1, max(abs($toX - $x), abs($toY - $y)));
            foreach ($cells as [$column, $row]) {
                // Never farther from the line than half a cell, along the shorter way.
                $off = abs(($column - $x) * ($toY - $y) - ($row - $y) * ($toX - $x)) / $long;
                self::assertLessThanOrEqual(0.5 + 1e-9, $off);
            }
            self::assertSame(
                [],
                Dots::doubled(array_combine(array_map(static fn (array $cell): string => "$cell[0] $cell[1]", $cells), $cells)),
            );
        }
    }

    /**
     * @return iterable<string, array{int, list<int>}> the runs of the upper half of a ring, from its top row: hand-counted, trade practice
     *   without a published source
     */
    public static function rings(): iterable
    {
        yield 'seven' => [7, [3, 2, 2]];
        yield 'five' => [5, [3, 2]];
        yield 'eight' => [8, [4, 2, 2]];
    }

    /** @param  list<int>  $rows */
    #[DataProvider('rings')]
    public function test_rings_have_the_rows_that_are_counted(int $diameter, array $rows): void
    {
        $cells = Dots::ellipse(0, 0, $diameter, $diameter);
        $counts = array_count_values(array_column($cells, 1));
        ksort($counts);
        self::assertSame($rows, array_slice(array_values($counts), 0, count($rows)));
    }

    public function test_rings_are_thin_and_the_same_eightfold(): void
    {
        for ($diameter = 1; $diameter <= 60; $diameter++) {
            $cells = Dots::ellipse(0, 0, $diameter, $diameter);
            $keys = array_map(static fn (array $cell): string => "$cell[0] $cell[1]", $cells);
            self::assertCount(count($keys), array_unique($keys));
            $last = $diameter - 1;
            foreach ($cells as [$x, $y]) {
                foreach ([[$last - $x, $y], [$x, $last - $y], [$y, $x], [$last - $y, $last - $x]] as [$column, $row]) {
                    self::assertContains("$column $row", $keys, "$diameter across");
                }
                // On the circle within a cell, as the midpoint circle is.
                self::assertEqualsWithDelta($last / 2, hypot($x - $last / 2, $y - $last / 2), 0.75);
            }
            self::assertSame([0, $last], [min([PHP_INT_MAX, ...array_column($cells, 0)]), max([PHP_INT_MIN, ...array_column($cells, 0)])]);
            if ($diameter > 3) {
                self::assertSame([], Dots::doubled(array_combine($keys, $cells)), "$diameter across has no doubled corner");
            }
        }
    }

    public function test_ellipses_reach_their_box_and_are_thin(): void
    {
        foreach ([[11, 5], [12, 7], [30, 9], [8, 21], [40, 40]] as [$wide, $high]) {
            $cells = Dots::ellipse(3, 4, $wide, $high);
            self::assertSame(
                [3, 3 + $wide - 1, 4, 4 + $high - 1],
                [
                    min([PHP_INT_MAX, ...array_column($cells, 0)]),
                    max([PHP_INT_MIN, ...array_column($cells, 0)]),
                    min([PHP_INT_MAX, ...array_column($cells, 1)]),
                    max([PHP_INT_MIN, ...array_column($cells, 1)]),
                ],
            );
            $keys = array_map(static fn (array $cell): string => "$cell[0] $cell[1]", $cells);
            self::assertSame([], Dots::doubled(array_combine($keys, $cells)), "$wide × $high");
            self::assertGreaterThan(0.7 * M_PI / 4 * $wide * $high, count(Dots::filled($cells)));
        }
    }

    public function test_bayers_matrices_are_those_that_were_published(): void
    {
        self::assertSame([[0, 2], [3, 1]], Bayer::matrix(2));
        self::assertSame([[0, 8, 2, 10], [12, 4, 14, 6], [3, 11, 1, 9], [15, 7, 13, 5]], Bayer::matrix(4));
        foreach (['2' => 4, '4' => 16, '8' => 64, 'checker' => 2] as $matrix => $levels) {
            for ($level = 0; $level <= $levels; $level++) {
                $second = 0;
                for ($row = 0; $row < 8; $row++) {
                    for ($column = 0; $column < 8; $column++) {
                        $second += Bayer::isSecond((string) $matrix, $column, $row, $level / $levels) ? 1 : 0;
                    }
                }
                self::assertSame(64 * $level, $second * $levels, "$matrix at $level of $levels");
            }
        }
        // A checkerboard is the level of a half.
        self::assertNotSame(Bayer::isSecond('2', 0, 0, 0.5), Bayer::isSecond('2', 1, 0, 0.5));
    }

    public function test_later_paint_goes_over_earlier_and_none_takes_away(): void
    {
        $scene = self::scene(
            ['id' => 'p1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '2,3+4 2,4', '#e7c98f' => '10,10']],
            ['id' => 'p2', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['lagoon' => '3,3+1', 'none' => '10,10']],
        );
        self::assertSame([], $scene->findings);
        self::assertSame(['cells' => 4, 'colours' => ['ink' => 4]], self::paint($scene, 'p1'));
        self::assertSame(['cells' => 2, 'colours' => ['lagoon' => 2]], self::paint($scene, 'p2'));
        self::assertSame(200.0, $scene->parts()['p2']->area());
        // What is drawn covers every cell once: neighbours of one colour are one outline.
        self::assertSame(600.0, array_sum(array_map(static fn ($drawn): float => $drawn->part->area(), $scene->drawing)));
        self::assertSame(2, $scene->drawing[0]->part->pieces());
        // Hidden, the later one covers nothing.
        $hidden = self::scene(
            ['id' => 'p1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '2,3+4']],
            ['id' => 'p2', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['lagoon' => '2,3+4'], 'hidden' => true],
        );
        self::assertSame(5, self::paint($hidden, 'p1')['cells']);
    }

    public function test_runs_go_around_on_rings_and_what_lies_outside_is_told(): void
    {
        $rings = Sample::scene(
            Sample::unchecked(
                Sample::plan([Sample::polar(), ['id' => 'p1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '2,9+4']]]),
            ),
        );
        self::assertSame(['ink' => 5], self::paint($rings, 'p1')['colours']);
        $outside = self::scene(['id' => 'p1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '19,3+4 40,40']]);
        self::assertSame(2, self::paint($outside, 'p1')['cells']);
        self::assertStringContainsString('4 cells lie outside the grid', $outside->findings[0]->message);
        self::assertStringContainsString(
            'all of it lies outside',
            self::scene(['id' => 'p1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '40,40']])->findings[0]->message,
        );
    }

    public function test_dots_follow_their_numbers_and_say_one_form(): void
    {
        $dots = static fn (array $more): array => ['id' => 'd1', 'kind' => 'dots', 'on' => 'g1', 'colour' => 'ink', ...$more];
        self::assertSame(11, self::paint(self::scene($dots(['line' => [2, 2, 12, 6]])), 'd1')['cells']);
        $ring = self::scene($dots(['ring' => ['center' => [8, 8], 'diameter' => 7]]));
        self::assertSame(16, self::paint($ring, 'd1')['cells']);
        self::assertSame([40.0, 40.0, 110.0, 110.0], $ring->parts()['d1']->bounds()->toArray());
        // An even one reaches one cell farther right and down.
        self::assertSame(
            [40.0, 40.0, 120.0, 120.0],
            self::scene($dots(['ring' => ['center' => [8, 8], 'diameter' => 8]]))->parts()['d1']->bounds()->toArray(),
        );
        self::assertSame(2 * (5 + 3), self::paint(self::scene($dots(['box' => [2, 2, 7, 6]])), 'd1')['cells'] - 2);
        self::assertSame(6 * 5, self::paint(self::scene($dots(['box' => [2, 2, 7, 6], 'filled' => true])), 'd1')['cells']);
        self::assertStringContainsString(
            'only one of them can be said',
            self::scene($dots(['box' => [2, 2, 7, 6], 'line' => [1, 1, 2, 2]]))->findings[0]->message,
        );
        self::assertStringContainsString('none of them is said', self::scene($dots([]))->findings[0]->message);
        self::assertStringContainsString('whole numbers', self::scene($dots(['line' => [1.5, 1, 2, 2]]))->findings[0]->message);
    }

    public function test_a_dither_has_the_share_that_it_says_and_runs_where_it_says(): void
    {
        $cells = array_map(static fn (int $column): string => "g1#$column,*", range(1, 16));
        $dither = static fn (array $more): array => [
            'id' => 'd1',
            'kind' => 'dither',
            'on' => 'g1',
            'cells' => $cells,
            'colours' => ['ink', 'lagoon'],
            ...$more,
        ];
        self::assertSame(
            ['ink' => 192, 'lagoon' => 64],
            (static function (array $colours): array {
                ksort($colours);

                return $colours;
            })(self::paint(self::scene($dither(['level' => 0.25, 'matrix' => '4'])), 'd1')['colours']));
        $running = self::scene($dither(['from' => 0, 'to' => 1, 'matrix' => '8']))->parts()['d1']->painted;
        self::assertNotNull($running);
        $left = $right = 0;
        foreach ($running->cells as $cell => $colour) {
            $isSecond = $colour === '#0f6e84';
            $cell % 20 < 8 ? $left += $isSecond ? 1 : 0 : $right += $isSecond ? 1 : 0;
        }
        self::assertGreaterThan(2 * $left, $right);
        self::assertStringContainsString('two colours', self::scene($dither(['colours' => ['ink'], 'level' => 0.5]))->findings[0]->message);
        self::assertStringContainsString('has a level', self::scene($dither([]))->findings[0]->message);
    }

    public function test_cells_of_golden_grids_are_painted_by_their_one_number(): void
    {
        foreach ([['form' => 'sections', 'depth' => 3], ['form' => 'squares', 'depth' => 8]] as $more) {
            $scene = Sample::scene(Sample::unchecked(Sample::plan([
                ['id' => 'g1', 'kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [800, 800 / ((1 + sqrt(5)) / 2)], ...$more],
                ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '1 3+1', 'lagoon' => '2']],
            ])));
            self::assertSame([], $scene->findings);
            $painted = $scene->parts()['d1']->painted;
            self::assertSame([0 => 'ink', 2 => 'ink', 3 => 'ink', 1 => 'lagoon'], $painted?->cells);
            $grid = $scene->grids()['g1'];
            self::assertEqualsWithDelta(
                array_sum(array_map(static fn (int $cell): float => $grid->cellOutlines($cell)[0]->area(), range(0, 3))),
                $scene->parts()['d1']->area(),
                1e-6,
            );
            $geometry = array_values(
                array_filter(
                    (array) (SceneView::describe($scene, [])['geometry'] ?? []),
                    static fn (mixed $one): bool => is_array($one) && isset($one['painted']),
                ),
            );
            self::assertSame(['1 3+1', '2'], $geometry[0]['painted']['cells']);
        }
        self::assertSame(
            ['lost-cells'],
            array_column(self::scene(['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '1,1 4']])->findings, 'code'),
            'A pixel grid counts columns and rows.',
        );
    }

    public function test_a_bitmap_has_one_pixel_a_cell(): void
    {
        $scene = self::scene(
            ['id' => 'p1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '2,3+4 2,4', '#e7c98f' => '10,10']],
            ['id' => 'p2', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['lagoon' => '3,3+1', 'none' => '10,10']],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p2'], 'fill' => '#abcdef'],
        );
        foreach ([1, 8] as $scale) {
            $png = imagecreatefromstring(PixelRaster::of($scene, 'g1')->png($scale));
            self::assertInstanceOf(\GdImage::class, $png);
            self::assertSame([20 * $scale, 16 * $scale], [imagesx($png), imagesy($png)]);
            self::assertFalse(imageistruecolor($png), 'Few colours come as a table.');
            $at = static fn (int $column, int $row, int $off): array => imagecolorsforindex(
                $png,
                (int) imagecolorat($png, ($column - 1) * $scale + $off, ($row - 1) * $scale + $off),
            );
            foreach ([0, $scale - 1] as $off) {
                self::assertSame(['red' => 0x1B, 'green' => 0x21, 'blue' => 0x40, 'alpha' => 0], $at(2, 3, $off));
                self::assertSame(['red' => 0xAB, 'green' => 0xCD, 'blue' => 0xEF, 'alpha' => 0], $at(4, 3, $off), 'A look goes over it.');
                self::assertSame(127, $at(10, 10, $off)['alpha'], 'What was taken away is seen through.');
                self::assertSame(127, $at(1, 1, $off)['alpha']);
            }
        }
        $this->expectException(Unusable::class);
        PixelRaster::of($scene, 'p1');
    }

    public function test_cells_of_an_overlay_are_painted_and_follow_it(): void
    {
        $laid = static fn (float $radius): array => [
            ['id' => 'g2', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 4, 'rows' => 4, 'cell' => [100, 100]],
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [200, 200], 'radius' => $radius],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g2', 'c1']],
            [
                'id' => 'p1',
                'kind' => 'paint',
                'on' => 'o1',
                'cells' => ['ink' => 'g2:2.5,2.5;c1 g2:3.5,2.5;c1', '#2a8c9a' => '5,5', 'none' => '3,399'],
            ],
            ['id' => 'p2', 'kind' => 'paint', 'on' => 'o1', 'cells' => ['none' => 'g2:3.5,2.5;c1']],
        ];
        // A quarter of the disk, and a cell of the grid less nothing of it.
        foreach ([80.0, 60.0] as $radius) {
            $scene = self::scene(...$laid($radius));
            self::assertSame(
                ['cells' => 3, 'colours' => ['ink' => 2, '#2a8c9a' => 1]],
                [
                    'cells' => $scene->known['p1']->result instanceof Part ? array_sum($scene->known['p1']->result->painted?->counts() ?? []) : 0,
                    'colours' => $scene->known['p1']->result instanceof Part ? $scene->known['p1']->result->painted?->counts() : [],
                ],
            );
            self::assertSame(['cells' => 2, 'colours' => ['ink' => 1, '#2a8c9a' => 1]], self::paint($scene, 'p1'));
            $areas = array_map(static fn (array $one): float => $one['area'], SceneNumbers::list($scene)['drawing']);
            self::assertEqualsWithDelta([M_PI * $radius ** 2 / 4, 10_000.0], $areas, 1e-6);
        }
    }

    public function test_what_holds_painted_cells_no_longer_is_said_and_the_others_stay(): void
    {
        $findings = static fn (string $cells): array => array_map(static fn (Finding $one): string => "$one->level $one->code", self::scene(
            ['id' => 'g2', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 4, 'rows' => 4, 'cell' => [100, 100]],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g2']],
            ['id' => 'p1', 'kind' => 'paint', 'on' => 'o1', 'cells' => ['ink' => $cells]],
        )->findings);
        self::assertSame(['warning lost-cells'], $findings('g2:1.5,1.5 900,900'));
        self::assertSame(['warning lost-cells'], $findings('g2:1.5,1.5 3,4+2'));
        self::assertSame(['warning held'], $findings('g2:1.5,1.5;c9'));
        self::assertSame(['error lost'], $findings('900,900'));
    }

    public function test_through_translucent_paint_what_lies_under_it_is_seen_and_every_file_has_their_mixture(): void
    {
        $scene = self::scene(
            ['id' => 'p1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['#ffffff' => '1,1+3']],
            ['id' => 'p2', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['#000000' => '2,1 9,9']],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p2'], 'opacity' => 0.6],
            ['id' => 'p3', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['none' => '3,1']],
        );
        self::assertSame(['cells' => 3, 'colours' => ['#ffffff' => 3]], self::paint($scene, 'p1'));
        $picture = PixelRaster::of($scene, 'g1');
        self::assertSame([0 => '#ffffff', 1 => '#666666', 3 => '#ffffff', 8 * 20 + 8 => '#00000099'], $picture->cells);
        $png = imagecreatefromstring($picture->png(2));
        self::assertInstanceOf(\GdImage::class, $png);
        self::assertSame([40, 32], [imagesx($png), imagesy($png)]);
        self::assertSame([0x66, 0x66, 0x66, 0], array_values(imagecolorsforindex($png, (int) imagecolorat($png, 3, 1))));
        // GD knows 128 steps of it only.
        self::assertSame(127 - intdiv(0x99, 2), imagecolorsforindex($png, (int) imagecolorat($png, 17, 17))['alpha']);
        self::assertSame(127, imagecolorsforindex($png, (int) imagecolorat($png, 5, 1))['alpha']);
        self::assertStringContainsString('<path fill="#000000" fill-opacity="0.6" d="M8 8h1v1h-1z"/>', $picture->svg(1));
    }
}
