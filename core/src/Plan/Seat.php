<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Vec;

/** Where something is placed, and how the grid is turned there. */
final readonly class Seat
{
    /**
     * @param  float  $turn  degrees clockwise that bring upright to the way of a spoke, or level to the first axis of another grid; 0 off
     *   grids
     */
    public function __construct(public Vec $at, public float $turn)
    {
    }
}
