<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Core\Plan\Plan;
use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;
use Sternbild\Desk\Spans;

/** How the desk offers it. */
final class GridPolar extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Polar grid', from: 'ground', family: Family::Make, key: 1, words: 'rings, radial, circular, concentric, sectors, mandala, spokes, round grid',
            says: 'Rings and sectors around a centre.',
            preset: [
                'center' => Plan::SHEET_CENTER,
                'radius' => 'min(sheet.width, sheet.height)*0.4',
                'rings' => 5,
                'sectors' => 10,
                'axis' => 'sector',
            ],
            asks: ['axis', 'rings', 'sectors'],
            spans: new Spans(
                ['rings'], 2.0, 2.0, 0.1,
                ['name' => 'ring', 'label' => 'ring width', 'sets' => ['radius' => '{rings}*({cell})']],
                ['radius' => 'min(sheet.width, sheet.height)/2-({margin})'],
            ),
            picture: 'M6 24a18 18 0 1 0 36 0a18 18 0 1 0-36 0M12 24a12 12 0 1 0 24 0a12 12 0 1 0-24 0M18 24a6 6 0 1 0 12 0a6 6 0 1 0-12 0'
                .'M24 6V42M8.4 15L39.6 33M8.4 33L39.6 15',
        )];
    }
}
