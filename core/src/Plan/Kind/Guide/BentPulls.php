<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\CannotBend;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Pull;

/** Taking hold of the ways between points: pulled, they bend. */
final class BentPulls
{
    /** Of outlines with more points only these are dragged. */
    private const MOST = 200;

    /** @return list<Pull> the middle of each way, or the handles of a cubic */
    public static function along(Arguments $given, bool $isClosed): array
    {
        $points = $given->places('points');
        $bends = $given->bends('bends');
        if (count($points) > self::MOST) {
            return [];
        }
        try {
            $ways = BentWay::ways($points, $bends, $isClosed);
        } catch (CannotBend) {
            return [];
        }
        $pulls = [];
        foreach ($ways as $way => $curve) {
            $handles = ($bends[$way] ?? null)?->handlePlaces() ?? [];
            foreach ($handles as $number => $at) {
                $pulls[] = Pull::place('bends', [$way, 'handles', $number], $at);
            }
            if ($handles === []) {
                $pulls[] = Pull::bulge('bends', $way, $curve->pointAt(0.5), $curve->start(), $curve->end(), 'points');
            }
        }

        return $pulls;
    }
}
