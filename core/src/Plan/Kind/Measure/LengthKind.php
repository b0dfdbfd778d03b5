<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Measure;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Part;

/** How long guides, or the outlines of parts, are together. */
#[Called('measure.length', label: 'Length', word: 'length', prefix: 'm', purpose: Purpose::Construction)]
final class LengthKind extends MeasureKind
{
    protected function declared(): array
    {
        return [StepsField::partsOrGuides('of', 'lines')];
    }

    public function sentence(Step $step): string
    {
        return 'Measure the length of {of}{=value}.';
    }

    public function evaluate(Arguments $given): Measurement
    {
        $value = 0.0;
        $at = null;
        foreach ($given->steps('of') as $step) {
            if ($step->result instanceof Part) {
                $value += $step->result->perimeter();
                $at ??= $step->result->bounds()->center();
            } elseif ($step->result instanceof Guide) {
                $value += $step->result->length();
                $at ??= $step->result->runs[0]->pointAt(0.5);
            }
        }
        $at ??= Vec::zero();

        return new Measurement('length', $value, $at, $at);
    }
}
