<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Core\Plan\Kind\Guide\RunKind;
use Sternbild\Desk\AlongSketch;
use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GuideRun extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Run', from: 'points', family: Family::Guide, key: 8,
            words: 'polyline, open path, way, route, zigzag, track, open line',
            says: 'An open guide from place to place, straight or pulled into arcs.',
            takes: 'points',
            least: 2,
            most: RunKind::MOST,
        ), AlongSketch::offer('Arcs', 6, 2)];
    }
}
