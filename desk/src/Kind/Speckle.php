<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Speckle extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Speckle…', from: 'parts', family: Family::Shape, key: 8,
            words: 'texture, noise, grain, sprinkle, random dots, highlights, touches of light',
            says: 'Colours cells of its grid here and there, for texture; the same again for the same seed.',
            takes: 'of', preset: ['colours' => ['{colour}']], asks: ['colours', 'share', 'size', 'seed'], most: 1,
        )];
    }
}
