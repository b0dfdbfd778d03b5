<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Picture extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Picture…', from: 'ground', family: Family::Guide, key: 8,
            words: 'reference, photograph, scan, sketch, image, import a picture, trace, place an image',
            says: 'Lays a picture under the construction, to sample or to trace; it is never part of the result.',
            preset: ['fade' => 0.4], asks: ['source', 'width', 'fade'],
        )];
    }
}
