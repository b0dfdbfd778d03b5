<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Grid;

use Sternbild\Core\Grid\GoldenSections;
use Sternbild\Core\Grid\GoldenSquares;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** A rectangle divided by the golden ratio. */
#[Called('grid.golden', label: 'Golden grid', word: 'grid', prefix: 'g', purpose: Purpose::Ground)]
final class GoldenGridKind extends GridKind
{
    /** From both sides this gives 12,321 cells; two more would come close to the limit of a grid, four would pass it. */
    private const DEEPEST = 8;

    /** The twentieth square has 1/9,349 of the first one's side. */
    private const MOST_SQUARES = 20;

    protected function declared(): array
    {
        return [
            new PlaceField('origin', 'origin', true),
            PairField::sizes('size', 'size', true),
            new ChoiceField('form', 'form', ['sections' => 'sections', 'squares' => 'squares'], 'sections'),
            (new ChoiceField(
                'from',
                'divided from',
                ['near' => 'the near side', 'far' => 'the far side', 'both' => 'both sides'],
                'both',
            ))->onlyWhere('form', 'sections'),
            NumberField::count('depth', 'depth', 1, self::MOST_SQUARES, false, 1),
            NumberField::count('turn', 'quarter turns', 0, 3, false, 0)->onlyWhere('form', 'squares'),
            new SwitchField('circles', 'circles', 'with the circles in its squares', 'without circles'),
            ...self::shown(),
        ];
    }

    public function sentence(Step $step): string
    {
        $form = $step->raw('form') === 'squares'
            ? 'cut into {depth} {form}[, turned by {turn} quarter turns]'
            : 'in {form} from {from}[, divided {depth} times]';

        return "Golden grid from {origin} over {size}, $form".'[, {circles}][, shown as {show}][ at strength {strength}].';
    }

    public function cellWords(): array
    {
        return GoldenSections::cellWords();
    }

    public function pointWords(): array
    {
        return GoldenSections::pointWords();
    }

    public function pulls(Arguments $given, Result $result): array
    {
        return [Pull::vector('size', $given->vec('origin'), $given->vec('size'))];
    }

    public function evaluate(Arguments $given): Grid
    {
        $size = $given->vec('size');
        if ($given->text('form') === 'squares') {
            self::withinLimit($given->whole('depth') + 1, 1, 'depth');

            return new GoldenSquares(
                $given->vec('origin'),
                $size->x,
                $size->y,
                $given->whole('depth'),
                $given->whole('turn'),
                $given->isOn('circles'),
            );
        }
        if ($given->whole('depth') > self::DEEPEST) {
            throw new FieldFault(
                'depth',
                'limit',
                'sections can be divided at most '.self::DEEPEST.' times; it is '.$given->whole('depth'),
            );
        }

        $sections = new GoldenSections($given->vec('origin'), $size->x, $size->y, match ($given->text('from')) {
            'near' => 'near',
            'far' => 'far',
            default => 'both',
        }, $given->whole('depth'), $given->isOn('circles'));
        self::withinLimit($sections->cellCount(), 1, 'depth');

        return $sections;
    }
}
