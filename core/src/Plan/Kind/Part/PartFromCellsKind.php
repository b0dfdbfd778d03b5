<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\CellsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Part;

/** A part made of cells, joined by dropping the edges they share. Cells of different grids stay separate pieces. */
#[Called('part.cells', label: 'Part from cells', word: 'part', prefix: 'p', purpose: Purpose::Construction)]
final class PartFromCellsKind extends PartKind
{
    public function offersPlaces(): bool
    {
        // Its corners are places of its grid, which are there anyway.
        return false;
    }

    protected function declared(): array
    {
        return [new CellsField('cells', 'cells')];
    }

    public function sentence(Step $step): string
    {
        return 'Part from {cells}.';
    }

    public function evaluate(Arguments $given): Part
    {
        $pick = $given->cells('cells');
        $outlines = [];
        foreach ($pick->cells as $grid => $cells) {
            array_push($outlines, ...$pick->tiling($grid)->joined($cells));
        }
        if ($outlines === []) {
            throw new FieldFault('cells', 'lost', 'the cells enclose nothing');
        }

        return Part::drawn($outlines, $given->step);
    }
}
