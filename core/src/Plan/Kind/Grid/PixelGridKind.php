<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\FineGrid;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Square cells of whole pixels. */
#[Called('grid.pixel', label: 'Pixel grid', word: 'grid', prefix: 'g', purpose: Purpose::Ground)]
final class PixelGridKind extends GridKind
{
    protected function declared(): array
    {
        return [
            new PlaceField('origin', 'origin', true),
            NumberField::count('columns', 'columns', 1, FineGrid::MOST_CELLS, true),
            NumberField::count('rows', 'rows', 1, FineGrid::MOST_CELLS, true),
            NumberField::count('cell', 'cell', 1, 10_000, true),
            NumberField::count('block', 'block', 1, 1000),
            ...self::shown(),
        ];
    }

    public function presentation(): array
    {
        return ['block', ...parent::presentation()];
    }

    public function sentence(Step $step): string
    {
        return 'Pixel grid from {origin}, {columns} columns × {rows} rows of {cell} px[, every block of {block} cells shaded][, shown as {show}][ at strength {strength}].';
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
        return [Pull::along('cell', $given->vec('origin'), $given->number('cell'), new Vec(1.0, 0.0))];
    }

    public function evaluate(Arguments $given): RectangularGrid
    {
        $columns = $given->whole('columns');
        $rows = $given->whole('rows');
        self::withinLimit($columns, $rows, $columns >= $rows ? 'columns' : 'rows', FineGrid::MOST_CELLS);
        $cell = $given->number('cell');

        return $columns * $rows >= FineGrid::FROM
            ? new FineGrid($given->vec('origin'), $columns, $rows, $cell)
            : new RectangularGrid($given->vec('origin'), $columns, $rows, $cell, $cell, 0, 0, 1, 0);
    }
}
