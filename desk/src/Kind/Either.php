<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Either extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Either', from: 'parts', family: Family::Combine, key: 4,
            words: 'exclude, xor, exclusion, symmetric difference, invert overlap, knock out',
            says: 'Keeps where an odd number of them lies, and leaves out the rest.',
            picture: 'M5 24a13 13 0 1 0 26 0a13 13 0 1 0-26 0M17 24a13 13 0 1 0 26 0a13 13 0 1 0-26 0',
            takes: 'of',
        )];
    }
}
