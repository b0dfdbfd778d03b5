<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

use Sternbild\Core\Geometry\Affine;

/** A result that can be moved, turned, mirrored and resized: a part or a guide. */
interface Mappable extends Measured
{
    public function mapped(Affine $map): static;
}
