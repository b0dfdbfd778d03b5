<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;

/** The piece of the sheet that a repeat makes all of its copies from: what is drawn elsewhere is drawn there. */
interface Domain
{
    /**
     * What brings places into it, all by the same way.
     *
     * @param  non-empty-list<Vec>  $places
     */
    public function home(array $places): Affine;
}
