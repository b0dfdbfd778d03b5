<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** A cell as it was found again. */
final readonly class HeldCell
{
    /** @param  list<Bound>  $unlike  what it does not agree with */
    public function __construct(public int $cell, public array $unlike)
    {
    }
}
