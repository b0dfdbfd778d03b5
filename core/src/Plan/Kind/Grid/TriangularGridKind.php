<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\TriangularGrid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Equal triangles. */
#[Called('grid.triangular', label: 'Triangular grid', word: 'grid', prefix: 'g', purpose: Purpose::Ground)]
final class TriangularGridKind extends GridKind
{
    protected function declared(): array
    {
        return [
            new PlaceField('origin', 'origin', true),
            NumberField::size('side', 'side', true),
            NumberField::count('columns', 'columns', 1, Grid::MOST_CELLS, true),
            NumberField::count('rows', 'rows', 1, Grid::MOST_CELLS, true),
            NumberField::angle('angle', 'angle', 0),
            new ChoiceField('field', 'field', ['rhomb' => 'a rhomb', 'rectangle' => 'a rectangle'], 'rhomb'),
            ...self::shown(),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Triangular grid from {origin}, sides of {side}, {columns} columns × {rows} rows in {field}[, turned by {angle}][, shown as {show}][ at strength {strength}].';
    }

    public function cellWords(): array
    {
        return TriangularGrid::cellWords();
    }

    public function pointWords(): array
    {
        return TriangularGrid::pointWords();
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $angle = $given->number('angle');

        return [
            Pull::distance('side', $given->vec('origin'), $given->number('side'), Vec::heading($angle + 90)),
            Pull::angle('angle', $given->vec('origin'), $angle, 0.0, $given->number('side') * 2),
        ];
    }

    public function evaluate(Arguments $given): TriangularGrid
    {
        $columns = $given->whole('columns');
        $rows = $given->whole('rows');
        self::withinLimit(2 * $columns + 1, $rows, $columns >= $rows ? 'columns' : 'rows');

        $lay = $given->text('field') === 'rectangle' ? TriangularGrid::inRectangle(...) : TriangularGrid::inRhomb(...);

        return $lay($given->vec('origin'), $given->number('side'), $columns, $rows, $given->number('angle'));
    }
}
