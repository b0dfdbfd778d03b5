<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class RepeatAround extends KindDesk
{
    public function offers(): array
    {
        $preset = ['center' => '{center}', 'count' => '{count}'];

        return [
            new Offer(
                label: 'Around…', from: 'parts', family: Family::Copy, key: 1,
                words: 'radial repeat, rotate copies, array, mandala, petals, circular pattern, duplicate around',
                says: 'Copies turned about a centre.',
                picture: 'M20 8a4 4 0 1 0 8 0a4 4 0 1 0-8 0M20 40a4 4 0 1 0 8 0a4 4 0 1 0-8 0M4 24a4 4 0 1 0 8 0a4 4 0 1 0-8 0M36 24a4 4 0 1 0 8 0a4 4 0 1 0-8 0',
                takes: 'of',
                preset: $preset,
                asks: ['center', 'count', 'mirror', 'lap'],
                fromCells: true,
            ),
            new Offer(
                label: 'Around…', from: 'guides', family: Family::Copy, key: 1,
                words: 'radial repeat, rotate copies, array, mandala, petals, circular pattern, duplicate around',
                says: 'Copies turned about a centre.',
                picture: 'M20 8a4 4 0 1 0 8 0a4 4 0 1 0-8 0M20 40a4 4 0 1 0 8 0a4 4 0 1 0-8 0M4 24a4 4 0 1 0 8 0a4 4 0 1 0-8 0M36 24a4 4 0 1 0 8 0a4 4 0 1 0-8 0',
                takes: 'of',
                preset: $preset,
                asks: ['center', 'count', 'mirror'],
            ),
            new Offer(
                label: 'Concentric…', from: 'parts', family: Family::Copy, key: 13,
                words: 'rings inside one another, same centre, nested, target, echo, onion',
                says: 'Copies within one another about one centre, each so many times as large as the one before.',
                takes: 'of',
                preset: ['center' => '{centre}', 'count' => 4, 'angle' => 0, 'factor' => 0.75],
                asks: ['count', 'factor', 'center'],
            ),
        ];
    }
}
