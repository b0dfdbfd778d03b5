<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class PartInscribed extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Discs in cells', from: 'cells', family: Family::Shape, key: 1,
            words: 'inscribed circles, dots in cells, circle in square, ellipse in cell, bead, halftone, fit circles',
            says: 'Puts the circle that touches its sides into each picked cell, or an ellipse where it is slanted.',
            picture: 'M8 8H40V40H8ZM24 8A16 16 0 1 0 24 40A16 16 0 1 0 24 8Z',
            takes: 'cells',
        )];
    }
}
