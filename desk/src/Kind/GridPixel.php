<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\Fills;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GridPixel extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Pixel grid',
                from: 'ground',
                family: Family::Make,
                key: 6,
                words: 'pixels, bitmap, sprite, dots, squares, low resolution, eight bit',
                says: 'Square cells of whole pixels.',
                preset: ['origin' => [0, 0], 'columns' => '{pixels across}', 'rows' => '{pixels down}', 'cell' => '{pixel}', 'block' => 8],
                asks: ['columns', 'rows', 'cell', 'block', 'show'],
                fills: new Fills('cell', whole: true),
                picture: 'M6 6H42V42H6ZM15 6V42M24 6V42M33 6V42M6 15H42M6 24H42M6 33H42M6 6H15V15H6ZM24 6H33V15H24ZM15 15H24V24H15ZM33 15H42V24H33Z',
            ),
        ];
    }
}
