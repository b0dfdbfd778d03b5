<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;
use Sternbild\Desk\Spans;

/** How the desk offers it. */
final class GridGolden extends KindDesk
{
    public function offers(): array
    {
        $filling = ['origin' => [0, 0], 'size' => ['sheet.width', 'sheet.height']];
        $margin = ['origin' => ['{margin}', '{margin}'], 'size' => ['sheet.width-2*({margin})', 'sheet.height-2*({margin})']];
        $spans = new Spans([], 1.0, 1.0, 0.0, null, $margin);

        return [
            new Offer(
                label: 'Golden grid',
                from: 'ground',
                family: Family::Make,
                key: 5,
                words: 'golden ratio, phi, proportion, sections, spiral, golden section',
                says: 'Sections or squares in the golden ratio.',
                preset: [...$filling, 'form' => 'sections', 'depth' => 1],
                asks: ['form', 'from', 'depth', 'turn', 'circles'],
                spans: $spans,
                picture: 'M6 6H42V42H6ZM19.75 6V42M28.25 6V42M6 19.75H42M6 28.25H42',
            ),
            new Offer(
                label: 'Golden squares',
                from: 'ground',
                family: Family::Make,
                key: 12,
                words: 'golden spiral, golden circles, golden rectangle, nested squares, fibonacci, phi',
                says: 'Squares in the golden ratio, one in what the one before leaves, with a circle in each.',
                preset: [...$filling, 'form' => 'squares', 'depth' => 6, 'circles' => true],
                asks: ['depth', 'turn', 'circles'],
                spans: $spans,
                picture: 'M6 13H42V35.2H6ZM28.2 13V35.2M28.2 26.8H42M6 24.1a11.1 11.1 0 1 0 22.2 0a11.1 11.1 0 1 0-22.2 0M28.2 19.9a6.9 6.9 0 1 0 13.8 0a6.9 6.9 0 1 0-13.8 0',
            ),
        ];
    }
}
