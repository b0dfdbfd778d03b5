<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** One axis of a rectangular grid: where its lines stand, and which two of them bound each column or row. */
final readonly class Divisions
{
    /** @var non-empty-list<float> rising; straight in between */
    private array $distances;

    /** @var non-empty-list<float> what columns or rows are counted to at these distances */
    private array $coordinates;

    /**
     * @param  list<float>  $lines  distances from the origin, rising
     * @param  list<int>  $first  for each column or row the number of the line that begins it; the next line ends it
     */
    private function __construct(public array $lines, public array $first)
    {
        [$this->distances, $this->coordinates] = $this->scale();
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

    /**
     * A distance from the origin as a number of columns or rows: whole on the line between two of them, or in the middle of the gutter,
     * and a half in the middle of one. Beyond the ends it goes on as wide as the last.
     */
    public function coordinateAt(float $distance): float
    {
        return self::read($this->distances, $this->coordinates, $distance);
    }

    /** The distance from the origin that has this coordinate. */
    public function distanceAt(float $coordinate): float
    {
        return self::read($this->coordinates, $this->distances, $coordinate);
    }

    /** The column or row, from 0, that a distance lies in; null in a gutter and beyond the ends. */
    public function spanAt(float $distance): ?int
    {
        $span = (int) floor($this->coordinateAt($distance));
        if ($span < 0 || $span >= $this->count()) {
            return null;
        }
        $line = $this->first[$span];

        return $distance >= $this->lines[$line] && $distance <= $this->lines[$line + 1] ? $span : null;
    }

    /**
     * @return array{non-empty-list<float>, non-empty-list<float>} distances and the coordinates at them, both rising; straight in between
     */
    private function scale(): array
    {
        $distances = $coordinates = [];
        foreach ($this->first as $span => $line) {
            [$start, $end] = [$this->lines[$line], $this->lines[$line + 1]];
            $before = $span === 0 ? $start : $this->lines[$this->first[$span - 1] + 1];
            array_push($distances, ($before + $start) / 2, ($start + $end) / 2);
            array_push($coordinates, (float) $span, $span + 0.5);
        }
        $distances[] = $this->lines[count($this->lines) - 1];
        $coordinates[] = (float) count($this->first);

        return [$distances, $coordinates];
    }

    /**
     * @param  non-empty-list<float>  $from  rising
     * @param  non-empty-list<float>  $to
     */
    private static function read(array $from, array $to, float $value): float
    {
        $low = 0;
        $high = count($from) - 1;
        while ($high - $low > 1) {
            $middle = ($low + $high) >> 1;
            if ($from[$middle] <= $value) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $to[$low] + ($to[$high] - $to[$low]) * ($value - $from[$low]) / ($from[$high] - $from[$low]);
    }

    /** The narrowest column or row, from 0. */
    public function narrowest(): int
    {
        $widths = array_map(fn (int $line): float => $this->lines[$line + 1] - $this->lines[$line], $this->first);

        return (int) array_search(min([INF, ...$widths]), $widths, true);
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
