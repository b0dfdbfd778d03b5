<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Grid\LatticeGrid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\PaintedCellsField;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Part;

/** Cells of a grid, each in a colour. A later one on the same grid goes over it; the colour `none` takes away. */
#[Called('paint', label: 'Paint', word: 'paint', prefix: 'p', chapter: Chapter::Construction)]
final class PaintKind extends PaintingKind
{
    public function fields(): array
    {
        return [self::on(), new PaintedCellsField('cells', 'painted cells')];
    }

    public function sentence(Step $step): string
    {
        return 'Paint {cells} on {on}.';
    }

    public function offers(): array
    {
        return [new Offer(
            label: 'Paint', from: 'cells', family: Family::Make, key: 4,
            words: 'colour cells, pixel art, sprite, fill pixels, brush, dots',
            says: 'Paints the picked cells in a colour; what is painted later goes over it.',
            takes: 'cells', asks: ['cells'],
        )];
    }

    public function evaluate(Arguments $given): Part
    {
        $grid = self::grid($given);
        // Along the coordinate that runs in a circle where there is one, around; along the first of others.
        $around = array_search(true, $grid->arrows()['wraps'], true);
        $size = $grid instanceof LatticeGrid && count($grid::cellWords()) === 2 ? $grid->size() : null;
        $cells = $colours = [];
        $outside = 0;
        foreach ($given->painted('cells') as [$name, $colour, $text]) {
            $colours[$name] = $colour;
            if ($size !== null) {
                // In rows, without looking for each by itself.
                foreach (PaintedCellsField::runs($text) as [$column, $row, $more]) {
                    $last = $row < 1 || $row > $size[1] || $column < 1 ? $column - 1 : min($size[0], $column + $more);
                    for ($cell = ($row - 1) * $size[0] + $column - 1; $cell <= ($row - 1) * $size[0] + $last - 1; $cell++) {
                        $cells[$cell] = $name;
                    }
                    $outside += $column + $more - max($last, $column - 1);
                }

                continue;
            }
            foreach (PaintedCellsField::runs($text) as [$first, $second, $more]) {
                $at = [$first, $second];
                for ($k = 0; $k <= $more; $k++) {
                    $cell = self::cell($grid, $at[0], $at[1]);
                    if ($cell === null && $k > 0 && $around !== false) {
                        $at[$around] = 1;
                        $cell = self::cell($grid, $at[0], $at[1]);
                    }
                    $cell === null ? $outside++ : $cells[$cell] = $name;
                    $at[$around === false ? 0 : $around]++;
                }
            }
        }

        return self::painted($given, $cells, $colours, $outside, 'cells');
    }
}
