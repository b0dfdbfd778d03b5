<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Shade extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Shade…', from: 'parts', family: Family::Combine, key: 9,
            words: 'shadow, darken, depth, under, dive, relief, dimension',
            says: 'Darkens the strands of a weave towards where they go under.',
            picture: 'M8 16H40V32H8zM18 16V32M22 16V32M28 16V32M31 16V32',
            takes: 'of', most: 1, only: 'weave', preset: ['opacity' => 0.4], asks: ['colour', 'opacity', 'reach'],
        )];
    }
}
