<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;
use Sternbild\Desk\Spans;

/** How the desk offers it. */
final class GridTwoaxis extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Two-axis grid',
                from: 'ground',
                family: Family::Make,
                key: 3,
                words: 'isometric, axonometric, slanted, oblique, lozenges, angled',
                says: 'Cells along two directions, as for isometric drawings.',
                // Isometric axes stand at 30° to the horizontal (ISO 5456-3).
                preset: [
                    'origin' => ['sheet.width/2', 'sheet.height/4'],
                    'angles' => [30, 150],
                    'spacing' => ['min(sheet.width, sheet.height)/16', 'min(sheet.width, sheet.height)/16'],
                    'columns' => 8,
                    'rows' => 8,
                ],
                asks: ['columns', 'rows', 'show'],
                spans: self::spans(30, false, null),
                picture: 'M24 6L42 15L24 24L6 15ZM33 10.5L15 19.5M15 10.5L33 19.5M6 24L24 33L42 24M6 33L24 42L42 33',
            ),
            new Offer(
                label: 'Diagonal grid',
                from: 'ground',
                family: Family::Make,
                key: 11,
                words: '45°, 45 degrees, diamonds, slanted, crosswise, on edge',
                says: 'Squares on edge: over a rectangular grid of as many, their crossings lie on its corners and in its middles.',
                preset: [
                    'origin' => ['sheet.width/2-min(sheet.width, sheet.height)*0.4', 'sheet.height/2'],
                    'angles' => [45, -45],
                    'spacing' => ['min(sheet.width, sheet.height)*0.4*sqrt(2)/8', 'min(sheet.width, sheet.height)*0.4*sqrt(2)/8'],
                    'columns' => 8,
                    'rows' => 8,
                ],
                asks: ['columns', 'rows', 'show'],
                spans: self::spans(45, true, 0.1),
                picture: 'M24 6L42 24L24 42L6 24ZM30 12L12 30M36 18L18 36M18 12L36 30M12 18L30 36',
            ),
        ];
    }

    /**
     * Of axes as far below the horizontal to either side, the second one the other way round where it begins at the left: each cell along
     * either of them goes as far to a side as the cosine says, and as far down as the sine.
     */
    private static function spans(int $angle, bool $fromLeft, ?float $leaves): Spans
    {
        [$across, $down] = $fromLeft ? ['({columns}+{rows})', '({columns}-{rows})'] : ['({columns}-{rows})', '({columns}+{rows})'];
        $laid = static fn (string $edge): array => [
            'origin' => ["(sheet.width-$across*cos($angle)*($edge))/2", "(sheet.height-$down*sin($angle)*($edge))/2"],
            'spacing' => [$edge, $edge],
        ];

        return new Spans(
            ['columns', 'rows'],
            cos(deg2rad($angle)),
            sin(deg2rad($angle)),
            $leaves,
            ['name' => 'edge', 'label' => 'edge', 'sets' => $laid('{cell}')],
            $laid("min((sheet.width-2*({margin}))/cos($angle), (sheet.height-2*({margin}))/sin($angle))/({columns}+{rows})"),
        );
    }
}
