<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Place extends KindDesk
{
    public function offers(): array
    {
        return array_map(static fn (string $from): Offer => new Offer(
            label: 'Place…', from: $from, family: Family::Copy, key: 5,
            words: 'stamp, instance, put a copy, scatter, fill cells, symbol, component',
            says: 'Puts a motif at every picked point, or into every picked cell, turned with the grid where that is wanted.',
            picture: 'M6 6h12v12H6zM30 6h12v12H30zM18 30h12v12H18zM12 12v0M36 12v0',
            takes: 'at', preset: ['motif' => '{last:motif}', 'with' => 'grid'], asks: ['motif', 'with', 'turn', 'resize'],
        ), ['points', 'cells']);
    }
}
