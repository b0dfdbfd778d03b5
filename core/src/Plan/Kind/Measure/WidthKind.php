<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Measure;

use Sternbild\Core\Measure\ClearWidth;
use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;

/** The clear width of a part across a place of its outline, square to it. */
#[Called('measure.width', label: 'Width', word: 'width', prefix: 'm', purpose: Purpose::Construction)]
final class WidthKind extends MeasureKind
{
    protected function declared(): array
    {
        return [new StepField('of', 'part', Role::Part, required: true), new PlaceField('at', 'at', required: true)];
    }

    public function sentence(Step $step): string
    {
        return 'Measure the width of {of} across {at}{=value}.';
    }

    public function evaluate(Arguments $given): Measurement
    {
        $across = ClearWidth::across($given->parts('of')[0], $given->vec('at'), $given->tolerance());

        return $across ??
            throw new FieldFault(
                'at',
                'lost',
                'across this place the part ends nowhere; a place of its outline away from a corner is needed',
            );
    }
}
