<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Vec;

/** A corner has no room for an arc as large as that. */
final class TooRound extends \RuntimeException
{
    /** @param  float  $largest  radius that is possible, in sheet units */
    public function __construct(public readonly Vec $corner, public readonly float $largest)
    {
        parent::__construct('There is no room for an arc as large as that.');
    }
}
