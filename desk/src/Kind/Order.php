<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Order extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'To the front', from: 'parts', family: Family::Order, key: 1,
                words: 'bring forward, on top, raise, above, front, layer up',
                says: 'Puts what is picked over everything else.',
                takes: 'of',
                preset: ['to' => 'front'],
            ),
            new Offer(
                label: 'To the back', from: 'parts', family: Family::Order, key: 2,
                words: 'send backward, behind, lower, below, underneath, layer down',
                says: 'Puts what is picked under everything else.',
                takes: 'of',
                preset: ['to' => 'back'],
            ),
            new Offer(
                label: 'Above…', from: 'parts', family: Family::Order, key: 3,
                words: 'in front of, over, on top of, layer order, arrange, raise above',
                says: 'Puts the parts picked first right over the part picked last.',
                takes: 'of+above', least: 2,
            ),
            new Offer(
                label: 'Below…', from: 'parts', family: Family::Order, key: 4,
                words: 'behind, under, underneath, layer order, arrange, lower below',
                says: 'Puts the parts picked first right under the part picked last.',
                takes: 'of+below', least: 2,
            ),
        ];
    }
}
