<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** Of grids: spokes that leave a centre. */
interface Spokes
{
    /** @return float degrees clockwise from straight up */
    public function spokeHeading(int $spoke): float;
}
