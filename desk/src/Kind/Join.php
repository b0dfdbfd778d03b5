<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Join extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Join', from: 'parts', family: Family::Combine, key: 1,
            words: 'union, unite, merge, weld, add, fuse, combine',
            says: 'Makes one shape of all of them.',
            picture: 'M24 12.5A13 13 0 1 0 24 35.5A13 13 0 1 0 24 12.5Z',
            takes: 'of',
        )];
    }
}
