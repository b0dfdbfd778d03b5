<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

/** A colour that a copy got when it was made, over the look of what it was made of, and under that of all its copies. */
final readonly class Recoloured
{
    /**
     * @param  string  $colour  #rrggbb, or none
     * @param  int  $since  which of the steps that the figure came through gave it, from 0
     */
    public function __construct(public string $colour, public int $since)
    {
    }
}
