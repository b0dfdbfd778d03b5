<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\AlongSketch;
use Sternbild\Desk\Family;
use Sternbild\Desk\ForCircles;
use Sternbild\Desk\KindDesk;

/** How the desk offers it. */
final class GuideCircle extends KindDesk
{
    public function offers(): array
    {
        return [...ForCircles::offers('Circle', Family::Guide), AlongSketch::offer('Circle', 7, 3)];
    }
}
