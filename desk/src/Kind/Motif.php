<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Motif extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Motif…', from: 'parts', family: Family::Copy, key: 4,
            words: 'symbol, component, stamp, reuse, instance, master, brush',
            says: 'Makes of parts a motif: drawn once, placed many times; every copy follows it.',
            picture: 'M8 8H22V22H8ZM30 12a6 6 0 1 0 .1 0M12 30l8 12H4zM28 30h14v12H28z',
            takes: 'of', preset: ['anchor' => '{centre}'], asks: ['anchor'],
            next: [['kind' => 'place', 'motif' => '+new', 'at' => ['{anchor}']]],
        )];
    }
}
