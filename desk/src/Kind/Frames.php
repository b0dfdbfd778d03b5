<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Frames extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Frames…',
                from: 'guides',
                family: Family::Guide,
                key: 7,
                words: 'animation, sprite sheet, moving picture, walk cycle, film strip, play',
                says: 'Parts a pixel grid into frames, side by side, that are played one after another.',
                takes: 'on',
                preset: ['size' => ['min({first}.columns, {first}.rows)', '{first}.rows'], 'count' => 1],
                asks: ['size', 'count', 'ms'],
                least: 1,
                most: 1,
            ),
        ];
    }
}
