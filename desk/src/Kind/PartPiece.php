<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class PartPiece extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Piece…', from: 'parts', family: Family::Shape, key: 1,
            words: 'region, fragment, pick out, take a piece, island, component',
            says: 'Takes single pieces of a part as a part of their own.',
            takes: 'of',
            preset: ['at' => ['{near}']],
            asks: ['at'],
            most: 1,
        )];
    }
}
