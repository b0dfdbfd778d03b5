<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Split extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Split…', from: 'parts', family: Family::Combine, key: 5,
            words: 'divide, slice, knife, cut into pieces, break apart, scissors',
            says: 'Cuts parts apart along guides, grids or other parts; nothing is lost.',
            picture: 'M11 24a13 13 0 1 0 26 0a13 13 0 1 0-26 0M24 4V44',
            takes: 'of',
            preset: ['by' => '{lines}'],
            asks: ['by'],
        )];
    }
}
