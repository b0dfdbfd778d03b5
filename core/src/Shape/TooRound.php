<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Vec;

/** A corner has no room for an arc as large as that. */
final class TooRound extends \RuntimeException
{
    /** @param  float  $largest  size that is possible, in sheet units: a radius, or a reach where that is what was said */
    public function __construct(public readonly Vec $corner, public readonly float $largest)
    {
        parent::__construct('There is no room for an arc as large as that.');
    }
}
