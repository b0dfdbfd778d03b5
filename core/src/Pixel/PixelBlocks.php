<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Rectangles;

/**
 * Blocks as cells of a pixel grid: edges along the axes go two cells across and one down, in even steps; all corners lie on corners of
 * cells.
 *
 * That slope, for an axis at 30°, is the common practice of pixel work, without a published source.
 */
final readonly class PixelBlocks
{
    /** @param  array{int, int}  $size  columns and rows */
    private function __construct(private Blocks $blocks, private array $size)
    {
    }

    /**
     * @param  Vec  $origin  and both edges of a cell of the ground, in sheet units
     * @param  array<string, array{int, int, float, float}>  $cells  as of blocks, in sheet units
     * @param  Vec  $by  how many cells of the ground they are moved by, along either axis
     */
    public static function on(Rectangles $grid, Vec $origin, Vec $first, Vec $second, array $cells, Vec $by): self
    {
        $at = static fn (Vec $place): Vec => new Vec(...$grid->coordinatesAt($place));
        $corner = $at($origin);
        $high = $corner->minus($at($origin->plus(new Vec(0.0, -1.0))))->y;
        foreach ($cells as $key => [$column, $row, $foot, $top]) {
            $cells[$key] = [$column, $row, round($foot * $high), round($top * $high)];
        }
        [$columns, $rows] = $grid->size();
        [$first, $second] = [
            self::stepped($at($origin->plus($first))->minus($corner)),
            self::stepped($at($origin->plus($second))->minus($corner)),
        ];
        $moved = $corner->plus($first->times($by->x))->plus($second->times($by->y));
        $blocks = new Blocks(
            new Vec(round($moved->x), round($moved->y)),
            $first,
            $second,
            $cells,
            Tolerance::ofSheet(max($columns, $rows)),
        );

        return new self($blocks, [$columns, $rows]);
    }

    /**
     * @return array{array<int, 'top'|'left'|'right'>, int} which face is seen in each cell, by number row by row, and how many cells lie
     *   outside the grid
     */
    public function seen(bool $isPit): array
    {
        $cells = [];
        $outside = 0;
        [$columns, $rows] = $this->size;
        foreach ($isPit ? $this->blocks->pits() : $this->blocks->standing() as $sort => $outlines) {
            foreach (self::rows($outlines) as [$row, $from, $to]) {
                for ($column = $from; $column < $to; $column++) {
                    if ($row < 0 || $row >= $rows || $column < 0 || $column >= $columns) {
                        $outside++;
                    } else {
                        $cells[$row * $columns + $column] = $sort;
                    }
                }
            }
        }

        return [$cells, $outside];
    }

    /** The edge of a cell as steps of two and one. */
    private static function stepped(Vec $edge): Vec
    {
        $isFlat = abs($edge->x) >= abs($edge->y);
        $steps = max(1.0, round(($isFlat ? abs($edge->x) : abs($edge->y)) / 2));
        [$right, $down] = [$edge->x < 0.0 ? -$steps : $steps, $edge->y < 0.0 ? -$steps : $steps];

        return $isFlat ? new Vec(2 * $right, $down) : new Vec($right, 2 * $down);
    }

    /**
     * Runs of cells whose middles lie in outlines of straight edges. No such edge goes through a middle.
     *
     * @param  list<Outline>  $outlines
     * @return iterable<array{int, int, int}> row, first column, and the one after the last
     */
    private static function rows(array $outlines): iterable
    {
        $crossings = [];
        foreach ($outlines as $outline) {
            foreach ($outline->curves as $curve) {
                [$from, $to] = [$curve->start(), $curve->end()];
                [$high, $low] = $from->y < $to->y ? [$from, $to] : [$to, $from];
                for ($row = (int) ceil($high->y - 0.5); $row + 0.5 < $low->y; $row++) {
                    $crossings[$row][] = $high->x + ($row + 0.5 - $high->y) / ($low->y - $high->y) * ($low->x - $high->x);
                }
            }
        }
        foreach ($crossings as $row => $those) {
            sort($those);
            Budget::spend(count($those));
            for ($k = 0; $k + 1 < count($those); $k += 2) {
                yield [$row, (int) ceil($those[$k] - 0.5), (int) ceil($those[$k + 1] - 0.5)];
            }
        }
    }
}
