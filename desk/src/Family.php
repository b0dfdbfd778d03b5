<?php

declare(strict_types=1);

namespace Sternbild\Desk;

/** Verbs of one sort. Their order is that of the keys that open them. */
enum Family: string
{
    case Make = 'make';
    case Guide = 'guide';
    case Shape = 'shape';
    case Combine = 'combine';
    case Copy = 'copy';
    case Place = 'place';
    case Look = 'look';
    case Measure = 'measure';
    case Order = 'order';
}
