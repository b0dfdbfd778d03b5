<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Common extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Common', from: 'parts', family: Family::Combine, key: 3,
            words: 'intersect, intersection, overlap, clip, crop, shared area, and',
            says: 'Keeps only where all of them lie over one another.',
            picture: 'M24 12.5A13 13 0 0 1 24 35.5A13 13 0 0 1 24 12.5Z',
            takes: 'of',
        )];
    }
}
