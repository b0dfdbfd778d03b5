<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class MeasureWidth extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Width…', from: 'parts', family: Family::Measure, key: 1,
            words: 'stroke width, thickness, stem, bar width, weight, across',
            says: 'Measures the clear width of a part across a place of its outline, square to it.',
            takes: 'of', preset: ['at' => '{near}'], asks: ['at'], most: 1,
        )];
    }
}
