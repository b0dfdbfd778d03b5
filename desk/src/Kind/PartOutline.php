<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Core\Plan\Kind\Part\OutlineKind;
use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class PartOutline extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Outline', from: 'points', family: Family::Make, key: 1,
            words: 'polygon, path, shape, pen, closed path, contour, draw',
            says: 'A shape from place to place; its ways are straight, or pulled into arcs.',
            takes: 'points',
            least: 3,
            most: OutlineKind::MOST,
        )];
    }
}
