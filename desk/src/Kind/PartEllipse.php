<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class PartEllipse extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Ellipse',
                from: 'points',
                family: Family::Make,
                key: 7,
                words: 'oval, squashed circle, egg, round, ovoid',
                says: 'An oval around a centre, by two radii.',
                takes: 'center',
                preset: ['radii' => ['{share:6}', '{share:9}']],
                asks: ['radii', 'angle'],
                most: 1,
            ),
            new Offer(
                label: 'Ellipse, centre and corner',
                from: 'points',
                family: Family::Make,
                key: 7,
                words: 'oval, squashed circle, egg, round, ovoid',
                says: 'An oval around a centre, in a box with a corner at a place.',
                takes: 'center+corner',
                least: 2,
                most: 2,
            ),
        ];
    }
}
