<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** One axis of a rectangular grid: where its lines stand, and which two of them bound each column or row. */
final readonly class Divisions
{
    /**
     * @param  list<float>  $lines  distances from the origin, rising
     * @param  list<int>  $first  for each column or row the number of the line that begins it; the next line ends it
     */
    private function __construct(public array $lines, public array $first)
    {
    }

    /**
     * @param  int  $count  columns or rows before they are subdivided
     * @param  float  $size  of one of them
     * @param  float  $gutter  between two of them; without one they share their lines
     * @param  int  $subdivisions  into how many each is divided
     */
    public static function of(int $count, float $size, float $gutter, int $subdivisions): self
    {
        $lines = [];
        $first = [];
        for ($span = 0; $span < $count; $span++) {
            $start = $span * ($size + $gutter);
            if ($span === 0 || $gutter > 0.0) {
                $lines[] = $start;
            }
            for ($part = 1; $part <= $subdivisions; $part++) {
                $first[] = count($lines) - 1;
                $lines[] = $part === $subdivisions ? $start + $size : $start + $size * $part / $subdivisions;
            }
        }

        return new self($lines, $first);
    }

    /** @param  non-empty-list<float>  $lines rising; every two neighbours bound a column */
    public static function at(array $lines): self
    {
        return new self($lines, array_keys(array_slice($lines, 1)));
    }

    public function count(): int
    {
        return count($this->first);
    }

    /** Equal where the same lines bound the same columns. */
    public function key(): string
    {
        return $this->lineCount().'.'.$this->count();
    }

    public function lineCount(): int
    {
        return count($this->lines);
    }
}
