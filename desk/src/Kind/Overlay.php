<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Overlay extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Overlay', from: 'guides', family: Family::Make, key: 1,
                words: 'cells, intersect lines, cut the plane, divide, regions, areas, faces, mesh',
                says: 'Lays grids, guides and parts over one another: what they cut one another into are cells.',
                picture: 'M6 12h24v24h-24zM20 24a11 11 0 1 0 22 0a11 11 0 1 0-22 0',
                takes: 'of',
                least: 1,
                most: 10_000,
            ),
            new Offer(
                label: 'Overlay', from: 'parts', family: Family::Combine, key: 6,
                words: 'cells, cut the plane, divide, regions, faces, intersect outlines',
                says: 'Lays grids, guides and parts over one another: what they cut one another into are cells.',
                picture: 'M6 12h24v24h-24zM20 24a11 11 0 1 0 22 0a11 11 0 1 0-22 0',
                takes: 'of',
                least: 1,
                most: 10_000,
            ),
        ];
    }
}
