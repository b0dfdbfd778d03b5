<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** What a kind of step is called, everywhere. */
#[\Attribute(\Attribute::TARGET_CLASS)]
final readonly class Called
{
    /**
     * @param  string  $name  as plans name it, `grid.polar`
     * @param  string  $label  what the interface calls it, `Polar grid`
     * @param  string  $word  what an unnamed step of it is called, with its number behind: `grid`
     * @param  string  $prefix  what the ids of new steps begin with; they go on with a number
     * @param  Purpose  $purpose  what its steps are for, which heads a stretch of the plan
     */
    public function __construct(
        public string $name,
        public string $label,
        public string $word,
        public string $prefix,
        public Purpose $purpose,
    ) {
    }
}
