<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\PolarGrid;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Mesh\CellJoin;

final class CellJoinTest extends TestCase
{
    /**
     * Pieces, holes and nodes of joined cells, counted by hand on squared paper.
     *
     * @return iterable<string, array{Grid, list<string>, int, int, int}>
     */
    public static function joins(): iterable
    {
        $square = new RectangularGrid(new Vec(0, 0), 4, 4, 10, 10, 0, 0, 1, 0);
        $polar = new PolarGrid(new Vec(0, 0), 50, 0.0, 5, 10, 'sector', 0, 'equal');
        $apart = new RectangularGrid(new Vec(0, 0), 4, 4, 10, 10, 2, 2, 1, 0);
        $hollow = new PolarGrid(new Vec(0, 0), 50, 10.0, 4, 12, 'spoke', 0, 'equal');

        yield 'one cell' => [$square, ['2,2'], 1, 0, 4];
        yield 'two in a row become a plain rectangle' => [$square, ['1,1', '2,1'], 1, 0, 4];
        yield 'all cells' => [$square, ['*,*'], 1, 0, 4];
        yield 'an L' => [$square, ['1,1', '1,2', '2,2'], 1, 0, 6];
        yield 'a ring keeps its hole' => [$square, ['1,1', '2,1', '3,1', '1,2', '3,2', '1,3', '2,3', '3,3'], 1, 1, 8];
        yield 'touching at a corner: two pieces, each with its own node there' => [$square, ['1,1', '2,2'], 2, 0, 8];
        yield 'a staircase of touching cells' => [$square, ['1,1', '2,2', '3,3', '4,4'], 4, 0, 16];
        yield 'a checkerboard' => [$square, ['1,1', '3,1', '2,2', '4,2', '1,3', '3,3', '2,4', '4,4'], 8, 0, 32];
        yield 'two holes that touch' => [
            $square,
            ['1,1', '2,1', '3,1', '4,1', '1,2', '3,2', '4,2', '1,3', '2,3', '4,3', '1,4', '2,4', '3,4', '4,4'],
            1,
            2,
            12,
        ];
        yield 'a hole that touches the rim is still a hole' => [$square, ['2,1', '3,1', '1,2', '3,2', '1,3', '2,3', '3,3'], 1, 1, 10];
        yield 'gutters keep cells apart' => [$apart, ['1,1', '2,1'], 2, 0, 8];

        yield 'three rings of a sector' => [$polar, ['2,1', '3,1', '4,1'], 1, 0, 4];
        yield 'from the centre' => [$polar, ['1,1', '2,1'], 1, 0, 3];
        yield 'neighbouring arcs run together' => [$polar, ['3,1', '3,2', '3,3'], 1, 0, 4];
        yield 'half a disc: the spokes are one line' => [$polar, ['1,1', '1,2', '1,3', '1,4', '1,5'], 1, 0, 2];
        yield 'the whole disc is one circle' => [$polar, ['*,*'], 1, 0, 0];
        yield 'a whole ring is two circles' => [$polar, ['3,*'], 1, 1, 0];
        yield 'opposite sectors touch at the centre' => [$polar, ['1,1', '1,6'], 2, 0, 6];
        yield 'every other sector' => [$polar, ['1,1', '1,3', '1,5', '1,7', '1,9'], 5, 0, 15];
        yield 'joined behind: what is between them is a hole that touches the rim' => [
            $polar,
            ['1,1', '1,3', '2,1', '2,2', '2,3'],
            1,
            1,
            6,
        ];
        yield 'two rings with nothing between' => [$hollow, ['1,*', '3,*'], 2, 2, 0];
        yield 'across the axis' => [$hollow, ['4,12', '4,1'], 1, 0, 4];
        yield 'one sector all around' => [new PolarGrid(new Vec(0, 0), 50, 0.0, 3, 1, 'spoke', 0, 'equal'), ['2,1'], 1, 1, 0];
        yield 'two half discs' => [new PolarGrid(new Vec(0, 0), 50, 0.0, 1, 2, 'spoke', 0, 'equal'), ['1,2'], 1, 0, 2];
    }

