<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Result\Role;

/** What all families of grids have in common. */
abstract class GridKind extends Kind
{
    public function makes(): Role
    {
        return Role::Grid;
    }

    public function offersPlaces(): bool
    {
        return true;
    }

    public function presentation(): array
    {
        return ['show', 'strength'];
    }

    /** @return list<Field> how the grid itself is shown; nothing of the result hangs on it */
    final protected static function shown(): array
    {
        return [
            new ChoiceField('show', 'shown as', ['lines' => 'lines', 'dots' => 'dots', 'crosses' => 'crosses'], 'lines'),
            NumberField::share('strength', 'strength', 0.3),
        ];
    }

    /**
     * @param  string  $field  the one that the message is shown at
     *
     * @throws FieldFault
     */
    final protected static function withinLimit(int $across, int $down, string $field, int $most = Grid::MOST_CELLS): void
    {
        if ($across * $down > $most) {
            throw new FieldFault($field, 'limit', sprintf(
                'the grid would have %s × %s cells; a grid can have at most %s',
                number_format($across), number_format($down), number_format($most),
            ));
        }
        Budget::spend(3 * min($across * $down, Grid::MOST_CELLS));
    }
}
