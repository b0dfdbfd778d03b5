<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\PolarGrid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Rings and sectors around a centre. */
#[Called('grid.polar', label: 'Polar grid', word: 'grid', prefix: 'g', purpose: Purpose::Ground)]
final class PolarGridKind extends GridKind
{
    protected function declared(): array
    {
        return [
            new PlaceField('center', 'centre', true),
            NumberField::size('radius', 'radius', true),
            NumberField::count('rings', 'rings', 1, Grid::MOST_CELLS, true),
            NumberField::count('sectors', 'sectors', 1, Grid::MOST_CELLS, true),
            new ChoiceField('axis', 'on the axis', ['sector' => 'a sector', 'spoke' => 'a spoke'], 'spoke'),
            NumberField::length('inner', 'inner radius', 0),
            NumberField::angle('turn', 'turn', 0),
            new ChoiceField(
                'spacing',
                'rings spaced',
                ['equal' => 'equally', 'equal-area' => 'to equal areas', 'golden' => 'by the golden ratio'],
                'equal',
            ),
            ...self::shown(),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Polar grid at {center}, radius {radius}, {rings} rings × {sectors} sectors, {axis} on the axis'
            .'[, inner radius {inner}][, turned by {turn}][, rings spaced {spacing}][, shown as {show}][ at strength {strength}].';
    }

    public function cellWords(): array
    {
        return PolarGrid::cellWords();
    }

    public function pointWords(): array
    {
        return PolarGrid::pointWords();
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $center = $given->vec('center');
        $turn = Vec::heading($given->number('turn') + 90);

        return [
            Pull::distance('radius', $center, $given->number('radius'), $turn),
            ...($given->number('inner') > 0.0 ? [Pull::distance('inner', $center, $given->number('inner'), $turn)] : []),
            Pull::angle('turn', $center, $given->number('turn'), -90.0, $given->number('radius') * 1.06),
        ];
    }

    public function evaluate(Arguments $given): PolarGrid
    {
        $radius = $given->number('radius');
        $inner = $given->number('inner');
        if ($inner >= $radius) {
            throw new FieldFault('inner', 'number', "inner radius must be less than the radius, $radius; it is $inner");
        }
        self::withinLimit(
            $given->whole('rings'),
            $given->whole('sectors'),
            $given->whole('sectors') >= $given->whole('rings') ? 'sectors' : 'rings',
        );

        return new PolarGrid(
            $given->vec('center'),
            $radius,
            $inner,
            $given->whole('rings'),
            $given->whole('sectors'),
            $given->text('axis') === 'sector' ? 'sector' : 'spoke',
            $given->number('turn'),
            match ($given->text('spacing')) {
                'golden' => 'golden',
                'equal-area' => 'equal-area',
                default => 'equal',
            },
        );
    }
}