    /** @param  list<string>  $addresses */
    #[DataProvider('joins')]
    public function test_joined_cells(Grid $grid, array $addresses, int $pieces, int $holes, int $nodes): void
    {
        $cells = self::cells($grid, $addresses);
        $outlines = CellJoin::join($grid->mesh(), $cells);

        self::assertSame($holes, count(array_filter($outlines, static fn (Outline $outline): bool => $outline->isHole())), 'holes');
        self::assertSame($pieces, count($outlines) - $holes, 'pieces');
        self::assertSame($nodes, array_sum(array_map(static fn (Outline $outline): int => $outline->nodes(), $outlines)), 'nodes');
        self::assertEqualsWithDelta(
            self::area($grid, $cells),
            array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $outlines)),
            1e-9,
        );
    }

    public function test_random_joins_keep_their_area_and_their_perimeter(): void
    {
        mt_srand(20);
        foreach ([
            new PolarGrid(new Vec(0, 0), 100, 0.0, 9, 14, 'sector', 5, 'golden'),
            new PolarGrid(new Vec(0, 0), 100, 10.0, 6, 9, 'spoke', 0, 'equal-area'),
            new RectangularGrid(new Vec(0, 0), 12, 11, 10, 7, 0, 0, 1, 30),
            new RectangularGrid(new Vec(0, 0), 5, 4, 10, 7, 3, 0, 2, 0),
        ] as $grid) {
            for ($round = 0; $round < 150; $round++) {
                $cells = array_values(
                    array_filter(range(0, $grid->cellCount() - 1), static fn (): bool => mt_rand(0, 99) < 20 + $round / 3),
                );
                $outlines = CellJoin::join($grid->mesh(), $cells);
                self::assertEqualsWithDelta(
                    self::area($grid, $cells),
                    array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $outlines)),
                    1e-7,
                );
                self::assertEqualsWithDelta(
                    self::borderLength($grid, $cells),
                    array_sum(array_map(static fn (Outline $outline): float => $outline->perimeter(), $outlines)),
                    1e-7,
                );
                foreach ($outlines as $outline) {
                    self::assertIsClosedWithoutStraightJoins($outline);
                }
            }
        }
    }

    public function test_the_order_of_the_cells_does_not_matter(): void
    {
        mt_srand(4);
        $grid = new PolarGrid(new Vec(0, 0), 100, 0.0, 8, 12, 'sector', 0, 'equal');
        $cells = array_values(array_filter(range(0, 95), static fn (int $cell): bool => $cell % 5 !== 0));
        $measure = static function (array $cells) use ($grid): array {
            $areas = array_map(
                static fn (Outline $outline): string => sprintf('%.6f %d', $outline->area(), $outline->nodes()),
                CellJoin::join($grid->mesh(), $cells),
            );
            sort($areas);

            return $areas;
        };
        $expected = $measure($cells);
        for ($round = 0; $round < 20; $round++) {
            shuffle($cells);
            self::assertSame($expected, $measure($cells));
        }
    }

    private static function assertIsClosedWithoutStraightJoins(Outline $outline): void
    {
        $count = count($outline->curves);
        foreach ($outline->curves as $index => $curve) {
            $next = $outline->curves[($index + 1) % $count];
            self::assertSame([$curve->end()->x, $curve->end()->y], [$next->start()->x, $next->start()->y]);
        }
    }

    /**
     * @param  list<string>  $addresses
     * @return list<int>
     */
    private static function cells(Grid $grid, array $addresses): array
    {
        $cells = [];
        foreach ($addresses as $address) {
            array_push(
                $cells,
                ...$grid->cellsAt(array_map(static fn (string $part): ?int => $part === '*' ? null : (int) $part, explode(',', $address))),
            );
        }

        return $cells;
    }

    /** @param  list<int>  $cells */
    private static function area(Grid $grid, array $cells): float
    {
        return array_sum(
            array_map(
                static fn (int $cell): float => $grid->cellOutlines($cell)[0]->area() +
                    (($grid->cellOutlines($cell)[1] ?? null)?->area() ?? 0.0),
                $cells,
            ),
        );
    }

    /**
     * The length of the edges that exactly one of the cells has, measured edge by edge.
     *
     * @param  list<int>  $cells
     */
    private static function borderLength(Grid $grid, array $cells): float
    {
        $mesh = $grid->mesh();
        $uses = [];
        foreach ($cells as $cell) {
            foreach ($mesh->cells[$cell] as $edge) {
                $uses[abs($edge) - 1] = ($uses[abs($edge) - 1] ?? 0) + 1;
            }
        }
        $length = 0.0;
        foreach ($uses as $edge => $count) {
            if ($count === 1) {
                $chord = hypot(
                    $mesh->x[$mesh->to[$edge]] - $mesh->x[$mesh->from[$edge]],
                    $mesh->y[$mesh->to[$edge]] - $mesh->y[$mesh->from[$edge]],
                );
                $circle = $mesh->circles[$mesh->carrier[$edge]] ?? null;
                $length += $circle === null ? $chord : 2 * $circle[2] * asin(min(1.0, $chord / (2 * $circle[2])));
            }
        }

        return $length;
    }
}
