<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Measure;

use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;

/** The angle at a place, from one place to another, clockwise on the screen. */
#[Called('measure.angle', label: 'Angle', word: 'angle', prefix: 'm', purpose: Purpose::Construction)]
final class AngleKind extends MeasureKind
{
    protected function declared(): array
    {
        return [
            new PlaceField('at', 'at', required: true),
            new PlaceField('from', 'from', required: true),
            new PlaceField('to', 'to', required: true),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Measure the angle at {at} from {from} to {to}{=value°}.';
    }

    public function evaluate(Arguments $given): Measurement
    {
        $at = $given->vec('at');
        $heading = static function (string $field) use ($given, $at): float {
            $way = $given->vec($field)->minus($at);

            return $way->length() > $given->tolerance()->distance
                ? $way->angle()
                : throw new FieldFault($field, 'choice', 'it lies where the angle is measured; another place is needed to say a direction');
        };
        $degrees = Angle::normalised(rad2deg($heading('to') - $heading('from')));

        return new Measurement('angle', $degrees, $given->vec('from'), $given->vec('to'), $at);
    }
}
