<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Side;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** What of a sheet has sides: lines, circles and arcs, and parts. */
final class Sides
{
    /** @return Side|null null for runs, which are open, for copies taken together, and for what has no outline */
    public static function find(Result $result): ?Side
    {
        return match (true) {
            $result instanceof Guide => $result->curve === null ? null : Side::ofCurve($result->curve),
            $result instanceof Part => Side::ofOutlines($result->allOutlines()),
            default => null,
        };
    }
}
