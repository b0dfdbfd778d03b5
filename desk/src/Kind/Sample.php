<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Sample extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Sample the picture…', from: 'guides', family: Family::Make, key: 5,
            words: 'mosaic, pixelate, picture into cells, posterise, reduce colours, quantise, colours from a picture',
            says: 'Gives every cell of the grid the colour that the picture has under it, held to a few colours.',
            takes: 'on', preset: ['picture' => '{last:picture}', 'colours' => 8], asks: ['colours', 'by', 'dither'], least: 1, most: 1,
        )];
    }
}
