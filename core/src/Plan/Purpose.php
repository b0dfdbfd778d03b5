<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** What steps are for, in the order in which designers work: heads the stretches of a plan that names no chapters. */
enum Purpose: string
{
    case Ground = 'Ground';
    case Construction = 'Construction';
    case Repeat = 'Repeat';
    case Look = 'Look';
}
