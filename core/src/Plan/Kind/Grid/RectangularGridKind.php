<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Columns and rows. */
#[Called('grid.rectangular', label: 'Rectangular grid', word: 'grid', prefix: 'g', purpose: Purpose::Ground)]
final class RectangularGridKind extends GridKind
{
    protected function declared(): array
    {
        return [
            new PlaceField('origin', 'origin', true),
            NumberField::count('columns', 'columns', 1, Grid::MOST_CELLS, true),
            NumberField::count('rows', 'rows', 1, Grid::MOST_CELLS, true),
            PairField::sizes('cell', 'cell'),
            PairField::sizes('size', 'size'),
            PairField::lengths('gutter', 'gutter'),
            NumberField::count('subdivisions', 'subdivisions', 1, 100, false, 1),
            NumberField::angle('angle', 'angle', 0),
            ...self::shown(),
        ];
    }

    public function sentence(Step $step): string
    {
        $measure = $step->says('size') ? 'over {size}' : 'cells of {cell}';

        return "Rectangular grid from {origin}, {columns} columns × {rows} rows, $measure"
            .'[, gutters of {gutter}][, each cell in {subdivisions} × as many][, turned by {angle}][, shown as {show}][ at strength {strength}].';
    }

    public function cellWords(): array
    {
        return RectangularGrid::cellWords();
    }

    public function pointWords(): array
    {
        return RectangularGrid::pointWords();
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $field = $given->has('size') ? 'size' : 'cell';

        return [
            Pull::vector($field, $given->vec('origin'), $given->vec($field), $given->number('angle')),
            Pull::angle('angle', $given->vec('origin'), $given->number('angle'), 0.0, min($given->sheet->right, $given->sheet->bottom) / 6),
        ];
    }

    public function evaluate(Arguments $given): RectangularGrid
    {
        if ($given->has('cell') === $given->has('size')) {
            throw new FieldFault('cell', 'choice', $given->has('cell')
                ? 'either the cell or the size of the whole grid can be given, not both'
                : 'the cell or the size of the whole grid is missing');
        }
        $columns = $given->whole('columns');
        $rows = $given->whole('rows');
        $subdivisions = $given->whole('subdivisions');
        self::withinLimit($columns * $subdivisions, $rows * $subdivisions, $columns >= $rows ? 'columns' : 'rows');
        $gutter = $given->vec('gutter');
        $cell = $given->has('cell') ? $given->vec('cell') : self::cellOf($given->vec('size'), $gutter, $columns, $rows);

        return new RectangularGrid(
            $given->vec('origin'), $columns, $rows, $cell->x, $cell->y, $gutter->x, $gutter->y, $subdivisions, $given->number('angle'),
        );
    }

    /** @throws FieldFault when the gutters leave nothing for the cells */
    private static function cellOf(Vec $size, Vec $gutter, int $columns, int $rows): Vec
    {
        $cell = new Vec(($size->x - ($columns - 1) * $gutter->x) / $columns, ($size->y - ($rows - 1) * $gutter->y) / $rows);
        if ($cell->x <= 0.0 || $cell->y <= 0.0) {
            throw new FieldFault('gutter', 'number', 'the gutters take up the whole size and leave nothing for the cells');
        }

        return $cell;
    }
}
