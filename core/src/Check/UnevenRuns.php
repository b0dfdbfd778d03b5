<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Pixel\Steps;

/** Lines of cells that step unevenly. */
final class UnevenRuns extends PaintedCheck
{
    public function tells(): array
    {
        return [
            Sort::warning(
                'uneven-runs',
                'a stretch of a one-pixel line whose runs grow and shrink by turns, by more than one; with the even ones nearest to them',
                'evened out',
            ),
        ];
    }

    protected function of(PaintedGrid $painted): array
    {
        $picture = $painted->cells;
        $findings = [];
        foreach ($picture->lines() as $line) {
            foreach (Steps::in($line) as $steps) {
                if (! $steps->isUneven() || count($findings) === PaintedGrid::MOST) {
                    continue;
                }
                $even = $steps->even();
                $colour = $picture->at(...$steps->start);
                $put = [];
                foreach ($steps->cells($steps->runs) as [$x, $y]) {
                    $put[$y * $picture->columns + $x] = $picture->around($x, $y);
                }
                foreach ($steps->cells($even) as [$x, $y]) {
                    $put[$y * $picture->columns + $x] = $colour;
                }
                $put = array_filter(
                    $put,
                    fn (string $name, int $cell): bool => ($picture->cells[$cell] ?? 'none') !== $name,
                    ARRAY_FILTER_USE_BOTH,
                );
                $first = $steps->start[1] * $picture->columns + $steps->start[0];
                $findings[] = $this->told(
                    $painted,
                    'uneven-runs',
                    $first,
                    'from '.
                        $painted->named($first).
                        ' on a line runs '.
                        implode(' ', $steps->runs).
                        '; even would be '.
                        implode(' ', $even),
                )->with($painted->painting('Even it out', $put));
            }
        }

        return $findings;
    }
}
