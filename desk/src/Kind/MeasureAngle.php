<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class MeasureAngle extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Angle', from: 'points', family: Family::Measure, key: 2,
            words: 'degrees, turn, slope, inclination, protractor, direction',
            says: 'Measures the angle at the first point, from the second to the third, clockwise.',
            takes: 'at+from+to', least: 3, most: 3,
        )];
    }
}
