<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\TwoAxisGrid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Columns and rows along two axes at any angle. */
#[Called('grid.twoaxis', label: 'Two-axis grid', word: 'grid', prefix: 'g', chapter: Chapter::Ground)]
final class TwoAxisGridKind extends GridKind
{
    /** Axes that enclose less than this, in degrees, give cells that are nothing but slivers. */
    private const LEAST_ANGLE = 0.1;

    public function fields(): array
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

    public function offers(): array
    {
        return [
            new Offer(
                label: 'Two-axis grid', from: 'ground', family: Family::Make, key: 3, words: 'isometric, axonometric, slanted, oblique, lozenges, angled',
                says: 'Cells along two directions, as for isometric drawings.',
                // Isometric axes stand at 30° to the horizontal (ISO 5456-3).
                preset: ['origin' => ['sheet.width/2', 'sheet.height/4'], 'angles' => [30, 150], 'spacing' => ['min(sheet.width, sheet.height)/16', 'min(sheet.width, sheet.height)/16'], 'columns' => 8, 'rows' => 8],
                asks: ['columns', 'rows', 'show'],
                spans: self::spans(30, false, null),
                picture: 'M24 6L42 15L24 24L6 15ZM33 10.5L15 19.5M15 10.5L33 19.5M6 24L24 33L42 24M6 33L24 42L42 33',
            ),
            new Offer(
                label: 'Diagonal grid', from: 'ground', family: Family::Make, key: 11, words: '45°, 45 degrees, diamonds, slanted, crosswise, on edge',
                says: 'Squares on edge: over a rectangular grid of as many, their crossings lie on its corners and in its middles.',
                preset: [
                    'origin' => ['sheet.width/2-min(sheet.width, sheet.height)*0.4', 'sheet.height/2'], 'angles' => [45, -45],
                    'spacing' => ['min(sheet.width, sheet.height)*0.4*sqrt(2)/8', 'min(sheet.width, sheet.height)*0.4*sqrt(2)/8'], 'columns' => 8, 'rows' => 8,
                ],
                asks: ['columns', 'rows', 'show'],
                spans: self::spans(45, true, 0.1),
                picture: 'M24 6L42 24L24 42L6 24ZM30 12L12 30M36 18L18 36M18 12L36 30M12 18L30 36',
            ),
        ];
    }

    /**
     * Of axes as far below the horizontal to either side, the second one the other way round where it begins at the left: each cell along either of them
     * goes as far to a side as the cosine says, and as far down as the sine.
     *
     * @return array{counts: list<string>, wide: float, high: float, leaves: float|null, cell: array{name: string, label: string, sets: array<string, mixed>}, margin: array<string, mixed>}
     */
    private static function spans(int $angle, bool $fromLeft, ?float $leaves): array
    {
        [$across, $down] = $fromLeft ? ['({columns}+{rows})', '({columns}-{rows})'] : ['({columns}-{rows})', '({columns}+{rows})'];
        $laid = static fn (string $edge): array => [
            'origin' => ["(sheet.width-$across*cos($angle)*($edge))/2", "(sheet.height-$down*sin($angle)*($edge))/2"],
            'spacing' => [$edge, $edge],
        ];

        return [
            'counts' => ['columns', 'rows'], 'wide' => cos(deg2rad($angle)), 'high' => sin(deg2rad($angle)), 'leaves' => $leaves,
            'cell' => ['name' => 'edge', 'label' => 'edge', 'sets' => $laid('{cell}')],
            'margin' => $laid("min((sheet.width-2*({margin}))/cos($angle), (sheet.height-2*({margin}))/sin($angle))/({columns}+{rows})"),
        ];
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
        self::withinLimit($given->whole('columns'), $given->whole('rows'), $given->whole('columns') >= $given->whole('rows') ? 'columns' : 'rows');
        $spacing = $given->vec('spacing');

        return new TwoAxisGrid($given->vec('origin'), $angles->x, $angles->y, $spacing->x, $spacing->y, $given->whole('columns'), $given->whole('rows'));
    }
}
