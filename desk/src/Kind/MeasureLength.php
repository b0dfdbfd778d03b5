<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class MeasureLength extends KindDesk
{
    public function offers(): array
    {
        return array_map(static fn (string $from): Offer => new Offer(
            label: 'Length', from: $from, family: Family::Measure, key: 3,
            words: 'perimeter, circumference, how long, outline length, arc length',
            says: 'Measures the whole length of lines, or of the outlines of parts.',
            takes: 'of',
        ), ['guides', 'parts']);
    }
}
