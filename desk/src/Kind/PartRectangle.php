<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class PartRectangle extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Rectangle', from: 'points', family: Family::Make, key: 2,
                words: 'box, square, bar, block, oblong, frame',
                says: 'A rectangle between two opposite corners.',
                takes: 'corners',
                least: 2,
                most: 2,
            ),
            new Offer(
                label: 'Rectangle of a size',
                from: 'points',
                family: Family::Make,
                key: 3,
                words: 'box, square, bar, block, width and height, sized box',
                says: 'A rectangle from a corner, so wide and so high.',
                takes: 'origin',
                preset: ['size' => ['{share:4}', '{share:6}']],
                asks: ['size', 'angle'],
                most: 1,
            ),
        ];
    }
}
