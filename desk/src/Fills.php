<?php

declare(strict_types=1);

namespace Sternbild\Desk;

/** How a grid of columns and rows is laid so that it fills the sheet. */
final readonly class Fills
{
    /**
     * @param  string  $cell  the field for its cell
     * @param  string|null  $over  the field for the whole, in whose place the cell is said
     * @param  string  $wide  what a cell takes across, as arithmetic behind its measure, and $high down
     * @param  string  $across  the field that counts across, and $down the one that counts down
     * @param  bool  $whole  whether the cell is a whole number of units
     */
    public function __construct(
        public string $cell,
        public ?string $over = null,
        public string $wide = '',
        public string $high = '',
        public string $across = 'columns',
        public string $down = 'rows',
        public bool $whole = false,
    ) {
    }
}
