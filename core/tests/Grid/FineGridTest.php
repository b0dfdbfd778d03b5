<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Grid;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\FineGrid;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Snap\Snapper;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;
use Sternbild\Core\View\SceneView;

final class FineGridTest extends TestCase
{
    public function test_it_comes_to_what_a_grid_of_the_same_cells_comes_to(): void
    {
        [$fine, $listed] = [new FineGrid(new Vec(30, 20), 12, 9, 7), new RectangularGrid(new Vec(30, 20), 12, 9, 7, 7, 0, 0, 1, 0)];
        self::assertSame($listed->cellCount(), $fine->cellCount());
        self::assertSame(count($listed->mesh()->x), $fine->pointCount());
        self::assertSame(count($listed->mesh()->from), $fine->edgeCount());
        self::assertEqualsWithDelta([$listed->middle()->x, $listed->middle()->y], [$fine->middle()->x, $fine->middle()->y], 1e-9);
        self::assertEquals($listed->thinnest(), $fine->thinnest());
        self::assertEquals(array_map(self::drawn(...), $listed->lines()), array_map(self::drawn(...), $fine->lines()));
        for ($cell = 0; $cell < 108; $cell++) {
            self::assertEquals(self::outlines($listed->cellOutlines($cell)), self::outlines($fine->cellOutlines($cell)));
        }
        $near = new Vec(30 + 3 * 7 + 2, 20 + 2 * 7 - 3);
        // What is about a place is what a list of all of it has there.
        self::assertEquals([[[3, 2], new Vec(51, 34)]], $fine->pointsNear($near, 3.4));
        foreach ([$near, new Vec(30, 20), new Vec(33.4, 20.1), new Vec(9000, 9000)] as $place) {
            foreach ([1.0, 3.4] as $reach) {
                self::assertEquals($listed->pointsNear($place, $reach), $fine->pointsNear($place, $reach));
                self::assertEqualsCanonicalizing($listed->middlesNear($place, $reach), $fine->middlesNear($place, $reach));
            }
        }
        self::assertEquals($listed->nearestIntersection(new Vec(9000, 9000)), $fine->nearestIntersection(new Vec(9000, 9000)));
        self::assertSame([null, [12, 9], []], [$listed->lattice(), $fine->lattice()['size'], $fine->listed()->x]);
    }

    public function test_cells_by_lot_have_the_outlines_that_dropping_shared_edges_gives_them(): void
    {
        mt_srand(9);
        [$fine, $listed] = [new FineGrid(new Vec(0, 0), 14, 11, 10), new RectangularGrid(new Vec(0, 0), 14, 11, 10, 10, 0, 0, 1, 0)];
        for ($round = 0; $round < 80; $round++) {
            $cells = array_values(array_filter(range(0, 153), static fn (): bool => mt_rand(0, 9) < 1 + $round % 9));
            if ($cells === []) {
                continue;
            }
            [$one, $other] = [$fine->joined($cells), $listed->joined($cells)];
            // The same pieces and holes, of the same area, with the same corners; they may begin at another one.
            self::assertEquals(self::outlines($other), self::outlines($one), "round $round");
            self::assertEqualsWithDelta(
                100.0 * count($cells),
                array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $one)),
                1e-6,
            );
        }
    }

    public function test_a_million_cells_are_laid_painted_and_snapped_to_with_little_memory(): void
    {
        $before = memory_get_peak_usage();
        memory_reset_peak_usage();
        $plan = Sample::unchecked(
            Sample::plan([
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 1000, 'rows' => 1000, 'cell' => 1],
                [
                    'id' => 'd1',
                    'kind' => 'paint',
                    'on' => 'g1',
                    'cells' => ['ink' => implode(' ', array_map(static fn (int $row): string => "1,$row+399", range(1, 300)))],
                ],
            ]),
        );
        $scene = Sample::scene($plan);
        self::assertSame([], $scene->findings);
        self::assertEquals(
            ['kind' => 'grid.pixel', 'cells' => 1_000_000, 'points' => 1001 * 1001, 'edges' => 2 * 1000 * 1001, 'area' => 1e6],
            ((array) SceneNumbers::list($scene)['grids'])['g1'],
        );
        self::assertEqualsWithDelta(120_000.0, $scene->parts()['d1']->area(), 1e-6);
        self::assertSame(4, $scene->parts()['d1']->nodes());
        $view = (string) json_encode(SceneView::describe($scene, []));
        self::assertLessThan(200_000, strlen($view));
        $found = (new Snapper([], $scene->grids(), $scene->labels, $scene->plan->tolerance()))->near(new Vec(700.2, 500.1), 0.6, [
            'intersection',
            'midpoint',
            'cell-centre',
            'edge',
        ]);
        self::assertSame('g1@700,500', $found[0]->raw ?? null);
        self::assertLessThan(100_000_000, memory_get_peak_usage() - min($before, memory_get_usage()));
        $more = $plan;
        $more['steps'][0]['rows'] = 1001;
        self::assertStringContainsString('at most 1,000,000', Sample::scene($more)->findings[0]->message);
    }

    /** @return list<float> */
    private static function drawn(\Sternbild\Core\Geometry\Curve $line): array
    {
        return [$line->start()->x, $line->start()->y, $line->end()->x, $line->end()->y];
    }

    /**
     * @param  list<Outline>  $outlines
     * @return list<string> corners from the first one in reading order, in the order of the outlines' corners
     */
    private static function outlines(array $outlines): array
    {
        $texts = [];
        foreach ($outlines as $outline) {
            $corners = array_map(
                static fn ($curve): string => sprintf('%06.1f %06.1f', $curve->start()->y, $curve->start()->x),
                $outline->curves,
            );
            $first = (int) array_search(min($corners), $corners, true);
            $texts[] = implode(', ', [...array_slice($corners, $first), ...array_slice($corners, 0, $first)]);
        }
        sort($texts);

        return $texts;
    }
}
