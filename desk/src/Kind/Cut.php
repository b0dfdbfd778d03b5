<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Cut extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Cut from the first', from: 'parts', family: Family::Combine, key: 2,
            words: 'subtract, minus, difference, punch, cut out, remove, hole, clip away',
            says: 'Takes the others away from the part picked first.',
            picture: 'M24 12.5A13 13 0 1 0 24 35.5A13 13 0 0 1 24 12.5Z',
            takes: 'from+with',
            least: 2,
        )];
    }
}
