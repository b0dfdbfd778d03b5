<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\GroupPictures;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Frieze extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Frieze…', from: 'parts', family: Family::Copy, key: 9,
            words: 'border, edging, trim, ribbon, strip, footprints, repeat along a line',
            says: 'Repeats parts along a line in one of the seven frieze groups.',
            picture: 'M2 30L8 18V30zM14 18L20 30V18zM26 30L32 18V30zM38 18L44 30V18z',
            takes: 'of', preset: ['group' => 'p11g', 'by' => ['{first}.wide*2', 0], 'count' => 6], asks: ['group', 'by', 'count'],
        )];
    }

    public function pictures(): array
    {
        return ['group' => GroupPictures::ofFriezes()];
    }
}
