<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Core\Plan\Kind;
use Sternbild\Desk\Family;
use Sternbild\Desk\Fills;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GridRectangular extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Rectangular grid',
                from: 'ground',
                family: Family::Make,
                key: 2,
                words: 'columns, rows, square grid, layout, raster, modules, table, gutters',
                says: 'Columns and rows, with a gutter where one is given.',
                preset: [
                    'origin' => ['sheet.width/10', 'sheet.height/10'],
                    'columns' => 8,
                    'rows' => 8,
                    'size' => ['sheet.width*0.8', 'sheet.height*0.8'],
                ],
                asks: ['columns', 'rows', 'cell', 'subdivisions', 'show'],
                fills: new Fills('cell', over: 'size'),
                picture: 'M6 6H42V42H6ZM15 6V42M24 6V42M33 6V42M6 15H42M6 24H42M6 33H42',
            ),
        ];
    }

    protected function seen(Kind $kind): array
    {
        return [...parent::seen($kind), 'subdivisions'];
    }
}
