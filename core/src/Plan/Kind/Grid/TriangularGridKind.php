<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\TriangularGrid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Equal triangles. */
#[Called('grid.triangular', label: 'Triangular grid', word: 'grid', prefix: 'g', chapter: Chapter::Ground)]
final class TriangularGridKind extends GridKind
{
    public function fields(): array
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

    public function offers(): array
    {
        return [new Offer(
            label: 'Triangular grid', from: 'ground', family: Family::Make, key: 4, words: 'triangles, hexagonal tiling, isometric, honeycomb, tessellation, sixty degrees',
            says: 'Equal triangles, as a rhomb or filling a rectangle.',
            // Rows are √3/2 of a side apart, so that nine are about as high as eight sides are wide.
            preset: ['origin' => ['sheet.width/10', 'sheet.height/10'], 'side' => 'min(sheet.width, sheet.height)/10', 'columns' => 8, 'rows' => 9, 'field' => 'rectangle'],
            asks: ['field', 'angle', 'columns', 'rows', 'side', 'show'],
            fills: ['cell' => 'side', 'over' => null, 'wide' => '', 'high' => '*sqrt(3)/2', 'across' => 'columns', 'down' => 'rows', 'whole' => false],
            picture: 'M4 10H30L44 38H18ZM11 24H37M17 10L31 38M30 10L18 38M17 10L11 24M37 24L31 38',
        ), new Offer(
            label: 'Isometric grid', from: 'ground', family: Family::Make, key: 7, words: 'isometric, axonometric, cubes, blocks, thirty degrees, 3d, boxes',
            says: 'Equal triangles on three axes, one of them upright: what blocks stand on.',
            preset: ['origin' => ['sheet.width/10', 'sheet.height/10'], 'side' => 'min(sheet.width, sheet.height)/10', 'columns' => 8, 'rows' => 9, 'field' => 'rectangle', 'angle' => 30],
            asks: ['columns', 'rows', 'side', 'show'],
            fills: ['cell' => 'side', 'over' => null, 'wide' => '*sqrt(3)/2', 'high' => '', 'across' => 'rows', 'down' => 'columns', 'whole' => false],
            picture: 'M24 4L41 14V34L24 44L7 34V14ZM24 4V44M7 14L41 34M41 14L7 34',
        )];
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
