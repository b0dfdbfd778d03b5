<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Paint extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Paint', from: 'cells', family: Family::Make, key: 4,
            words: 'colour cells, pixel art, sprite, fill pixels, brush, dots',
            says: 'Paints the picked cells in a colour; what is painted later goes over it.',
            takes: 'cells', asks: ['cells'],
        )];
    }
}
