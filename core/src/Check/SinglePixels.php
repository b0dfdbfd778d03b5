<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

/** Cells with none beside them, and holes of one cell. */
final class SinglePixels extends PaintedCheck
{
    public function tells(): array
    {
        return [
            Sort::warning('stray-pixel', 'a painted cell with none beside it', 'taken out'),
            Sort::warning('pixel-hole', 'a cell that is not painted among four of one colour', 'filled'),
        ];
    }

    protected function of(PaintedGrid $painted): array
    {
        $picture = $painted->cells;
        $strays = $holes = [];
        foreach ($picture->cells as $cell => $colour) {
            [$x, $y] = $painted->placed($cell);
            $beside = 0;
            for ($k = 0; $k < 9; $k++) {
                $beside += $k !== 4 && $picture->at($x + $k % 3 - 1, $y + intdiv($k, 3) - 1) !== '' ? 1 : 0;
            }
            if ($beside === 0 && count($strays) < PaintedGrid::MOST && count($picture->cells) > 1) {
                $strays[] = $this->told($painted, 'stray-pixel', $cell, 'a cell by itself at '.$painted->named($cell))->with(
                    $painted->painting('Take it out', [$cell => 'none']),
                );
            }
            $isHole =
                $picture->at($x + 1, $y) === '' &&
                $picture->at($x + 2, $y) === $colour &&
                $picture->at($x + 1, $y - 1) === $colour &&
                $picture->at($x + 1, $y + 1) === $colour;
            if ($isHole && count($holes) < PaintedGrid::MOST) {
                $holes[] = $this->told(
                    $painted,
                    'pixel-hole',
                    $cell + 1,
                    'a hole of one cell at '.$painted->named($cell + 1),
                    $cell,
                )->with($painted->painting('Fill it', [$cell + 1 => $colour]));
            }
        }

        return [...$strays, ...$holes];
    }
}
