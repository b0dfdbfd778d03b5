<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Measure;

use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;

/** How far two places are apart. */
#[Called('measure.distance', label: 'Distance', word: 'distance', prefix: 'm', purpose: Purpose::Construction)]
final class DistanceKind extends MeasureKind
{
    protected function declared(): array
    {
        return [new PlaceField('from', 'from', required: true), new PlaceField('to', 'to', required: true)];
    }

    public function sentence(Step $step): string
    {
        return 'Measure from {from} to {to}{=value}.';
    }

    public function evaluate(Arguments $given): Measurement
    {
        [$from, $to] = [$given->vec('from'), $given->vec('to')];

        return new Measurement('distance', $from->distanceTo($to), $from, $to);
    }
}
