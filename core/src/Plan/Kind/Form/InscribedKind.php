<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Form;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\CellsField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Part\PartKind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Inscribed;
use Sternbild\Core\Shape\Part;

/** In each of some cells the circle or ellipse that touches its sides. */
#[Called('part.inscribed', label: 'Discs in cells', word: 'discs', prefix: 'p', purpose: Purpose::Construction)]
final class InscribedKind extends PartKind
{
    protected function declared(): array
    {
        return [new CellsField('cells', 'cells'), NumberField::size('factor', 'factor', default: 1)];
    }

    public function sentence(Step $step): string
    {
        return 'Discs in {cells}[, times {factor}].';
    }

    public function evaluate(Arguments $given): Part
    {
        $pick = $given->cells('cells');
        $factor = $given->number('factor');
        $figures = [];
        foreach ($pick->cells as $grid => $cells) {
            $tiling = $pick->tiling($grid);
            foreach ($cells as $cell) {
                Budget::spend(20);
                $outline = Inscribed::in($tiling->cellOutlines($cell), $factor);
                if ($outline === null) {
                    throw new FieldFault('cells', 'choice', 'there are cells of another form; a circle or ellipse touches the sides of cells with three straight sides, with four of which two and two are parallel, and of rings');
                }
                $figures[] = Figure::drawn([$outline], [$given->step]);
            }
        }

        return $figures === [] ? throw new FieldFault('cells', 'lost', 'the cells enclose nothing') : Part::of($figures);
    }
}
