<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** A named run of steps, in the order in which designers work. */
enum Chapter: string
{
    case Ground = 'Ground';
    case Construction = 'Construction';
    case Repeat = 'Repeat';
    case Look = 'Look';
}
