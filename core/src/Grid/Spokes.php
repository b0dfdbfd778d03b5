<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** Of grids: spokes that leave a centre. */
interface Spokes extends Coordinates
{
    /** @return float degrees clockwise from straight up */
    public function spokeHeading(int $spoke): float;
}
