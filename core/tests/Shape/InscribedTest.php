<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Mesh\CellJoin;
use Sternbild\Core\Shape\Inscribed;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;

final class InscribedTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, int}> a grid, and sides that each of its cells' circles has to touch at least
     */
    public static function grids(): iterable
    {
        yield 'squares' => [
            ['kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 3, 'rows' => 3, 'cell' => [40, 40], 'angle' => 20],
            4,
        ];
        yield 'rectangles' => [['kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 3, 'rows' => 3, 'cell' => [70, 40]], 4];
        yield 'slanted' => [
            ['kind' => 'grid.twoaxis', 'origin' => [200, 0], 'angles' => [20, 75], 'spacing' => [60, 90], 'columns' => 3, 'rows' => 3],
            4,
        ];
        yield 'triangles' => [['kind' => 'grid.triangular', 'origin' => [0, 0], 'side' => 80, 'columns' => 3, 'rows' => 3], 3];
        yield 'wide ring cells' => [['kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => 6, 'sectors' => 5], 2];
        yield 'narrow ring cells' => [['kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => 2, 'sectors' => 30], 3];
        yield 'rings' => [['kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => 3, 'sectors' => 1], 1];
    }

    /** @param  array<string, mixed>  $step */
    #[DataProvider('grids')]
    public function test_it_lies_in_its_cell_and_touches_its_sides(array $step, int $least): void
    {
        $grid = Sample::scene(Sample::plan([['id' => 'g1', ...$step]]))->known['g1']->result;
        self::assertInstanceOf(Grid::class, $grid);
        for ($cell = 0; $cell < $grid->cellCount(); $cell++) {
            $outlines = CellJoin::join($grid->mesh(), [$cell]);
            $inside = Inscribed::in($outlines, 1.0);
            self::assertNotNull($inside);
            $places = array_merge(
                ...array_map(
                    static fn (Curve $curve): array => array_map(static fn (int $k): Vec => $curve->pointAt($k / 40), range(0, 40)),
                    $inside->curves,
                ),
            );
            $touched = 0;
            foreach ($outlines as $outline) {
                foreach ($outline->curves as $curve) {
                    $away = min(
                        array_map(static fn (Vec $place): float => $place->distanceTo($curve->pointAt($curve->nearest($place))), $places),
                    );
                    $touched += $away < 0.3 ? 1 : 0;
                }
            }
            self::assertGreaterThanOrEqual($least, $touched, "cell $cell");
            foreach ($places as $place) {
                $winds = array_sum(array_map(static fn ($outline): int => $outline->windingsAround($place), $outlines));
                $sides = array_merge(...array_map(static fn (Outline $outline): array => $outline->curves, $outlines));
                $edge = min([
                    INF,
                    ...array_map(static fn (Curve $curve): float => $place->distanceTo($curve->pointAt($curve->nearest($place))), $sides),
                ]);
                self::assertTrue($winds !== 0 || $edge < 1e-3, "cell $cell");
            }
        }
    }

    public function test_its_size_goes_with_the_factor_and_other_cells_are_refused(): void
    {
        $grid = ['id' => 'g1', 'kind' => 'grid.triangular', 'origin' => [0, 0], 'side' => 80, 'columns' => 3, 'rows' => 3];
        $scene = Sample::scene(Sample::plan([$grid, ['id' => 'p1', 'kind' => 'part.inscribed', 'cells' => ['g1#1,1'], 'factor' => 0.5]]));
        $part = $scene->known['p1']->result;
        self::assertInstanceOf(Part::class, $part);
        // The incircle of an equilateral triangle of side a has the radius a / (2·√3).
        self::assertEqualsWithDelta(M_PI * (80 / (2 * sqrt(3)) / 2) ** 2, $part->figures()[0]->area(), 1e-8);
        $lost = Sample::scene(
            Sample::plan([
                ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [300, 400], 'radius' => 100],
                ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => 100],
                ['id' => 'o1', 'kind' => 'overlay', 'of' => ['c1', 'c2']],
                ['id' => 'p1', 'kind' => 'part.inscribed', 'cells' => ['o1~350,400;c1,c2']],
            ]),
        );
        self::assertStringContainsString('cells of another form', $lost->findings[0]->message);
    }
}
