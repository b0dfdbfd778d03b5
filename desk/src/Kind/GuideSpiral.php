<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GuideSpiral extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Spiral', from: 'guides', family: Family::Guide, key: 5,
            words: 'golden spiral, fibonacci, snail, shell, volute, coil',
            says: 'Quarter circles through golden squares.',
            takes: 'on',
            most: 1,
        )];
    }
}
