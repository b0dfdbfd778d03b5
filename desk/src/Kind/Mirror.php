<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\ForBoth;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Mirror extends KindDesk
{
    public function offers(): array
    {
        $whole = new Offer(
            label: 'Mirrored half as one…', from: 'parts', family: Family::Copy, key: 12,
            words: 'complete the half, other half, symmetric shape, reflect and join, butterfly, mirror and merge',
            says: 'Mirrors a half in a line, and joins both to one part.',
            takes: 'of', preset: ['axis' => [['sheet.width/2', 0], ['sheet.width/2', 'sheet.height']], 'copy' => true], asks: ['axis'],
            next: [['kind' => 'join', 'of' => ['{of*}', '+new']]],
        );

        return [
            $whole,
            ...ForBoth::offers(
                'Mirror…',
                4,
                'flip, reflect, reflection, symmetry, flop, reverse',
                'Mirrors what is picked in a line.',
                ['axis' => [['sheet.width/2', 0], ['sheet.width/2', 'sheet.height']], 'copy' => true],
                ['axis'],
                'M24 4V44M18 12L6 36H18ZM30 12L42 36H30Z',
            ),
        ];
    }
}
