<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Gap extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Clear of the others…', from: 'parts', family: Family::Combine, key: 7,
            words: 'clearance, even gap, knock out, keyline, spacing, trap, passes in front, overlap',
            says: 'Takes the others, with an even clearance around them, away from the part picked first.',
            picture: 'M8 20H20V28H8ZM40 20H28V28H40ZM22 8H26V40H22Z',
            takes: 'behind+front', preset: ['distance' => '{share:100}'], asks: ['distance'], least: 2,
        )];
    }
}
