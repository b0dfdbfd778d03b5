<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\ForBoth;
use Sternbild\Desk\KindDesk;

/** How the desk offers it. */
final class Resize extends KindDesk
{
    public function offers(): array
    {
        return ForBoth::offers(
            'Resize…',
            5,
            'scale, enlarge, shrink, grow, stretch, size, smaller',
            'Makes what is picked so many times as large, from a place.',
            ['about' => '{centre}', 'factor' => 1.5],
            ['factor', 'about'],
            'M8 24h16v16h-16zM8 8h32v32h-16',
        );
    }
}
