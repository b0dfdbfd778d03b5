<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Motif;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Part;

/** Parts that are drawn once, to be placed many times; seen only where they are placed. */
#[Called('motif', label: 'Motif', word: 'motif', prefix: 'f', purpose: Purpose::Construction)]
final class MotifKind extends Kind
{
    protected function declared(): array
    {
        return [StepsField::parts('of', 'parts'), new PlaceField('anchor', 'anchor', required: true)];
    }

    public function sentence(Step $step): string
    {
        return 'Motif of {of}, held at {anchor}.';
    }

    public function offersPlaces(): bool
    {
        // Its copies do; where its parts lie nothing is seen any more.
        return true;
    }

    public function isDrawn(): bool
    {
        return false;
    }

    public function opens(): string
    {
        return 'of';
    }

    public function sources(Arguments $given): array
    {
        return $given->steps('of');
    }

    public function evaluate(Arguments $given): Part
    {
        $parts = $given->parts('of');

        return $parts === []
            ? throw new FieldFault('of', 'lost', 'nothing is left of it')
            : Part::gathered($parts, $given->step, [$given->vec('anchor')]);
    }
}
