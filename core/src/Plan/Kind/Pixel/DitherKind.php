<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Pixel\Bayer;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\CellsField;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\ColoursField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Part;

/** Cells in two colours by turns, so that from afar they are one in between. */
#[Called('dither', label: 'Dither', word: 'dither', prefix: 'd', purpose: Purpose::Construction)]
final class DitherKind extends PaintingKind
{
    private const MATRICES = ['checker' => 'a checkerboard', '2' => 'twos', '4' => 'fours', '8' => 'eights'];

    protected function declared(): array
    {
        return [
            self::on(),
            new CellsField('cells', 'cells'),
            new ColoursField('colours', 'colours', true),
            NumberField::share('level', 'level'),
            NumberField::share('from', 'level where it begins'),
            NumberField::share('to', 'level where it ends'),
            new ChoiceField('matrix', 'matrix', self::MATRICES, '4'),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Dither {cells} in {colours} by {matrix}'.
            ($step->says('from') || $step->says('to') ? ', from {from} to {to}' : ', level {level}').
            '.';
    }

    public function evaluate(Arguments $given): Part
    {
        $grid = self::grid($given);
        $colours = $given->colours('colours');
        if (count($colours) !== 2) {
            throw new FieldFault('colours', 'choice', 'a dither has two colours; '.count($colours).' are said');
        }
        $id = $given->step('on')->id;
        $picked = $given->cells('cells')->cells[$id] ?? throw new FieldFault('cells', 'choice', 'none of its cells is one of its grid');
        // Cells that alternate are an outline each.
        Budget::spend(7 * count($picked));
        $places = array_map(static fn (int $cell): array => $grid->cellCoordinates($cell), $picked);
        $columns = array_column($places, 0);
        [$first, $last] = $columns === [] ? [1, 1] : [min($columns), max($columns)];
        $level = self::level($given, (float) $first, (float) $last);
        $matrix = $given->text('matrix');
        $cells = [];
        foreach ($picked as $number => $cell) {
            [$column, $row] = $places[$number];
            $second = Bayer::isSecond(
                $matrix === 'checker' || $matrix === '2' || $matrix === '8' ? $matrix : '4',
                $column - 1,
                $row - 1,
                $level((float) $column),
            );
            $cells[$cell] = $colours[$second ? 1 : 0];
        }

        return self::painted($given, $cells, array_combine($colours, $colours), 0, 'cells');
    }

    /**
     * @return \Closure(float): float the level in a column
     *
     * @throws FieldFault
     */
    private static function level(Arguments $given, float $first, float $last): \Closure
    {
        if ($given->has('level')) {
            $level = $given->number('level');

            return static fn (float $column): float => $level;
        }
        if (! $given->has('from') || ! $given->has('to')) {
            throw new FieldFault('level', 'choice', 'a dither has a level, or one where it begins and one where it ends');
        }
        [$from, $to] = [$given->number('from'), $given->number('to')];

        return static fn (float $column): float => $from + ($to - $from) * ($last > $first ? ($column - $first) / ($last - $first) : 0.5);
    }
}
