<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class MeasureDistance extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Distance', from: 'points', family: Family::Measure, key: 1,
            words: 'length, how far, ruler, dimension, spacing, gap size',
            says: 'Measures how far two points are apart; its name stands for it wherever a number is typed.',
            takes: 'from+to', least: 2, most: 2,
        )];
    }
}
