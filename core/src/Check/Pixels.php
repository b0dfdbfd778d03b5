<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Paint\Oklab;
use Sternbild\Core\Pixel\Picture;
use Sternbild\Core\Pixel\Steps;
use Sternbild\Core\Plan\Edit\PaintOver;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Part;

/** What of painted cells pixel work minds: doubled corners, uneven runs, stray cells and holes of one, edges that a colour in between would soften, bands. */
final readonly class Pixels
{
    /** Of one sort on one grid; of more nobody reads each. */
    private const MOST = 8;

    /** Cells of a picture that is looked through. */
    private const MOST_CELLS = 40_000;

    /** Cells in a row, corner to corner, from which on an edge at 45° is softened. */
    private const LEAST_STEPS = 3;

    /** Runs that lie exactly under others, from which on they make a band. */
    private const LEAST_BANDS = 4;

    /** How near a colour is to the middle of two others, as a share of their distance, to stand for it. */
    private const MIDDLE = 0.3;

    /**
     * @param  array<int, string>  $owners  the step that painted each cell last
     * @param  array<string, string>  $colours  #rrggbb by name
     */
    private function __construct(private Plan $plan, private string $on, private RectangularGrid $grid, private Picture $picture, private array $owners, private array $colours)
    {
    }

    /**
     * @param  array<string, Evaluated>  $known
     * @return list<Finding>
     */
    public static function in(Plan $plan, array $known): array
    {
        $cells = $owners = $colours = [];
        foreach ($known as $id => $step) {
            $painted = $step->result instanceof Part ? $step->result->painted : null;
            if ($painted === null || $plan->steps[$id]->hidden) {
                continue;
            }
            $cells[$painted->grid] = array_filter($painted->cells + ($cells[$painted->grid] ?? []), static fn (string $name): bool => $name !== 'none');
            $owners[$painted->grid] = array_fill_keys(array_keys($painted->cells), $id) + ($owners[$painted->grid] ?? []);
            $colours[$painted->grid] = $painted->colours + ($colours[$painted->grid] ?? []);
        }
        $findings = [];
        foreach ($cells as $on => $those) {
            $grid = ($known[$on] ?? null)?->result;
            if ($grid instanceof RectangularGrid && $those !== [] && count($those) <= self::MOST_CELLS) {
                $one = new self($plan, (string) $on, $grid, new Picture($grid->size()[0], $grid->size()[1], $those), $owners[$on], $colours[$on]);
                array_push($findings, ...$one->corners(), ...$one->runs(), ...$one->single(), ...$one->edges(), ...$one->bands());
            }
        }

        return $findings;
    }

    /** @return list<Finding> cells that thicken a one-pixel line where it turns */
    private function corners(): array
    {
        $findings = $told = [];
        foreach ($this->picture->cells as $cell => $colour) {
            if (isset($told[$cell])) {
                continue;
            }
            [$x, $y] = $this->placed($cell);
            $same = fn (int $right, int $down): bool => $this->picture->at($x + $right, $y + $down) === $colour;
            $right = $same(1, 0) <=> $same(-1, 0);
            $down = $same(0, 1) <=> $same(0, -1);
            if ($right === 0 || $down === 0 || ! $this->picture->isThin($x, $y) || ! $this->picture->isThin($x + $right, $y) || ! $this->picture->isThin($x, $y + $down)) {
                continue;
            }
            // A corner on purpose goes straight on both ways.
            if ($same(2 * $right, 0) && $same(0, 2 * $down) && ! $same(2 * $right, $down) && ! $same($right, 2 * $down)) {
                continue;
            }
            // With this one gone its neighbours are none any more.
            $told[$cell + $right] = $told[$cell + $down * $this->picture->columns] = true;
            $findings[] = $this->found(Sort::DoubledCorner, $cell, 'a corner of a line is doubled at '.$this->named($cell))->with($this->painting('Take it out', [$cell => $this->picture->around($x, $y)]));
            if (count($findings) === self::MOST) {
                break;
            }
        }

        return $findings;
    }

    /** @return list<Finding> lines that step unevenly */
    private function runs(): array
    {
        $findings = [];
        foreach ($this->picture->lines() as $line) {
            foreach (Steps::in($line) as $steps) {
                if (! $steps->isUneven() || count($findings) === self::MOST) {
                    continue;
                }
                $even = $steps->even();
                $colour = $this->picture->at(...$steps->start);
                $put = [];
                foreach ($steps->cells($steps->runs) as [$x, $y]) {
                    $put[$y * $this->picture->columns + $x] = $this->picture->around($x, $y);
                }
                foreach ($steps->cells($even) as [$x, $y]) {
                    $put[$y * $this->picture->columns + $x] = $colour;
                }
                $put = array_filter($put, fn (string $name, int $cell): bool => ($this->picture->cells[$cell] ?? 'none') !== $name, ARRAY_FILTER_USE_BOTH);
                $first = $steps->start[1] * $this->picture->columns + $steps->start[0];
                $findings[] = $this->found(Sort::UnevenRuns, $first, 'from '.$this->named($first).' on a line runs '.implode(' ', $steps->runs).'; even would be '.implode(' ', $even))->with($this->painting('Even it out', $put));
            }
        }

        return $findings;
    }

    /** @return list<Finding> cells with none beside them, and holes of one cell */
    private function single(): array
    {
        $strays = $holes = [];
        foreach ($this->picture->cells as $cell => $colour) {
            [$x, $y] = $this->placed($cell);
            $beside = 0;
            for ($k = 0; $k < 9; $k++) {
                $beside += $k !== 4 && $this->picture->at($x + $k % 3 - 1, $y + intdiv($k, 3) - 1) !== '' ? 1 : 0;
            }
            if ($beside === 0 && count($strays) < self::MOST && count($this->picture->cells) > 1) {
                $strays[] = $this->found(Sort::StrayPixel, $cell, 'a cell by itself at '.$this->named($cell))->with($this->painting('Take it out', [$cell => 'none']));
            }
            $isHole = $this->picture->at($x + 1, $y) === '' && $this->picture->at($x + 2, $y) === $colour && $this->picture->at($x + 1, $y - 1) === $colour && $this->picture->at($x + 1, $y + 1) === $colour;
            if ($isHole && count($holes) < self::MOST) {
                $holes[] = $this->found(Sort::PixelHole, $cell + 1, 'a hole of one cell at '.$this->named($cell + 1), $cell)->with($this->painting('Fill it', [$cell + 1 => $colour]));
            }
        }

        return [...$strays, ...$holes];
    }

    /** @return list<Finding> edges at 45° between two colours that the palette has one in between for */
    private function edges(): array
    {
        $notches = [];
        foreach ($this->picture->cells as $cell => $colour) {
            [$x, $y] = $this->placed($cell);
            foreach ([[1, 1], [1, -1], [-1, 1], [-1, -1]] as [$right, $down]) {
                $other = $this->picture->at($x + $right, $y);
                // Another colour on two sides of it, its own on the others.
                if ($other !== $colour && $other !== '' && $this->picture->at($x, $y + $down) === $other && $this->picture->at($x - $right, $y) === $colour && $this->picture->at($x, $y - $down) === $colour) {
                    $notches["$colour\n$other"][$right * $down][$cell] = true;
                }
            }
        }
        $findings = [];
        foreach ($notches as $pair => $ways) {
            [$colour, $other] = explode("\n", $pair);
            $middle = $this->between($colour, $other);
            $cells = [];
            foreach ($middle === null ? [] : $ways as $way => $those) {
                array_push($cells, ...$this->inRows($those, $this->picture->columns - $way));
            }
            if ($cells !== [] && count($findings) < self::MOST) {
                $findings[] = $this->found(Sort::HardEdge, $cells[0], "the edge of $colour on $other, at 45°, would be softer with $middle at ".count($cells).' of its steps')
                    ->with($this->painting('Soft edge', array_fill_keys($cells, (string) $middle)));
            }
        }

        return $findings;
    }

    /**
     * @param  array<int, true>  $cells
     * @param  int  $way  from one to the next
     * @return list<int> those that stand so, enough of them in a row
     */
    private function inRows(array $cells, int $way): array
    {
        $found = [];
        foreach (array_keys($cells) as $cell) {
            if (isset($cells[$cell - $way])) {
                continue;
            }
            $row = [];
            for ($next = $cell; isset($cells[$next]); $next += $way) {
                $row[] = $next;
            }
            array_push($found, ...(count($row) >= self::LEAST_STEPS ? $row : []));
        }

        return $found;
    }

    /** The colour of the palette that lies most nearly in the middle of two others; null where none does. */
    private function between(string $one, string $other): ?string
    {
        [$a, $b] = [Oklab::coordinates($this->colours[$one]), Oklab::coordinates($this->colours[$other])];
        $middle = [($a[0] + $b[0]) / 2, ($a[1] + $b[1]) / 2, ($a[2] + $b[2]) / 2];
        $best = null;
        $nearest = self::MIDDLE * self::distance($a, $b);
        foreach ($this->plan->palette as $name => $hex) {
            $distance = self::distance(Oklab::coordinates($hex), $middle);
            if ($name !== $one && $name !== $other && $distance < $nearest) {
                [$best, $nearest] = [(string) $name, $distance];
            }
        }

        return $best;
    }

    /**
     * @param  array{float, float, float}  $one
     * @param  array{float, float, float}  $other
     */
    private static function distance(array $one, array $other): float
    {
        return sqrt(($one[0] - $other[0]) ** 2 + ($one[1] - $other[1]) ** 2 + ($one[2] - $other[2]) ** 2);
    }

    /** @return list<Finding> runs of two colours that lie exactly under one another, again and again */
    private function bands(): array
    {
        $above = $stacked = [];
        for ($row = 0; $row < $this->picture->rows; $row++) {
            $here = [];
            for ($column = 0; $column < $this->picture->columns;) {
                $colour = $this->picture->at($column, $row);
                $first = $column;
                while ($column < $this->picture->columns && $this->picture->at($column, $row) === $colour) {
                    $column++;
                }
                if ($colour !== '') {
                    $here["$first $column"] = $colour;
                }
            }
            foreach ($here as $span => $colour) {
                [$first, $end] = array_map(intval(...), explode(' ', $span));
                $over = $above[$span] ?? $colour;
                $middle = intdiv($first + $end, 2);
                // Outlines run along what they are around.
                if ($over !== $colour && $row > 0 && ! $this->picture->isThin($middle, $row) && ! $this->picture->isThin($middle, $row - 1)) {
                    $stacked["$over\n$colour"][$span] = $row * $this->picture->columns + $first;
                }
            }
            $above = $here;
        }
        $findings = [];
        foreach ($stacked as $pair => $cells) {
            if (count($cells) >= self::LEAST_BANDS && count($findings) < self::MOST) {
                $findings[] = $this->found(Sort::Banding, array_values($cells)[0], 'runs of '.str_replace("\n", ' and ', $pair).' lie exactly under one another '.count($cells).' times, and make a band');
            }
        }

        return $findings;
    }

    /** @param  int|null  $owned  a cell of the step that it is about, where that one is of none */
    private function found(Sort $sort, int $cell, string $what, ?int $owned = null): Finding
    {
        [$x, $y] = $this->placed($cell);
        $at = $this->grid->placeAt($x + 0.5, $y + 0.5);
        $beside = $this->grid->placeAt($x + 1.5, $y + 0.5);

        $step = $this->owners[$owned ?? $cell];
        // A softer edge, and bands, are a matter of taste.
        $finding = $sort === Sort::HardEdge || $sort === Sort::Banding ? Finding::note($step, $sort->value, $what) : Finding::warning($step, $sort->value, $what);

        return $finding->at(new Vec($at->x, $at->y), $at->distanceTo($beside));
    }

    /** @param  array<int, string>  $put  names of colours by cell */
    private function painting(string $label, array $put): Remedy
    {
        $cells = [];
        foreach ($put as $cell => $name) {
            [$x, $y] = $this->placed($cell);
            $cells[$name] = PaintOver::over([$name => $cells[$name] ?? ''], [$name => ($x + 1).','.($y + 1)], 0)[$name];
        }

        return new Remedy($label, [['op' => 'paint', 'kind' => 'paint', 'field' => 'cells', 'on' => $this->on, 'cells' => $cells, 'along' => 0]]);
    }

    private function named(int $cell): string
    {
        [$x, $y] = $this->placed($cell);

        return 'column '.($x + 1).', row '.($y + 1);
    }

    /** @return array{int, int} column and row, from 0 */
    private function placed(int $cell): array
    {
        return [$cell % $this->picture->columns, intdiv($cell, $this->picture->columns)];
    }
}
