<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

/** A result that later steps may take numbers from by name. */
interface Measured extends Result
{
    /** @return array<string, float> what it derives from its parameters, `g1.ring` */
    public function quantities(): array;
}
