<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Field\CellsField;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;

/** Cells of overlays are held by what bounds them: cells of grids, sides of guides and parts, and then a place. */
final class HeldCellsTest extends TestCase
{
    public function test_the_sides_count_for_more_than_the_place(): void
    {
        // The place lies in the lens of both circles; the sides say the crescent of the first.
        $scene = self::twoCircles('o1~260,300;c1,-c2');
        // Lens of two circles of radius r, centres d apart: 2r²·acos(d/2r) − (d/2)·√(4r² − d²) (handbook formula).
        $lens = 2 * 6400 * acos(10 / 160) - 5 * sqrt(4 * 6400 - 100);
        self::assertEqualsWithDelta(M_PI * 6400 - $lens, $scene->parts()['p1']->area(), 1e-6);
        self::assertSame([], array_filter($scene->findings, static fn (Finding $finding): bool => $finding->level !== 'note'));
    }

    public function test_a_place_in_sheet_units_is_none_of_the_things_to_agree_with(): void
    {
        // Far outside both; still the lens is what lies inside both.
        $scene = self::twoCircles('o1~700,700;c1,c2');
        self::assertEqualsWithDelta(2 * 6400 * acos(10 / 160) - 5 * sqrt(4 * 6400 - 100), $scene->parts()['p1']->area(), 1e-6);
    }

