<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Grid;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\PolarGrid;
use Sternbild\Core\Grid\RectangularGrid;

final class PolarGridTest extends TestCase
{
    /** @return iterable<string, array{Grid}> */
    public static function grids(): iterable
    {
        foreach ([[1, 1], [1, 2], [2, 1], [3, 2], [3, 3], [5, 10], [7, 13], [4, 360]] as [$rings, $sectors]) {
            foreach (['equal', 'equal-area', 'golden'] as $spacing) {
                yield "polar $rings × $sectors, $spacing" => [new PolarGrid(new Vec(31, 7), 200, 0.0, $rings, $sectors, 'sector', 3.5, $spacing)];
                yield "polar $rings × $sectors, $spacing, hollow" => [new PolarGrid(new Vec(31, 7), 200, 40.0, $rings, $sectors, 'spoke', 0, $spacing)];
            }
        }
        foreach ([[0, 0], [4, 0], [0, 3], [4, 3]] as [$x, $y]) {
            foreach ([1, 3] as $subdivisions) {
                yield "rectangular, gutters $x and $y, in $subdivisions" => [new RectangularGrid(new Vec(5, 6), 4, 3, 20, 15, $x, $y, $subdivisions, 17)];
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
        $hollow = $grid instanceof PolarGrid && $grid->circleRadii()[0] > 0.0 ? 1 : 0;
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
        self::assertCount($grid->cellCount(), $grid->cellsAt([null, null]));
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
        $radii = (new PolarGrid(new Vec(0, 0), 300, 60.0, 6, 8, 'spoke', 0, 'equal-area'))->circleRadii();
        for ($ring = 1; $ring <= 6; $ring++) {
            self::assertEqualsWithDelta((300 ** 2 - 60 ** 2) / 6, $radii[$ring] ** 2 - $radii[$ring - 1] ** 2, 1e-8);
        }
    }

    public function test_golden_rings_widen_by_the_golden_ratio(): void
    {
        $radii = (new PolarGrid(new Vec(0, 0), 300, 20.0, 7, 8, 'spoke', 0, 'golden'))->circleRadii();
        self::assertSame([20.0, 300.0], [$radii[0], $radii[7]]);
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
}
