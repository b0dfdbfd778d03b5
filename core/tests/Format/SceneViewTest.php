<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Format;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneView;

final class SceneViewTest extends TestCase
{
    public function test_topology_and_places_together_give_the_cells_again(): void
    {
        foreach (
            [
                Sample::rectangular(['gutter' => [3, 0], 'subdivisions' => 2, 'angle' => 12]),
                [
                    'id' => 'g1',
                    'kind' => 'grid.twoaxis',
                    'origin' => [300, 100],
                    'angles' => [150, 30],
                    'spacing' => [20, 31],
                    'columns' => 4,
                    'rows' => 5,
                ],
                [
                    'id' => 'g1',
                    'kind' => 'grid.triangular',
                    'origin' => [100, 100],
                    'side' => 25,
                    'columns' => 5,
                    'rows' => 4,
                    'angle' => 30,
                ],
                ['id' => 'g1', 'kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [300, 200], 'depth' => 3],
            ] as $step
        ) {
            $scene = Sample::scene(Sample::plan([$step]));
            [$places, $topology] = self::sent(SceneView::describe($scene, []));
            $areas = [];
            foreach ($topology['outlines'] as $edge) {
                if ($edge === 0) {
                    $areas[] = 0.0;

                    continue;
                }
                [$from, $to] =
                    $edge > 0
                        ? [$topology['from'][$edge - 1], $topology['to'][$edge - 1]]
                        : [$topology['to'][-$edge - 1], $topology['from'][-$edge - 1]];
                $areas[count($areas) - 1] += ($places[2 * $from] * $places[2 * $to + 1] - $places[2 * $to] * $places[2 * $from + 1]) / 2;
            }
            self::assertCount(count($topology['cells']), $areas);
            self::assertSame(
                [],
                array_filter($areas, static fn (float $area): bool => $area <= 0.0),
                'Every cell runs clockwise on the screen.',
            );
            self::assertEqualsWithDelta($scene->grids()['g1']->area(), array_sum($areas), 0.1);
            self::assertCount(2 * count($topology['points']), $places);
        }
    }

    public function test_a_grid_that_only_moves_is_sent_without_its_topology(): void
    {
        $has = array_keys((array) SceneView::describe(Sample::scene(Sample::plan([Sample::polar()])), [])['geometry']);
        $sent = static fn (array $more): array => (array) SceneView::describe(
            Sample::scene(Sample::plan([Sample::polar($more)])),
            $has,
            [],
        )['geometry'];
        self::assertSame([], $sent(['strength' => 0.9]));
        foreach ([['radius' => 200], ['center' => [1, 2]], ['turn' => 7], ['axis' => 'spoke'], ['spacing' => 'golden']] as $moved) {
            self::assertCount(1, $sent($moved));
        }
        foreach ([['sectors' => 11], ['rings' => 4], ['inner' => 30]] as $rebuilt) {
            self::assertCount(2, $sent($rebuilt));
        }
    }

    public function test_what_was_given_no_look_is_told_apart_and_so_are_its_copies(): void
    {
        $square = static fn (string $id, float $left): array => [
            'id' => $id,
            'kind' => 'part.rectangle',
            'corners' => [[$left, 100], [$left + 40, 140]],
        ];
        $scene = Sample::scene([
            ...Sample::plan([
                ...array_map($square, ['p1', 'p2', 'p3', 'p4'], [100, 200, 300, 400]),
                ['id' => 'v1', 'kind' => 'move', 'of' => ['p1'], 'by' => [0, 200], 'copy' => true],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p2'], 'fill' => '#0f6e84'],
                ['id' => 's2', 'kind' => 'style', 'of' => ['p3'], 'stroke' => ['color' => '#0f6e84', 'width' => 2]],
                ['id' => 's3', 'kind' => 'style', 'of' => ['p4'], 'opacity' => 0.5],
            ]),
        ]);
        $bare = [];
        foreach (SceneView::describe($scene, [])['drawing'] as $drawn) {
            self::assertIsArray($drawn);
            $bare[$drawn['id']] = array_map(static fn (array $style): bool => ($style['bare'] ?? false) === true, $drawn['styles']);
        }
        // Whoever says an opacity alone has said no colour yet.
        self::assertSame(['p1' => [true], 'p2' => [false], 'p3' => [false], 'p4' => [true], 'v1' => [true]], $bare);
    }

    public function test_what_is_held_fast_is_told(): void
    {
        $scene = Sample::scene(
            Sample::plan([Sample::polar(), ['id' => 'p1', 'kind' => 'part.circle', 'center' => [10, 10], 'radius' => 4, 'fast' => true]]),
        );
        self::assertSame(
            [null, true],
            array_map(static fn (array $step): mixed => $step['fast'] ?? null, SceneView::describe($scene, [])['steps']),
        );
    }

    public function test_grids_with_one_key_hang_together_alike(): void
    {
        $meshes = [];
        foreach (
            [
                Sample::polar(),
                Sample::polar(['radius' => 10, 'turn' => 4, 'axis' => 'spoke']),
                Sample::polar(['inner' => 5]),
                Sample::polar(['inner' => 9, 'spacing' => 'golden']),
                Sample::rectangular(),
                Sample::rectangular(['angle' => 40, 'cell' => [1, 9]]),
                Sample::rectangular(['gutter' => [1, 0]]),
                Sample::rectangular(['gutter' => [0, 1]]),
                [
                    'id' => 'g1',
                    'kind' => 'grid.twoaxis',
                    'origin' => [0, 0],
                    'angles' => [0, 60],
                    'spacing' => [5, 5],
                    'columns' => 6,
                    'rows' => 5,
                ],
                [
                    'id' => 'g1',
                    'kind' => 'grid.twoaxis',
                    'origin' => [0, 0],
                    'angles' => [60, 0],
                    'spacing' => [5, 5],
                    'columns' => 6,
                    'rows' => 5,
                ],
            ] as $step
        ) {
            $grid = Sample::scene(Sample::plan([$step]))->grids()['g1'];
            $mesh = $grid->mesh();
            $topology = [$mesh->from, $mesh->to, $mesh->carrier, $mesh->cells, array_keys($mesh->circles)];
            self::assertSame($meshes[$grid->topologyKey()] ??= $topology, $topology, $grid->topologyKey());
        }
        self::assertCount(6, $meshes);
    }

    /**
     * @param  array<string, mixed>  $view
     * @return array{list<float>, array{cells: list<string>, points: list<string>, from: list<int>, to: list<int>, outlines: list<int>}}
     */
    private static function sent(array $view): array
    {
        $places = $topology = null;
        foreach ((array) $view['geometry'] as $one) {
            if (is_array($one) && isset($one['places'])) {
                $places = $one['places'];
            } elseif (is_array($one) && isset($one['outlines'])) {
                $topology = $one;
            }
        }

        /**
         * @var array{list<float>, array{cells: list<string>, points: list<string>, from: list<int>, to: list<int>, outlines: list<int>}}
         */
        return [$places, $topology];
    }
}
