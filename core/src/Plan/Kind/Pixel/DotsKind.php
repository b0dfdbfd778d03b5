<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Rectangles;
use Sternbild\Core\Pixel\Dots;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\SpanField;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Part;

/** A line, a ring, an ellipse or a box of cells, one of them wide: what it is stays a matter of its numbers. */
#[Called('dots', label: 'Dots', word: 'dots', prefix: 'd', purpose: Purpose::Construction)]
final class DotsKind extends PaintingKind
{
    private const FORMS = ['line', 'ring.diameter', 'ellipse.wide', 'box'];

    /** Cells that a line may run over, inside the grid or not. */
    private const FARTHEST = 100_000;

    protected function declared(): array
    {
        return [
            self::on(['grid.pixel', 'grid.rectangular']),
            new SpanField('line', 'line'),
            PairField::way('ring.center', 'middle of the ring'),
            NumberField::count('ring.diameter', 'diameter', 1, 10_000),
            PairField::way('ellipse.center', 'middle of the ellipse'),
            NumberField::count('ellipse.wide', 'width', 1, 10_000),
            NumberField::count('ellipse.high', 'height', 1, 10_000),
            new SpanField('box', 'box'),
            new ColourField('colour', 'colour', true),
            new SwitchField('filled', 'filled', 'filled', 'one cell wide'),
        ];
    }

    public function sentence(Step $step): string
    {
        return match (true) {
            $step->says('ring') => 'Ring of dots around {ring.center}, {ring.diameter} across',
            $step->says('ellipse') => 'Ellipse of dots around {ellipse.center}, {ellipse.wide} × {ellipse.high}',
            $step->says('box') => 'Box of dots from {box}',
            default => 'Line of dots from {line}',
        }.' on {on} in {colour}[, {filled}].';
    }

    public function evaluate(Arguments $given): Part
    {
        $grid = self::grid($given);
        if (! $grid instanceof Rectangles) {
            throw new FieldFault('on', 'choice', 'dots lie on a pixel grid, or on a rectangular one');
        }
        $dots = self::dots($given);
        $runs = match (true) {
            $given->has('line') => Dots::runs($dots),
            $given->has('box') => [],
            default => Dots::quarterRuns($dots),
        };
        $dots = $given->isOn('filled') ? Dots::filled($dots) : $dots;
        Budget::spend(count($dots));
        $cells = [];
        $outside = 0;
        foreach ($dots as [$column, $row]) {
            $cell = self::cell($grid, $column, $row);
            $cell === null ? $outside++ : $cells[$cell] = true;
        }
        $colour = $given->text('colour');

        return self::painted(
            $given,
            array_fill_keys(array_keys($cells), $colour),
            [$colour => $colour],
            $outside,
            self::form($given),
            $runs,
        );
    }

    /**
     * @return list<array{int, int}>
     *
     * @throws FieldFault
     */
    private static function dots(Arguments $given): array
    {
        $form = self::form($given);
        if ($form === 'line' || $form === 'box') {
            [$x, $y, $toX, $toY] = array_map(intval(...), $given->span($form));
            if (abs($toX - $x) + abs($toY - $y) > self::FARTHEST) {
                throw new FieldFault($form, 'limit', 'it would run over more than '.number_format(self::FARTHEST).' cells');
            }

            return $form === 'line' ? Dots::line($x, $y, $toX, $toY) : Dots::box($x, $y, $toX, $toY);
        }
        $isRing = $form === 'ring.diameter';
        $center = self::whole(
            $given->has($isRing ? 'ring.center' : 'ellipse.center')
                ? $given->vec($isRing ? 'ring.center' : 'ellipse.center')
                : throw new FieldFault($isRing ? 'ring.center' : 'ellipse.center', 'choice', 'its middle is missing'),
            $isRing ? 'ring.center' : 'ellipse.center',
        );
        $wide = $given->whole($form);
        $high = $isRing ? $wide : $given->whole('ellipse.high');

        // An even one reaches one cell farther right and down.
        return Dots::ellipse($center[0] - intdiv($wide - 1, 2), $center[1] - intdiv($high - 1, 2), $wide, $high);
    }

    /** @throws FieldFault where it is none or several */
    private static function form(Arguments $given): string
    {
        $forms = array_values(array_filter(self::FORMS, $given->has(...)));

        return count($forms) === 1
            ? $forms[0]
            : throw new FieldFault(
                $forms[1] ?? 'line',
                'choice',
                'dots are a line, a ring, an ellipse or a box; '.
                    ($forms === [] ? 'none of them is said' : 'only one of them can be said'),
            );
    }

    /**
     * @return array{int, int}
     *
     * @throws FieldFault
     */
    private static function whole(Vec $cell, string $field): array
    {
        return $cell->x === round($cell->x) && $cell->y === round($cell->y)
            ? [(int) $cell->x, (int) $cell->y]
            : throw new FieldFault($field, 'number', 'the middle is a cell, counted in whole numbers');
    }
}
