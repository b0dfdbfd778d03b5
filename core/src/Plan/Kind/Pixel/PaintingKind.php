<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Grid\ColumnsAndRows;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Part\PartKind;
use Sternbild\Core\Result\Remark;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Painted;
use Sternbild\Core\Shape\Part;

/** What paints cells of a grid, or of an overlay. */
abstract class PaintingKind extends PartKind
{
    public function offersPlaces(): bool
    {
        // Its corners are places of its grid, which are there anyway.
        return false;
    }

    /** @param  list<string>  $kinds  of grids, where not on all */
    final protected static function on(array $kinds = []): StepField
    {
        return new StepField('on', 'grid', Role::Grid, true, $kinds);
    }

    /** @throws FieldFault */
    final protected static function grid(Arguments $given): Grid
    {
        $grid = $given->step('on')->result;

        return $grid instanceof Grid ? $grid : throw new FieldFault('on', 'lost', 'it is no grid');
    }

    /**
     * The number of a cell; its row is 0 where its address is one number.
     *
     * @return int|null null where the grid has no such cell
     */
    final protected static function cell(Grid $grid, int $column, int $row): ?int
    {
        if ($grid instanceof ColumnsAndRows && count($grid::cellWords()) === 2) {
            [$columns, $rows] = $grid->size();

            return $column >= 1 && $row >= 1 && $column <= $columns && $row <= $rows ? ($row - 1) * $columns + $column - 1 : null;
        }
        try {
            return $grid->cellsAt($row === 0 ? [$column] : [$column, $row])[0];
        } catch (NoSuchPlace) {
            return null;
        }
    }

    /**
     * @param  array<int, string>  $cells  names of colours by the number of the cell
     * @param  array<string, string>  $colours  #rrggbb, or none, by name
     * @param  int  $outside  how many lie outside the grid
     * @param  string  $field  that says which they are
     * @param  list<int>  $runs  of a line or a ring
     * @param  array<int, string>  $words  what the plan writes for cells of an overlay
     *
     * @throws FieldFault where nothing is painted
     */
    final protected static function painted(
        Arguments $given,
        array $cells,
        array $colours,
        int $outside,
        string $field,
        array $runs = [],
        array $words = [],
    ): Part {
        if ($cells === []) {
            throw new FieldFault(
                $field,
                'lost',
                $outside > 0
                    ? 'all of it lies outside '.($given->step('on')->result instanceof Overlay ? 'the overlay' : 'the grid')
                    : 'no cell is painted',
            );
        }
        Budget::spend(5 * count($cells));
        $laid = $given->step('on')->result;
        if (! $laid instanceof Tiling) {
            throw new FieldFault('on', 'lost', 'it has no cells');
        }
        $painted = new Painted(
            $given->step('on')->id,
            $laid,
            $cells,
            array_filter($colours, static fn (string $colour): bool => $colour !== 'none'),
            $runs,
            $words,
        );
        $part = Part::painted($painted, $given->step);

        return $outside === 0
            ? $part
            : $part->remarked(
                new Remark(
                    'lost-cells',
                    $outside.
                        ($outside === 1 ? ' cell lies' : ' cells lie').
                        ' outside '.
                        ($laid instanceof Overlay ? 'the overlay' : 'the grid'),
                    $field,
                ),
            );
    }
}
