<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Grid;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\GoldenSections;
use Sternbild\Core\Grid\GoldenSquares;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\PolarGrid;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Grid\TriangularGrid;
use Sternbild\Core\Grid\TwoAxisGrid;
use Sternbild\Core\Mesh\CellJoin;

final class GridsTest extends TestCase
{
    /** @return iterable<string, array{Grid}> */
    public static function grids(): iterable
    {
        foreach ([[1, 1], [1, 2], [2, 1], [3, 2], [3, 3], [5, 10], [7, 13], [4, 360]] as [$rings, $sectors]) {
            foreach (['equal', 'equal-area', 'golden'] as $spacing) {
                yield "polar $rings × $sectors, $spacing" => [
                    new PolarGrid(new Vec(31, 7), 200, 0.0, $rings, $sectors, 'sector', 3.5, $spacing),
                ];
                yield "polar $rings × $sectors, $spacing, hollow" => [
                    new PolarGrid(new Vec(31, 7), 200, 40.0, $rings, $sectors, 'spoke', 0, $spacing),
                ];
            }
        }
        foreach ([[30, 150], [150, 30], [0, 63.43], [-20, 95]] as [$first, $second]) {
            yield "two axes at $first and $second" => [new TwoAxisGrid(new Vec(9, -4), $first, $second, 12, 17, 5, 4)];
        }
        foreach ([[1, 1, 0], [4, 3, 0], [3, 6, 30], [5, 5, 11]] as [$columns, $rows, $angle]) {
            yield "triangles, $columns × $rows, turned by $angle" => [TriangularGrid::inRhomb(new Vec(3, 8), 14, $columns, $rows, $angle)];
        }
        foreach ([[1, 1, 0], [4, 3, 0], [4, 6, 30], [5, 5, 11], [3, 4, 90], [2, 5, -30]] as [$columns, $rows, $angle]) {
            yield "triangles in a rectangle, $columns × $rows, turned by $angle" => [
                TriangularGrid::inRectangle(new Vec(3, 8), 14, $columns, $rows, $angle),
            ];
        }
        foreach ([0, 1, 2, 3] as $turn) {
            foreach ([1, 2, 5, 9] as $depth) {
                yield "golden squares, $depth, turned $turn times" => [new GoldenSquares(new Vec(-7, 2), 300, 210, $depth, $turn, true)];
            }
        }
        foreach (['near', 'far', 'both'] as $from) {
            foreach ([1, 2, 5] as $depth) {
                yield "golden sections from $from, $depth times" => [new GoldenSections(new Vec(-7, 2), 300, 110, $from, $depth)];
            }
        }
        foreach ([[0, 0], [4, 0], [0, 3], [4, 3]] as [$x, $y]) {
            foreach ([1, 3] as $subdivisions) {
                yield "rectangular, gutters $x and $y, in $subdivisions" => [
                    new RectangularGrid(new Vec(5, 6), 4, 3, 20, 15, $x, $y, $subdivisions, 17),
                ];
            }
        }
    }

