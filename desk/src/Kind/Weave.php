<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Weave extends KindDesk
{
    public function offers(): array
    {
        $offer = static fn (string $from, array $more): Offer => new Offer(...[
            'label' => 'Weave…', 'from' => $from, 'family' => Family::Combine, 'key' => 8,
            'words' => 'interlace, over and under, knot, plait, braid, basket, lattice, interlocking',
            'says' => 'Lets bands and rings go over and under one another in turn, with a clearance where one dives.',
            'picture' => 'M16 4V20M16 28V44M32 4V44M4 16H28M36 16H44M4 32H44',
            'takes' => 'of', ...$more,
        ]);

        return [
            new Offer(
                label: 'Swap the crossing', from: 'points', family: Family::Combine, key: 1,
                words: 'flip over and under, exchange, invert the crossing, other way, over instead of under',
                says: 'What goes over at the picked crossings goes under, and the other way round.',
                takes: 'swap', into: true,
            ),
            $offer('parts', ['preset' => ['gap' => 4], 'asks' => ['gap', 'first']]),
            $offer('guides', ['preset' => ['width' => '{share:40}', 'gap' => '{share:200}'], 'asks' => ['width', 'gap', 'first']]),
        ];
    }
}
