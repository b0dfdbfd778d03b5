<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\TwoAxisGrid;
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

/** Columns and rows along two axes at any angle. */
#[Called('grid.twoaxis', label: 'Two-axis grid', word: 'grid', prefix: 'g', purpose: Purpose::Ground)]
final class TwoAxisGridKind extends GridKind
{
    /** Axes that enclose less than this, in degrees, give cells that are nothing but slivers. */
    private const LEAST_ANGLE = 0.1;

    protected function declared(): array
    {
        return [
            new PlaceField('origin', 'origin', true),
            PairField::angles('angles', 'axes', true),
            PairField::sizes('spacing', 'edge', true),
            NumberField::count('columns', 'columns', 1, Grid::MOST_CELLS, true),
            NumberField::count('rows', 'rows', 1, Grid::MOST_CELLS, true),
            ...self::shown(),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Two-axis grid from {origin}, axes at {angles}, edges of {spacing}, {columns} columns × {rows} rows[, shown as {show}][ at strength {strength}].';
    }

    public function cellWords(): array
    {
        return TwoAxisGrid::cellWords();
    }

    public function pointWords(): array
    {
        return TwoAxisGrid::pointWords();
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $origin = $given->vec('origin');
        [$angles, $edges] = [$given->vec('angles'), $given->vec('spacing')];

        return [
            Pull::along('spacing', $origin, $edges->x, Vec::heading($angles->x + 90), [0]),
            Pull::along('spacing', $origin, $edges->y, Vec::heading($angles->y + 90), [1]),
            Pull::angle('angles', $origin, $angles->x, 0.0, $edges->x * 2, [0]),
            Pull::angle('angles', $origin, $angles->y, 0.0, $edges->y * 2, [1]),
        ];
    }

    public function evaluate(Arguments $given): TwoAxisGrid
    {
        $angles = $given->vec('angles');
        if (abs(Angle::sine($angles->y - $angles->x)) < Angle::sine(self::LEAST_ANGLE)) {
            throw new FieldFault('angles', 'number', 'the two axes are parallel; they have to cross');
        }
        self::withinLimit(
            $given->whole('columns'),
            $given->whole('rows'),
            $given->whole('columns') >= $given->whole('rows') ? 'columns' : 'rows',
        );
        $spacing = $given->vec('spacing');

        return new TwoAxisGrid(
            $given->vec('origin'),
            $angles->x,
            $angles->y,
            $spacing->x,
            $spacing->y,
            $given->whole('columns'),
            $given->whole('rows'),
        );
    }
}
