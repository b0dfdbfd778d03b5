<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\ForCircles;
use Sternbild\Desk\KindDesk;

/** How the desk offers it. */
final class PartCircle extends KindDesk
{
    public function offers(): array
    {
        return ForCircles::offers('Disc', Family::Make);
    }
}
