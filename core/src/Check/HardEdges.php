<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Paint\Oklab;

/** Edges at 45° between two colours that the palette has one in between for. */
final class HardEdges extends PaintedCheck
{
    /** Cells in a row, corner to corner, from which on an edge is softened. */
    private const LEAST_STEPS = 3;

    /** How near a colour is to the middle of two others, as a share of their distance, to stand for it. */
    private const MIDDLE = 0.3;

    public function tells(): array
    {
        return [
            Sort::note(
                'hard-edge',
                'an edge at 45° between two colours of which the palette has one in the middle; at three steps in a row or more',
                'that one put on its steps',
            ),
        ];
    }

    protected function of(PaintedGrid $painted): array
    {
        $picture = $painted->cells;
        $notches = [];
        foreach ($picture->cells as $cell => $colour) {
            [$x, $y] = $painted->placed($cell);
            foreach ([[1, 1], [1, -1], [-1, 1], [-1, -1]] as [$right, $down]) {
                $other = $picture->at($x + $right, $y);
                // Another colour on two sides of it, its own on the others.
                if (
                    $other !== $colour &&
                    $other !== '' &&
                    $picture->at($x, $y + $down) === $other &&
                    $picture->at($x - $right, $y) === $colour &&
                    $picture->at($x, $y - $down) === $colour
                ) {
                    $notches["$colour\n$other"][$right * $down][$cell] = true;
                }
            }
        }
        $findings = [];
        foreach ($notches as $pair => $ways) {
            [$colour, $other] = explode("\n", $pair);
            $middle = self::between($painted, $colour, $other);
            $cells = [];
            foreach ($middle === null ? [] : $ways as $way => $those) {
                array_push($cells, ...self::inRows($those, $picture->columns - $way));
            }
            if ($cells !== [] && count($findings) < PaintedGrid::MOST) {
                $findings[] = $this->told(
                    $painted,
                    'hard-edge',
                    $cells[0],
                    "the edge of $colour on $other, at 45°, would be softer with $middle at ".count($cells).' of its steps',
                )->with($painted->painting('Soft edge', array_fill_keys($cells, (string) $middle)));
            }
        }

        return $findings;
    }

    /**
     * @param  array<int, true>  $cells
     * @param  int  $way  from one to the next
     * @return list<int> those that stand so, enough of them in a row
     */
    private static function inRows(array $cells, int $way): array
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
    private static function between(PaintedGrid $painted, string $one, string $other): ?string
    {
        [$a, $b] = [Oklab::coordinates($painted->colours[$one]), Oklab::coordinates($painted->colours[$other])];
        $middle = [($a[0] + $b[0]) / 2, ($a[1] + $b[1]) / 2, ($a[2] + $b[2]) / 2];
        $best = null;
        $nearest = self::MIDDLE * self::distance($a, $b);
        foreach ($painted->palette as $name => $hex) {
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
}
