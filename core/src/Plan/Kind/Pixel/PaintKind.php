<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\ColumnsAndRows;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PaintedCellsField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\HeldAddress;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Remark;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** Cells of a grid or an overlay, each in a colour. A later one on the same grid goes over it; the colour `none` takes away. */
#[Called('paint', label: 'Paint', word: 'paint', prefix: 'p', purpose: Purpose::Construction)]
final class PaintKind extends PaintingKind
{
    protected function declared(): array
    {
        return [
            new StepField('on', 'grid or overlay', Role::Grid, true, or: Role::Overlay),
            new PaintedCellsField('cells', 'painted cells'),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Paint {cells} on {on}.';
    }

    public function evaluate(Arguments $given): Part
    {
        $laid = $given->step('on')->result;

        return $laid instanceof Overlay ? self::onOverlay($given, $laid) : self::onGrid($given);
    }

    /** @throws FieldFault */
    private static function onGrid(Arguments $given): Part
    {
        $grid = self::grid($given);
        // Along the coordinate that runs in a circle where there is one, around; along the first of others.
        $around = array_search(true, $grid->arrows()['wraps'], true);
        $size = $grid instanceof ColumnsAndRows && count($grid::cellWords()) === 2 ? $grid->size() : null;
        $cells = $colours = [];
        $outside = 0;
        foreach ($given->painted('cells') as [$name, $colour, $text, $held]) {
            $colours[$name] = $colour;
            $outside += count($held);
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

    /** @throws FieldFault */
    private static function onOverlay(Arguments $given, Overlay $overlay): Part
    {
        $cells = $colours = $words = $remarks = [];
        $outside = 0;
        foreach ($given->painted('cells') as [$name, $colour, $text, $held]) {
            $colours[$name] = $colour;
            foreach (PaintedCellsField::runs($text) as [$x, $y, $more]) {
                // Whole numbers are a place on the sheet here; nothing follows a cell.
                $more > 0 ? $outside += $more + 1 : $held[] = HeldAddress::at(new Vec((float) $x, (float) $y));
            }
            foreach ($held as $address) {
                try {
                    $found = $address->cellOf($overlay);
                } catch (NoSuchPlace) {
                    $outside++;

                    continue;
                }
                [$cells[$found->cell], $words[$found->cell]] = [$name, $address->text];
                $looseness = $address->looseness($found);
                array_push($remarks, ...($looseness === null ? [] : [new Remark('held', "a cell is $looseness", 'cells')]));
            }
        }

        return self::painted($given, $cells, $colours, $outside, 'cells', words: $words)->remarked(...$remarks);
    }
}
