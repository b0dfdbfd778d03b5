<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\PolarGrid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Rings and sectors around a centre. */
#[Called('grid.polar', label: 'Polar grid', word: 'grid', prefix: 'g', chapter: Chapter::Ground)]
final class PolarGridKind extends GridKind
{
    public function fields(): array
    {
        return [
            new PlaceField('center', 'centre', true),
            NumberField::size('radius', 'radius', true),
            NumberField::count('rings', 'rings', 1, Grid::MOST_CELLS, true),
            NumberField::count('sectors', 'sectors', 1, Grid::MOST_CELLS, true),
            new ChoiceField('axis', 'on the axis', ['sector' => 'a sector', 'spoke' => 'a spoke'], 'spoke'),
            NumberField::length('inner', 'inner radius', 0),
            NumberField::angle('turn', 'turn', 0),
            new ChoiceField('spacing', 'rings spaced', ['equal' => 'equally', 'equal-area' => 'to equal areas', 'golden' => 'by the golden ratio'], 'equal'),
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

    public function offers(): array
    {
        return [new Offer(
            label: 'Polar grid', from: 'ground', family: Family::Make, key: 1, words: 'rings, radial, circular, concentric, sectors, mandala, spokes, round grid',
            says: 'Rings and sectors around a centre.',
            preset: [
                'center' => Plan::SHEET_CENTER,
                'radius' => 'min(sheet.width, sheet.height)*0.4',
                'rings' => 5,
                'sectors' => 10,
                'axis' => 'sector',
            ],
            asks: ['axis', 'rings', 'sectors'],
            spans: [
                'counts' => ['rings'], 'wide' => 2.0, 'high' => 2.0, 'leaves' => 0.1,
                'cell' => ['name' => 'ring', 'label' => 'ring width', 'sets' => ['radius' => '{rings}*({cell})']],
                'margin' => ['radius' => 'min(sheet.width, sheet.height)/2-({margin})'],
            ],
            picture: 'M6 24a18 18 0 1 0 36 0a18 18 0 1 0-36 0M12 24a12 12 0 1 0 24 0a12 12 0 1 0-24 0M18 24a6 6 0 1 0 12 0a6 6 0 1 0-12 0'
                .'M24 6V42M8.4 15L39.6 33M8.4 33L39.6 15',
        )];
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
        self::withinLimit($given->whole('rings'), $given->whole('sectors'), $given->whole('sectors') >= $given->whole('rings') ? 'sectors' : 'rings');

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
