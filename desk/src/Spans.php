<?php

declare(strict_types=1);

namespace Sternbild\Desk;

/**
 * How a grid that is no lattice of columns and rows is laid by the length of a cell, or by the margin around it. `{cell}`, `{margin}` and
 * the names of the counts in braces stand for what is answered.
 */
final readonly class Spans
{
    /**
     * @param  list<string>  $counts  fields that add up to how far it reaches
     * @param  float  $wide  cells across that each of them makes it, and $high down
     * @param  float|null  $leaves  the margin at first, as a share of the sheet's shorter side
     * @param  array{name: string, label: string, sets: array<string, mixed>}|null  $cell  what fields say by the length of a cell
     * @param  array<string, mixed>  $margin  and by the margin
     */
    public function __construct(
        public array $counts,
        public float $wide,
        public float $high,
        public ?float $leaves,
        public ?array $cell,
        public array $margin,
    ) {
    }
}
