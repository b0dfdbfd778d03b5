<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

/** The frames of a moving picture, side by side on one grid, row by row. */
final readonly class Frames
{
    /**
     * @param  int  $columns  and $rows that the grid has
     * @param  int  $wide  and $high columns and rows of a frame
     * @param  int  $ms  for which each is shown
     */
    public function __construct(
        public int $columns,
        public int $rows,
        public int $wide,
        public int $high,
        public int $count,
        public int $ms,
    ) {
    }

    /** How many there is room for. */
    public function most(): int
    {
        return intdiv($this->columns, $this->wide) * intdiv($this->rows, $this->high);
    }

    /** @return non-empty-list<array{int, int}> the first column and row of each, from 0 */
    public function corners(): array
    {
        $across = max(1, intdiv($this->columns, $this->wide));

        return array_map(
            fn (int $frame): array => [($frame % $across) * $this->wide, intdiv($frame, $across) * $this->high],
            range(0, max(0, $this->count - 1)),
        );
    }
}
