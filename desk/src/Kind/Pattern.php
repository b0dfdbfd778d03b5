<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\GroupPictures;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Pattern extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Pattern…',
                from: 'parts',
                family: Family::Copy,
                key: 5,
                words: 'seamless, wallpaper, textile, repeat, tile, half-drop, brick, surface pattern',
                says: 'Repeats parts over the plane in one of its seventeen groups.',
                picture: 'M6 6h10v10H6zM28 6h10v10H28zM17 27h10v10H17zM39 27h6v10h-6zM3 27h6v10H3z',
                takes: 'of',
                preset: ['group' => 'p1', 'a' => '{closing a}', 'b' => '{closing b}', 'show' => 'sheet'],
                asks: ['group', 'on', 'a', 'b', 'show'],
            ),
        ];
    }

    public function pictures(): array
    {
        return ['group' => GroupPictures::ofPlane()];
    }
}
