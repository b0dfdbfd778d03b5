<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** What of a step is asked for before it is made: its sentence says that also where it is as usual. */
interface Asking
{
    /** @return list<string> names of fields */
    public function askedFor(Kind $kind): array;
}
