<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\ForBoth;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Turn extends KindDesk
{
    public function offers(): array
    {
        return [
            ...ForBoth::offers(
                'Turn…',
                3,
                'rotate, spin, pivot, tilt, swing, angle',
                'Turns what is picked about a place.',
                ['about' => '{centre}', 'angle' => 90],
                ['angle', 'about'],
                'M24 10a14 14 0 1 1-14 14M24 4v12l-7-6z',
            ),
            new Offer(
                label: 'Shadow…', from: 'parts', family: Family::Look, key: 8,
                words: 'drop shadow, inner shadow, depth, darken, overlap, multiply',
                says: 'Darkens what a part and its copy, turned by a little about a centre, have in common.',
                takes: 'of', most: 1,
                preset: ['about' => '{center}', 'angle' => 4, 'copy' => true, 'hidden' => true],
                asks: ['angle', 'about'],
                next: [
                    ['id' => '+shadow', 'kind' => 'common', 'of' => ['{of*}', '+new'], 'keep' => true],
                    ['kind' => 'style', 'of' => ['+shadow'], 'fill' => '#000000', 'opacity' => 0.25, 'blend' => 'multiply'],
                ],
            ),
        ];
    }
}
