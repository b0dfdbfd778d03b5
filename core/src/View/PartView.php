<?php

declare(strict_types=1);

namespace Sternbild\Core\View;

use Sternbild\Core\Format\PathData;
use Sternbild\Core\Grid\ColumnsAndRows;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\PaintOver;
use Sternbild\Core\Shape\Covered;
use Sternbild\Core\Shape\Painted;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Spread;

/** Parts as the interface gets them: every shape once, where its figures lie, what of a grid is painted. */
final readonly class PartView
{
    /**
     * @param  array<string, Evaluated>  $known  what the steps of the plan come to
     * @param  int  $decimals  as many as can be told apart on the sheet
     */
    public function __construct(private array $known, private int $decimals)
    {
    }

    /** @return array<string, mixed> */
    public function of(Part $part): array
    {
        return [
            ...$this->figures($part),
            // What figures cover together takes work, and is asked for by name.
            'measures' => SceneNumbers::part($part, Covered::each($part->figuresArea())),
            ...($part->painted === null ? [] : ['painted' => $this->painted($part->painted)]),
        ];
    }

    /**
     * @return array{on: string, colours: list<string>, cells: list<string>, numbers?: list<list<int>>} painted cells; of an overlay as they
     *   are written, and their numbers
     */
    private function painted(Painted $painted): array
    {
        if ($painted->laid instanceof Overlay) {
            return self::paintedOverlay($painted);
        }
        $grid = ($this->known[$painted->grid] ?? null)?->result;
        if (! $grid instanceof Grid) {
            return ['on' => $painted->grid, 'colours' => [], 'cells' => []];
        }
        $along = $grid->arrows()['wraps'][1] ?? false ? 1 : 0;
        $rows = [];
        $columns = $grid instanceof ColumnsAndRows && count($grid::cellWords()) === 2 ? $grid->size()[0] : null;
        foreach ($painted->cells as $cell => $name) {
            $at = $columns === null ? $grid->cellCoordinates($cell) : [$cell % $columns + 1, intdiv($cell, $columns) + 1];
            $rows[$name][$at[1 - $along] ?? 0][] = $at[$along] ?? 0;
        }
        $colours = $cells = [];
        foreach (array_keys($painted->counts()) as $name) {
            $colours[] = $painted->colours[$name];
            $cells[] = implode(' ', array_map(static function (array $cells, int $row) use ($along): string {
                sort($cells);

                return implode(' ', PaintOver::words($cells, $row, $along));
            }, $rows[$name] ?? [], array_keys($rows[$name] ?? [])));
        }

        return ['on' => $painted->grid, 'colours' => $colours, 'cells' => $cells];
    }

    /** @return array{on: string, colours: list<string>, cells: list<string>, numbers: list<list<int>>} */
    private static function paintedOverlay(Painted $painted): array
    {
        $colours = $cells = $numbers = [];
        foreach (array_keys($painted->counts()) as $name) {
            $colours[] = $painted->colours[$name];
            $numbers[] = $those = array_keys($painted->cells, (string) $name, true);
            $cells[] = implode(' ', array_map(static fn (int $cell): string => $painted->words[$cell] ?? '', $those));
        }

        return ['on' => $painted->grid, 'colours' => $colours, 'cells' => $cells, 'numbers' => $numbers];
    }

    /**
     * Every shape once, and for each figure which one it is and the map that brings it where it is.
     *
     * @return array<string, mixed>
     */
    private function figures(Part $part): array
    {
        $numbers = $sizes = $shapes = $figures = [];
        foreach ($part->spread?->ofCell() ?? $part->figures() as $figure) {
            $id = spl_object_id($figure->shape);
            $number = $numbers[$id] ??= count($numbers);
            $shapes[$number] = $figure->shape;
            $sizes[$number] = max(
                $sizes[$number] ?? 1.0,
                abs($figure->map->a) + abs($figure->map->c),
                abs($figure->map->b) + abs($figure->map->d),
            );
            $figures[] = $figure->map->isIdentity() ? [$number] : array_merge([$number], $figure->map->toArray());
        }
        $paths = $boxes = [];
        foreach ($shapes as $number => $shape) {
            $boxes[] = $shape->bounds()->toArray();
            // What is shown enlarged has as many digits as it needs there.
            $decimals = $this->decimals + (int) ceil(log10($sizes[$number]));
            $paths[] = (new PathData($decimals))->ofOutlines($shape->outlines);
        }

        return [
            'shapes' => $paths,
            'boxes' => $boxes,
            'figures' => $figures,
            'copies' => self::copies($part),
            ...$part->spread === null ? [] : ['spread' => self::spread($part->spread)],
        ];
    }

    /**
     * @return array{blocks: list<int>, a: array{float, float}, b: array{float, float}, range: array{int, int, int, int}, each: int} of what
     *   repeats how the figures of the first cell lie in all of them
     */
    private static function spread(Spread $spread): array
    {
        return [
            'blocks' => array_map(count(...), $spread->blocks()),
            'a' => [$spread->lattice->a->x, $spread->lattice->a->y], 'b' => [$spread->lattice->b->x, $spread->lattice->b->y],
            'range' => $spread->range, 'each' => count($spread->maps),
        ];
    }

    /**
     * @return list<int>|null of a repeat the number of the copy that each figure belongs to; of what is spread over cells in the first one
     */
    private static function copies(Part $part): ?array
    {
        if ($part->spread !== null) {
            return $part->spread->copyNumbers();
        }
        $made = $part->copies();
        if ($made === null) {
            return null;
        }
        $copies = array_fill(0, $part->count(), 1);
        foreach (array_keys($made->places) as $copy) {
            foreach ($part->figuresOf($copy + 1, null) as $figure) {
                $copies[$figure] = $copy + 1;
            }
        }

        return array_values($copies);
    }
}
