<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** How wide a step draws a bar, or keeps a clearance, and which of its numbers says so. */
final readonly class Bar
{
    /**
     * @param  float  $width  sheet units
     * @param  string|null  $field  that is set to change it; null where no one number decides
     * @param  int|null  $index  of the number in the field, where that has two
     * @param  string  $name  by which later steps take it
     * @param  'bar'|'clearance'  $sort  only things of one sort are meant to be equal
     */
    public function __construct(
        public float $width,
        public ?string $field,
        public ?int $index,
        public string $name,
        public string $sort = 'bar',
    ) {
    }
}
