<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Inset extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Inset…', from: 'parts', family: Family::Shape, key: 2,
                words: 'offset, shrink, contract, inner outline, draw in, inward, thinner, margin, gap between',
                says: 'Draws parts in by the same distance all around; a negative one widens them.',
                picture: 'M8 8H40V40H8ZM15 15V33H33V15Z',
                takes: 'of', preset: ['distance' => '{share:80}'], asks: ['distance'],
            ),
            new Offer(
                label: 'Widen…', from: 'parts', family: Family::Shape, key: 3,
                words: 'outset, expand, grow, outer outline, bolder, thicker, halo',
                says: 'Widens parts by the same distance all around, with round corners.',
                picture: 'M15 8H33A7 7 0 0 1 40 15V33A7 7 0 0 1 33 40H15A7 7 0 0 1 8 33V15A7 7 0 0 1 15 8ZM15 15V33H33V15Z',
                takes: 'of', preset: ['distance' => '-{share:80}', 'corner' => 'round'], asks: ['distance'],
            ),
        ];
    }
}