    public function test_among_cells_that_agree_equally_the_one_around_the_place_then_the_nearest_is_taken(): void
    {
        $cross = [
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => 200],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[400, 100], [400, 700]]],
            ['id' => 'c3', 'kind' => 'guide.line', 'through' => [[100, 400], [700, 400]]],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['c1', 'c2', 'c3']],
        ];
        // The upright line runs down, so that its left is the right half of the sheet.
        foreach (['o1~450,450;c1' => [450, 450], 'o1~900,200;c1' => [500, 300], 'o1~300,300;c1,c2' => [500, 300]] as $address => [$x, $y]) {
            $scene = self::scene([...$cross, Sample::part('p1', [$address])]);
            self::assertTrue($scene->parts()['p1']->allOutlines()[0]->isAround(new Vec($x, $y)), $address);
            self::assertEqualsWithDelta(M_PI * 10_000, $scene->parts()['p1']->area(), 1e-6);
        }
    }

    public function test_left_and_right_of_a_line_are_seen_along_its_way(): void
    {
        $steps = [
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => 200],
            // Upwards: its left is the left.
            ['id' => 'l1', 'kind' => 'guide.line', 'through' => [[400, 700], [400, 100]]],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['c1', 'l1']],
        ];
        self::assertEqualsWithDelta(
            200.0,
            self::scene([...$steps, Sample::part('p1', ['o1~400,400;c1,l1'])])
                ->parts()['p1']->bounds()->left,
            1e-9,
        );
        self::assertEqualsWithDelta(
            600.0,
            self::scene([...$steps, Sample::part('p1', ['o1~400,400;c1,-l1'])])
                ->parts()['p1']->bounds()->right,
            1e-9,
        );
    }

    public function test_a_finding_says_where_a_cell_agrees_with_less_than_all(): void
    {
        $scene = self::twoCircles('o1~400,300;-c1,-c2;', false);
        self::assertSame([], $scene->parts());
        $apart = self::scene([
            ['id' => 'c1', 'kind' => 'guide.circle', 'name' => 'rim', 'center' => [200, 300], 'radius' => 80],
            ['id' => 'c2', 'kind' => 'guide.circle', 'name' => 'sun', 'center' => [500, 300], 'radius' => 80],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['c1', 'c2']],
            Sample::part('p1', ['o1~200,300;c1,c2']),
        ]);
        self::assertEqualsWithDelta(M_PI * 6400, $apart->parts()['p1']->area(), 1e-6);
        self::assertSame(['held'], array_map(static fn (Finding $finding): string => $finding->code, $apart->findings));
        self::assertStringContainsString('1 of 2', $apart->findings[0]->message);
        self::assertStringContainsString('sun', $apart->findings[0]->message);
    }

    public function test_a_finding_says_where_two_cells_of_a_pick_fall_together(): void
    {
        $scene = self::twoCircles('o1~260,300;c1,-c2', true, 'o1~240,310;c1,-c2');
        self::assertContains('together', array_map(static fn (Finding $finding): string => $finding->code, $scene->findings));
    }

    public function test_what_was_deleted_is_said_and_the_rest_holds(): void
    {
        $scene = self::twoCircles('o1~260,300;c1,-c9');
        self::assertNotNull($scene->parts()['p1'] ?? null);
        self::assertSame(['held'], array_map(static fn (Finding $finding): string => $finding->code, $scene->findings));
    }

    public function test_copies_and_parts_are_sides_too(): void
    {
        $scene = self::scene([
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 200], 'radius' => 120],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['c1'], 'center' => [400, 400], 'count' => 4],
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 150],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['r1', 'p1']],
            Sample::part('p2', ['o1~400,400;r1[2],p1,-r1[1]']),
        ]);
        self::assertSame([], $scene->findings);
        // Copy 2 lies to the right, a quarter turn on: what it has in common with the disc.
        $bounds = $scene->parts()['p2']->bounds();
        self::assertGreaterThan(470, $bounds->left);
        self::assertEqualsWithDelta(550.0, $bounds->right, 1e-9);
        // In its own words: inside copy 2 and the disc, on whose edges it lies.
        $overlay = $scene->overlays()['o1'];
        self::assertMatchesRegularExpression('/;r1\[2\],p1$/', $overlay->cellAddress((int) $overlay->cellAt(new Vec(500, 400))));
    }

    /**
     * Two grids, a circle and a line laid over one another by lot, and all their numbers changed by some hundredths. Where before and after
     * one piece lies in the same cells and on the same sides, it is the one that is found.
     */
    public function test_pieces_are_found_again_while_what_bounds_them_goes_on_to_do_so(): void
    {
        $asked = 0;
        for ($seed = 1; $seed <= 200; $seed++) {
            $before = self::scene(self::drawing($seed, 0.0));
            $overlay = $before->overlays()['o1'];
            $were = self::signatures($before);
            for ($change = 1; $change <= 50; $change += 16) {
                $after = self::scene(self::drawing($seed, $change * 0.002));
                $names = self::signatures($after);
                $scope = Sample::scope($after);
                foreach ($were as $signature => $cells) {
                    // Where a curve comes to cut a piece in two, the nearer half is as good as the other.
                    if (count($cells) === 1 && count($names[$signature] ?? []) === 1 && self::alike($were, $names, $signature)) {
                        $asked++;
                        $found = (new CellsField('cells', 'cells'))->resolve(['o1'.$overlay->cellAddress($cells[0])], $scope);
                        self::assertSame(['o1' => $names[$signature]], $found->cells, "seed $seed, change $change: $signature");
                    }
                }
            }
        }
        self::assertGreaterThan(20_000, $asked);
    }

    /**
     * Whether the same pieces lie in the same two cells of the grids before and after.
     *
     * @param  array<string, list<int>>  $before
     * @param  array<string, list<int>>  $after
     */
    private static function alike(array $before, array $after, string $signature): bool
    {
        $cells = implode(' ', array_slice(explode(' ', $signature), 0, 2)).' ';
        $counts = static fn (array $all): array => array_map(
            count(...),
            array_filter($all, static fn (string $one): bool => str_starts_with($one, $cells), ARRAY_FILTER_USE_KEY),
        );
        [$then, $now] = [$counts($before), $counts($after)];
        ksort($then);
        ksort($now);

        return $then === $now;
    }

    /** @return array<string, list<int>> cells by where they lie in both grids, in the circle and beside the line */
    private static function signatures(Scene $scene): array
    {
        $overlay = $scene->overlays()['o1'];
        $circle = $scene->guides()['c1']->single();
        $line = $scene->guides()['c2']->single();
        $signatures = [];
        for ($cell = 0; $cell < $overlay->cellCount(); $cell++) {
            $place = $overlay->arrangement()->placeInside($cell);
            $inside = $circle instanceof Arc && $place->distanceTo($circle->center()) < $circle->radius();
            $left = $line->end()->minus($line->start())->cross($place->minus($line->start())) < 0.0;
            $signatures[
                implode(' ', [
                    $scene->grids()['g1']->cellAt($place) ?? '-',
                    $scene->grids()['g2']->cellAt($place) ?? '-',
                    (int) $inside,
                    (int) $left,
                ])
            ][] = $cell;
        }

        return $signatures;
    }

    /** @return list<array<string, mixed>> */
    private static function drawing(int $seed, float $change): array
    {
        mt_srand($seed);
        $lot = static fn (int $least, int $most): float => mt_rand($least * 10, $most * 10) / 10;
        $grown = static fn (float $number): float => $number * (1 + $change);

        return [
            [
                'id' => 'g1',
                'kind' => 'grid.polar',
                'center' => [400, 400],
                'radius' => 350,
                'rings' => mt_rand(2, 4),
                'sectors' => mt_rand(3, 8),
            ],
            [
                'id' => 'g2',
                'kind' => 'grid.rectangular',
                'origin' => [$lot(40, 90), $lot(40, 90)],
                'columns' => mt_rand(2, 4),
                'rows' => mt_rand(2, 4),
                'size' => [$grown($lot(500, 640)), $grown($lot(500, 640))],
            ],
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [$lot(250, 550), $lot(250, 550)], 'radius' => $grown($lot(80, 240))],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[$lot(0, 800), 0], [$lot(0, 800), 800]]],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'g2', 'c1', 'c2']],
        ];
    }

    private static function twoCircles(string $address, bool $isRead = true, ?string $second = null): Scene
    {
        $steps = [
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [300, 300], 'radius' => 80],
            ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [310, 300], 'radius' => 80],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['c1', 'c2']],
        ];

        return self::scene($isRead ? [...$steps, Sample::part('p1', array_values(array_filter([$address, $second])))] : $steps);
    }

    /** @param  list<array<string, mixed>>  $steps */
    private static function scene(array $steps): Scene
    {
        return Sample::scene([
            ...Sample::plan($steps),
            'sheet' => [...(array) Sample::plan([])['sheet'], 'checks' => ['sliver' => 0, 'miss' => 0]],
        ]);
    }
}
