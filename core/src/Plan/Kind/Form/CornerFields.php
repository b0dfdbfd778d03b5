<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Form;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Inset;

/** How corners are gone around by what runs beside an outline. */
trait CornerFields
{
    /** @return list<Field> */
    private static function corners(): array
    {
        return [
            new ChoiceField('corner', 'corners', ['miter' => 'sharp', 'round' => 'round', 'bevel' => 'bevelled'], 'miter'),
            NumberField::size('limit', 'limit', default: 4),
        ];
    }

    private static function inset(Arguments $given, float $distance): Inset
    {
        return new Inset($distance, Corner::from($given->text('corner')), max(1.0, $given->number('limit')), $given->tolerance());
    }
}
