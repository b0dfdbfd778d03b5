<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

/**
 * A stretch of a one-pixel line that goes one way: so many cells straight on, one aside, and so on.
 *
 * Common practice in pixel work: along a straight line these runs differ by one at most, along a curve they grow or shrink; what goes up
 * and down again looks jagged.
 */
final readonly class Steps
{
    /** Runs below which a stretch is neither. */
    private const LEAST = 4;

    /**
     * @param  array{int, int}  $start  column and row
     * @param  array{int, int}  $ahead  the way of its runs
     * @param  array{int, int}  $aside  the way from one to the next, which goes ahead, too
     * @param  list<int>  $runs  how many cells each has
     */
    private function __construct(public array $start, public array $ahead, public array $aside, public array $runs)
    {
    }

    /**
     * @param  list<array{int, int}>  $line  cell after cell
     * @return list<self>
     */
    public static function in(array $line): array
    {
        $found = [];
        for ($at = 0; $at < count($line) - 1;) {
            [$steps, $end] = self::from($line, $at);
            if ($steps !== null && count($steps->runs) >= self::LEAST) {
                $found[] = $steps;
            }
            $at = max($at + 1, $end);
        }

        return $found;
    }

    /**
     * @param  list<array{int, int}>  $line
     * @return array{self|null, int} where it ends
     */
    private static function from(array $line, int $at): array
    {
        $straight = $diagonal = null;
        $runs = [1];
        for ($k = $at; $k < count($line) - 1; $k++) {
            $way = [$line[$k + 1][0] - $line[$k][0], $line[$k + 1][1] - $line[$k][1]];
            if (abs($way[0]) + abs($way[1]) === 1) {
                if (($straight ??= $way) !== $way || ($diagonal !== null && ! self::goes($diagonal, $way))) {
                    break;
                }
                $runs[count($runs) - 1]++;
            } else {
                if (($diagonal ??= $way) !== $way || ($straight !== null && ! self::goes($way, $straight))) {
                    break;
                }
                $runs[] = 1;
            }
        }

        return [$straight === null || $diagonal === null ? null : new self($line[$at], $straight, $diagonal, $runs), $k];
    }

    /**
     * @param  array{int, int}  $diagonal
     * @param  array{int, int}  $straight
     */
    private static function goes(array $diagonal, array $straight): bool
    {
        return ($straight[0] === 0 || $straight[0] === $diagonal[0]) && ($straight[1] === 0 || $straight[1] === $diagonal[1]);
    }

    /** Whether they grow and shrink by turns, by more than one. */
    public function isUneven(): bool
    {
        $turns = $last = 0;
        foreach (array_slice($this->runs, 1) as $number => $run) {
            $change = $run - $this->runs[$number];
            if (abs($change) >= 2) {
                $turns += $last !== 0 && ($change <=> 0) !== $last ? 1 : 0;
                $last = $change <=> 0;
            }
        }

        return $turns >= 2;
    }

    /** @return list<int> the runs nearest to these that only grow, or only shrink, over the same way */
    public function even(): array
    {
        $growing = self::grown($this->runs);
        $shrinking = array_reverse(self::grown(array_reverse($this->runs)));

        return self::off($this->runs, $growing) <= self::off($this->runs, $shrinking) ? $growing : $shrinking;
    }

    /**
     * @param  list<int>  $runs
     * @return list<array{int, int}> the cells of a stretch that begins here and goes so
     */
    public function cells(array $runs): array
    {
        $cells = [];
        [$x, $y] = $this->start;
        foreach ($runs as $number => $run) {
            if ($number > 0) {
                [$x, $y] = [$x + $this->aside[0], $y + $this->aside[1]];
            }
            for ($k = 0; $k < $run; $k++) {
                if ($k > 0) {
                    [$x, $y] = [$x + $this->ahead[0], $y + $this->ahead[1]];
                }
                $cells[] = [$x, $y];
            }
        }

        return $cells;
    }

    /**
     * Pools neighbours that shrink until none does: M. Ayer et al., An empirical distribution function for sampling with incomplete
     * information, 1955.
     *
     * @param  list<int>  $runs
     * @return list<int> in whole numbers with the same sum
     */
    private static function grown(array $runs): array
    {
        $pools = [];
        foreach ($runs as $run) {
            $pools[] = [$run, 1];
            while (($last = count($pools) - 1) > 0 && $pools[$last - 1][0] * $pools[$last][1] > $pools[$last][0] * $pools[$last - 1][1]) {
                $pools[$last - 1] = [$pools[$last - 1][0] + $pools[$last][0], $pools[$last - 1][1] + $pools[$last][1]];
                array_pop($pools);
            }
        }
        $grown = [];
        foreach ($pools as [$sum, $count]) {
            // What does not divide goes to the last ones, so that they grow on.
            for ($k = 0; $k < $count; $k++) {
                $grown[] = intdiv($sum, $count) + ($k >= $count - $sum % $count ? 1 : 0);
            }
        }

        return $grown;
    }

    /**
     * @param  list<int>  $one
     * @param  list<int>  $other
     */
    private static function off(array $one, array $other): int
    {
        return (int) array_sum(array_map(static fn (int $a, int $b): int => ($a - $b) ** 2, $one, $other));
    }
}