    #[DataProvider('grids')]
    public function test_the_cells_areas_add_up_to_the_grids(Grid $grid): void
    {
        $sum = 0.0;
        for ($cell = 0; $cell < $grid->cellCount(); $cell++) {
            $sum += array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $grid->cellOutlines($cell)));
        }
        self::assertEqualsWithDelta($grid->area(), $sum, 1e-9 * $grid->area());
    }

    #[DataProvider('grids')]
    public function test_places_have_coordinates_and_coordinates_places(Grid $grid): void
    {
        for ($cell = 0; $cell < $grid->cellCount(); $cell++) {
            // The centroid of a polar cell that spans most of a round lies in another ring.
            $middle = $grid instanceof PolarGrid
                ? $grid->placeAt($grid->cellCoordinates($cell)[0] - 0.5, $grid->cellCoordinates($cell)[1] - 0.5)
                : $grid->cellOutlines($cell)[0]->centroid();
            [$u, $v] = $grid->coordinatesAt($middle);
            self::assertLessThan(1e-9, $grid->placeAt($u, $v)->distanceTo($middle));
            self::assertSame($cell, $grid->cellAt($middle));
        }
        self::assertNull($grid->cellAt(new Vec(5000, -3000)));
        $mesh = $grid->mesh();
        foreach ($mesh->x as $point => $x) {
            self::assertLessThan(
                1e-9,
                $grid->placeAt(...$grid->coordinatesAt(new Vec($x, $mesh->y[$point])))->distanceTo(new Vec($x, $mesh->y[$point])),
            );
        }
    }

    public function test_ring_two_and_a_half_sector_three_and_a_half_is_the_middle_of_ring_three_sector_four(): void
    {
        $polar = new PolarGrid(new Vec(400, 400), 300, 0.0, 5, 10, 'sector', 0, 'golden');
        self::assertSame($polar->cellsAt([3, 4])[0], $polar->cellAt($polar->placeAt(2.5, 3.5)));
        self::assertEqualsWithDelta([2.5, 3.5], $polar->coordinatesAt($polar->placeAt(2.5, 3.5)), 1e-9);
        self::assertEqualsWithDelta(
            (self::radii($polar, 3, new Vec(400, 400))[2] + self::radii($polar, 3, new Vec(400, 400))[3]) / 2,
            $polar->placeAt(2.5, 3.5)->distanceTo(new Vec(400, 400)),
            1e-9,
        );
        $gutters = new RectangularGrid(new Vec(10, 20), 4, 3, 20, 15, 4, 3, 1, 0);
        self::assertEqualsWithDelta(
            [10 + 2 * 24 + 10, 20 + 18 + 7.5],
            [$gutters->placeAt(2.5, 1.5)->x, $gutters->placeAt(2.5, 1.5)->y],
            1e-9,
        );
        self::assertNull($gutters->cellAt(new Vec(32, 25)));
    }

    public function test_squares_cut_from_a_golden_rectangle_shrink_by_the_golden_ratio(): void
    {
        // The squares cut from a golden rectangle shrink by 1/φ each; φ² = φ + 1 (OEIS A001622).
        $grid = new GoldenSquares(new Vec(0, 0), 1000, 1000, 8, 0, true);
        $circles = $grid->inscribed();
        self::assertCount(8, $circles);
        foreach (array_slice($circles, 1) as $number => $circle) {
            self::assertEqualsWithDelta(0.6180339887, $circle->radius / $circles[$number]->radius, 1e-9);
        }
        [$left, $top, $right, $bottom] = $grid->cellOutlines(8)[0]->bounds()->toArray();
        self::assertEqualsWithDelta((1 + sqrt(5)) / 2, max($right - $left, $bottom - $top) / min($right - $left, $bottom - $top), 1e-9);
        self::assertEqualsWithDelta($circles[0]->radius * 2, $grid->quantities()['side'], 1e-9);
        // The circles are lines of the grid, and no cells of it: the overlay cuts with them.
        self::assertCount(9, $grid->mesh()->cells);
        self::assertCount(8, array_filter($grid->lines(), static fn (Curve $curve): bool => $curve instanceof Arc));
    }

    public function test_triangles_in_a_rectangle_end_cleanly_at_its_sides(): void
    {
        foreach ([0 => [14 * 6, 14 * 5 * sqrt(3) / 2], 30 => [14 * 5 * sqrt(3) / 2, 14 * 6]] as $angle => [$width, $height]) {
            $grid = TriangularGrid::inRectangle(new Vec(100, 50), 14, 6, 5, $angle);
            $mesh = $grid->mesh();
            self::assertEqualsWithDelta(
                [100, 50, 100 + $width, 50 + $height],
                [min([INF, ...$mesh->x]), min([INF, ...$mesh->y]), max([-INF, ...$mesh->x]), max([-INF, ...$mesh->y])],
                1e-9,
            );
            $areas = array_map(
                static fn (int $cell): float => round($grid->cellOutlines($cell)[0]->area() / ((sqrt(3) / 4) * 14 ** 2), 9),
                range(0, $grid->cellCount() - 1),
            );
            self::assertSame(['0.5' => 10, '1' => 55], array_count_values(array_map(strval(...), $areas)));
        }
    }

    #[DataProvider('grids')]
    public function test_eulers_relation_holds(Grid $grid): void
    {
        $mesh = $grid->mesh();
        $points = count($mesh->x);
        $group = range(0, $points - 1);
        $find = static function (int $point) use (&$group): int {
            while ($group[$point] !== $point) {
                $point = $group[$point] = $group[$group[$point]];
            }

            return $point;
        };
        foreach ($mesh->from as $edge => $from) {
            $group[$find($from)] = $find($mesh->to[$edge]);
        }
        $components = count(array_filter(array_keys($group), static fn (int $point): bool => $find($point) === $point));
        // V − E + F = 1 + C, the outer face counted; the hole inside a hollow polar grid is a face, too.
        $hollow = $grid instanceof PolarGrid && $grid->placeAt(0.0, 0.0)->distanceTo($grid->placeAt(0.0, 0.5)) > 1e-9 ? 1 : 0;
        self::assertSame(1 + $components, $points - count($mesh->from) + $grid->cellCount() + 1 + $hollow);
    }

    #[DataProvider('grids')]
    public function test_addresses_lead_there_and_back(Grid $grid): void
    {
        $mesh = $grid->mesh();
        for ($cell = 0; $cell < $grid->cellCount(); $cell++) {
            self::assertSame([$cell], $grid->cellsAt($grid->cellCoordinates($cell)));
        }
        foreach ($mesh->x as $point => $x) {
            $place = $grid->pointAt($grid->pointCoordinates($point));
            self::assertEqualsWithDelta($x, $place->x, 1e-9);
            self::assertEqualsWithDelta($mesh->y[$point], $place->y, 1e-9);
        }
        self::assertCount($grid->cellCount(), $grid->cellsAt(array_fill(0, count($grid->cellWords()), null)));
    }

    public function test_a_polar_cell_has_half_the_difference_of_squares_times_the_angle(): void
    {
        // (R² − r²)·θ/2 (handbook formula)
        $grid = new PolarGrid(new Vec(0, 0), 300, 0.0, 5, 10, 'sector', 0, 'equal');
        [$outline] = $grid->cellOutlines($grid->cellsAt([3, 4])[0]);
        self::assertEqualsWithDelta((180 ** 2 - 120 ** 2) * deg2rad(36) / 2, $outline->area(), 1e-9);
        self::assertSame(4, $outline->nodes());
    }

    public function test_ten_sectors_centred_on_the_axis_start_at_minus_18_degrees(): void
    {
        // To centre one of ten sectors on the upright axis, turn by 18°, half of 36° (trade).
        $grid = new PolarGrid(new Vec(0, 0), 300, 0.0, 5, 10, 'sector', 0, 'equal');
        self::assertSame(-18.0, $grid->spokeHeading(1));
        [$outline] = $grid->cellOutlines($grid->cellsAt([5, 1])[0]);
        self::assertEqualsWithDelta(0.0, $outline->centroid()->x, 1e-9);
        self::assertLessThan(-240, $outline->centroid()->y);
    }

    public function test_a_spoke_on_the_axis_stands_straight_up(): void
    {
        $grid = new PolarGrid(new Vec(400, 400), 300, 0.0, 5, 10, 'spoke', 0, 'equal');
        self::assertEquals(new Vec(400, 100), $grid->pointAt([5, 1]));
        self::assertEquals(new Vec(400, 400), $grid->pointAt([0]));
        self::assertEquals(new Vec(400, 400), $grid->pointAt([0, 7]));
    }

    public function test_sectors_run_clockwise(): void
    {
        $grid = new PolarGrid(new Vec(0, 0), 100, 0.0, 1, 4, 'spoke', 0, 'equal');
        self::assertEqualsWithDelta(100, $grid->pointAt([1, 2])->x, 1e-12);
        self::assertEqualsWithDelta(100, $grid->pointAt([1, 3])->y, 1e-12);
    }

    public function test_equal_area_rings_have_equal_areas(): void
    {
        $radii = self::radii(new PolarGrid(new Vec(0, 0), 300, 60.0, 6, 8, 'spoke', 0, 'equal-area'), 6, new Vec(0, 0));
        for ($ring = 1; $ring <= 6; $ring++) {
            self::assertEqualsWithDelta((300 ** 2 - 60 ** 2) / 6, $radii[$ring] ** 2 - $radii[$ring - 1] ** 2, 1e-8);
        }
    }

    public function test_golden_rings_widen_by_the_golden_ratio(): void
    {
        $radii = self::radii(new PolarGrid(new Vec(0, 0), 300, 20.0, 7, 8, 'spoke', 0, 'golden'), 7, new Vec(0, 0));
        self::assertEqualsWithDelta([20.0, 300.0], [$radii[0], $radii[7]], 1e-9);
        for ($ring = 2; $ring <= 7; $ring++) {
            // φ² = φ + 1 (OEIS A001622)
            $ratio = ($radii[$ring] - $radii[$ring - 1]) / ($radii[$ring - 1] - $radii[$ring - 2]);
            self::assertEqualsWithDelta($ratio + 1, $ratio ** 2, 1e-9);
        }
    }

    public function test_a_ring_beyond_the_last_is_refused_with_what_there_is(): void
    {
        $grid = new PolarGrid(new Vec(0, 0), 300, 0.0, 5, 10, 'spoke', 0, 'equal');
        $this->expectException(NoSuchPlace::class);
        $this->expectExceptionMessage('ring 7 does not exist: there are rings 1 to 5');
        $grid->cellsAt([7, 1]);
    }

    public function test_isometric_cells_are_rhombi_of_sixty_degrees(): void
    {
        // Isometric axes stand at 30° to the horizontal (ISO 5456-3).
        $grid = new TwoAxisGrid(new Vec(0, 0), 30, 150, 10, 10, 3, 3);
        [$cell] = $grid->cellOutlines(4);
        self::assertEqualsWithDelta(100 * sqrt(3) / 2, $cell->area(), 1e-9);
        self::assertEqualsWithDelta(0.0, $grid->pointAt([2, 2])->x, 1e-9);
        self::assertEqualsWithDelta(20.0, $grid->pointAt([2, 2])->y, 1e-9);
    }

    public function test_a_hexagon_of_side_n_holds_six_n_squared_triangles(): void
    {
        foreach ([1, 2, 3, 5] as $n) {
            $grid = TriangularGrid::inRhomb(new Vec(0, 0), 10, 2 * $n, 2 * $n, 0);
            $center = $grid->pointAt([$n, $n]);
            $apothem = ($n * 10 * sqrt(3)) / 2;
            $inside = array_values(
                array_filter(range(0, $grid->cellCount() - 1), static function (int $cell) use ($grid, $center, $apothem): bool {
                    $from = $grid->cellOutlines($cell)[0]->centroid()->minus($center);

                    return max(array_map(static fn (int $side): float => $from->dot(Vec::heading($side * 60)), range(0, 5))) < $apothem;
                }));
            self::assertCount(6 * $n ** 2, $inside);
            $joined = CellJoin::join($grid->mesh(), $inside);
            self::assertCount(1, $joined);
            self::assertSame(6, $joined[0]->nodes());
            // A regular hexagon of side s has the area (3√3/2)s² (handbook formula).
            self::assertEqualsWithDelta(3 * sqrt(3) / 2 * ($n * 10) ** 2, $joined[0]->area(), 1e-8);
        }
    }

    public function test_turned_by_thirty_degrees_one_family_of_lines_stands_upright(): void
    {
        $grid = TriangularGrid::inRhomb(new Vec(50, 0), 10, 3, 3, 30);
        self::assertEqualsWithDelta(50.0, $grid->pointAt([0, 3])->x, 1e-9);
        self::assertEqualsWithDelta(30.0, $grid->pointAt([0, 3])->y, 1e-9);
    }

    public function test_golden_sections_stand_where_the_ratio_says(): void
    {
        // 1/φ = 0.6180339887… (OEIS A001622; recalled)
        $at = static fn (GoldenSections $grid): array => array_values(array_unique(array_map(
            static fn (float $x): float => round($x, 9),
            $grid->mesh()->x,
        )));
        self::assertSame([0.0, 0.618033989, 1.0], $at(new GoldenSections(new Vec(0, 0), 1, 1, 'near', 1)));
        self::assertSame([0.0, 0.381966011, 1.0], $at(new GoldenSections(new Vec(0, 0), 1, 1, 'far', 1)));
        self::assertSame([0.0, 0.381966011, 0.618033989, 1.0], $at(new GoldenSections(new Vec(0, 0), 1, 1, 'both', 1)));
        self::assertSame([0.0, 0.381966011, 0.618033989, 1.0], $at(new GoldenSections(new Vec(0, 0), 1, 1, 'near', 2)));
    }

    public function test_picks_theorem_holds_for_joined_unit_squares(): void
    {
        // Pick's theorem: A = I + B/2 − 1 for a simple polygon with corners on a square lattice.
        mt_srand(31);
        $grid = new RectangularGrid(new Vec(0, 0), 9, 9, 1, 1, 0, 0, 1, 0);
        $checked = 0;
        while ($checked < 60) {
            /** @var list<int> $cells */
            $cells = [40];
            for ($grown = 0; $grown < 22; $grown++) {
                $from = $cells[array_rand($cells)];
                $next = $from + [1, -1, 9, -9][mt_rand(0, 3)];
                if ($next >= 0 && $next < 81 && abs($next % 9 - $from % 9) <= 1) {
                    $cells[] = $next;
                }
            }
            $joined = CellJoin::join($grid->mesh(), $cells);
            if (count($joined) !== 1) {
                continue;
            }
            $checked++;
            $boundary = (int) round($joined[0]->perimeter());
            $covered = [];
            foreach (array_unique($cells) as $cell) {
                [$column, $row] = $grid->cellCoordinates($cell);
                foreach ([[0, 0], [1, 0], [0, 1], [1, 1]] as [$right, $down]) {
                    $key = ($column + $right).','.($row + $down);
                    $covered[$key] = ($covered[$key] ?? 0) + 1;
                }
            }
            // A lattice point with four cells around it is inside.
            $inside = count(array_filter($covered, static fn (int $around): bool => $around === 4));
            self::assertEqualsWithDelta($inside + $boundary / 2 - 1, $joined[0]->area(), 1e-9);
        }
    }

    public function test_five_rows_have_four_dividers_between_them(): void
    {
        // "Dividers" are one fewer than rows (trade).
        $grid = new RectangularGrid(new Vec(0, 0), 3, 5, 10, 10, 0, 0, 1, 0);
        $level = array_filter($grid->lines(), static fn ($line): bool => $line->start()->y === $line->end()->y);
        self::assertCount(5 + 1, $level);
        self::assertCount(4, array_filter($level, static fn ($line): bool => $line->start()->y > 0 && $line->start()->y < 50));
    }

    public function test_gutters_part_the_cells(): void
    {
        $grid = new RectangularGrid(new Vec(0, 0), 3, 2, 30, 20, 6, 4, 1, 0);
        self::assertEquals(new Vec(36, 24), $grid->pointAt([2, 2]));
        self::assertSame(4 * 6, count($grid->mesh()->x));
        self::assertSame(4 * 6, count($grid->mesh()->from));
    }

    /** @return list<float> how far its circles are from the middle, up to a ring */
    private static function radii(PolarGrid $grid, int $rings, Vec $center): array
    {
        return array_map(static fn (int $ring): float => $grid->placeAt((float) $ring, 0.0)->distanceTo($center), range(0, $rings));
    }
}
