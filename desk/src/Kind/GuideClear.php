<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GuideClear extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Clear space…', from: 'parts', family: Family::Measure, key: 4,
            words: 'exclusion zone, protection zone, safe area, margin around the logo, keep free, padding',
            says: 'The box around parts that nothing else may enter; as wide as a share of the part picked first, or any measure.',
            takes: 'of', preset: ['distance' => '{first}.high/4'], asks: ['distance'],
        )];
    }
}
