<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Grid;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Tests\Sample;

/** The middle of every sort of grid, and how what is placed stands on it. */
final class MiddlesTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, float, float, float}> the grid, its middle, its turn at 500, 400 */
    public static function grids(): iterable
    {
        yield 'rectangular' => [
            ['kind' => 'grid.rectangular', 'origin' => [100, 50], 'columns' => 6, 'rows' => 5, 'cell' => [40, 30]],
            220.0,
            125.0,
            0.0,
        ];
        yield 'two axes' => [
            ['kind' => 'grid.twoaxis', 'origin' => [100, 100], 'angles' => [30, 90], 'spacing' => [20, 20], 'columns' => 4, 'rows' => 4],
            NAN,
            NAN,
            30.0,
        ];
        yield 'polar with an odd number of sectors' => [
            ['kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'inner' => 90, 'rings' => 3, 'sectors' => 5],
            400.0,
            400.0,
            90.0,
        ];
        yield 'pixels' => [['kind' => 'grid.pixel', 'origin' => [10, 10], 'columns' => 8, 'rows' => 4, 'cell' => 5], 30.0, 20.0, 0.0];
    }

    /** @param  array<string, mixed>  $grid */
    #[DataProvider('grids')]
    public function test_grids_have_a_middle_and_a_turn(array $grid, float $x, float $y, float $turn): void
    {
        $laid = Sample::scene(Sample::plan([['id' => 'g1', ...$grid]]))->grids()['g1'];
        if (! is_nan($x)) {
            self::assertEqualsWithDelta([$x, $y], [$laid->middle()->x, $laid->middle()->y], 1e-9);
        }
        self::assertEqualsWithDelta($turn, $laid->turnAt(new Vec(500, 400)), 1e-9);
    }

    public function test_the_middle_has_an_address(): void
    {
        $scene = Sample::scene(
            Sample::plan([Sample::rectangular(), ['id' => 'p1', 'kind' => 'part.circle', 'center' => 'g1!', 'radius' => 9]]),
        );
        self::assertEqualsWithDelta(
            [220.0, 125.0],
            [$scene->parts()['p1']->bounds()->center()->x, $scene->parts()['p1']->bounds()->center()->y],
            1e-9,
        );
    }
}
