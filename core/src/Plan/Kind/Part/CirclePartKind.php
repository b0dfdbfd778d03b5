<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Kind\Guide\CircleForms;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** A disc, said as a circle is. */
#[Called('part.circle', label: 'Disc', word: 'disc', prefix: 'p', purpose: Purpose::Construction)]
final class CirclePartKind extends PartKind
{
    protected function declared(): array
    {
        return CircleForms::fields();
    }

    public function sentence(Step $step): string
    {
        return CircleForms::sentence($step, 'Disc');
    }

    public function pulls(Arguments $given, Result $result): array
    {
        return CircleForms::pulls($given);
    }

    public function evaluate(Arguments $given): Part
    {
        return Part::drawn([new Outline([Arc::fullCircle(CircleForms::circle($given))])], $given->step);
    }
}
