<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

/** How what runs beside an outline goes around its corners. */
enum Corner: string
{
    case Miter = 'miter';

    case Round = 'round';

    case Bevel = 'bevel';
}
