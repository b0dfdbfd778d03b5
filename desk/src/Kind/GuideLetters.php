<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GuideLetters extends KindDesk
{
    public function offers(): array
    {
        $preset = ['x' => 'sheet.height/4', 'cap' => 'sheet.height*2/5', 'overshoot' => 'sheet.height/200'];
        $offer = static fn (string $from, array $more): Offer => new Offer(...[
            'label' => 'Letter lines…', 'from' => $from, 'family' => Family::Guide, 'key' => 9,
            'words' => 'baseline, x-height, cap height, overshoot, type guides, metrics, lettering, font lines',
            'says' => 'Baseline, x-height, cap height and the overshoot of round letters, as named lines.',
            'asks' => ['x', 'cap', 'overshoot'], ...$more,
        ]);

        return [
            $offer('points', ['takes' => 'baseline', 'preset' => $preset, 'most' => 1]),
            $offer('ground', [
                'preset' => ['baseline' => [0, 'sheet.height*7/10'], ...$preset],
                'asks' => ['x', 'cap', 'overshoot', 'baseline'],
            ]),
        ];
    }
}
