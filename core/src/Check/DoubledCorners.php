<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

/** Cells that thicken a one-pixel line where it turns. */
final class DoubledCorners extends PaintedCheck
{
    public function tells(): array
    {
        return [
            Sort::warning(
                'doubled-corner',
                'a cell that thickens a one-pixel line where it turns; corners that go straight on both ways are meant',
                'taken out',
            ),
        ];
    }

    protected function of(PaintedGrid $painted): array
    {
        $picture = $painted->cells;
        $findings = $told = [];
        foreach ($picture->cells as $cell => $colour) {
            if (isset($told[$cell])) {
                continue;
            }
            [$x, $y] = $painted->placed($cell);
            $same = fn (int $right, int $down): bool => $picture->at($x + $right, $y + $down) === $colour;
            $right = $same(1, 0) <=> $same(-1, 0);
            $down = $same(0, 1) <=> $same(0, -1);
            if (
                $right === 0 ||
                $down === 0 ||
                ! $picture->isThin($x, $y) ||
                ! $picture->isThin($x + $right, $y) ||
                ! $picture->isThin($x, $y + $down)
            ) {
                continue;
            }
            // A corner on purpose goes straight on both ways.
            if ($same(2 * $right, 0) && $same(0, 2 * $down) && ! $same(2 * $right, $down) && ! $same($right, 2 * $down)) {
                continue;
            }
            // With this one gone its neighbours are none any more.
            $told[$cell + $right] = $told[$cell + $down * $picture->columns] = true;
            $findings[] = $this->told(
                $painted,
                'doubled-corner',
                $cell,
                'a corner of a line is doubled at '.$painted->named($cell),
            )->with($painted->painting('Take it out', [$cell => $picture->around($x, $y)]));
            if (count($findings) === PaintedGrid::MOST) {
                break;
            }
        }

        return $findings;
    }
}
