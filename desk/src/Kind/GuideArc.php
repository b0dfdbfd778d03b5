<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\AlongSketch;
use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GuideArc extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Arc', from: 'points', family: Family::Guide, key: 7,
            words: 'arc, curve, bow, part of a circle, three point arc, bend',
            says: 'An arc through three places.',
            takes: 'through',
            least: 3,
            most: 3,
        ), AlongSketch::offer('Arc', 8, 3)];
    }
}
