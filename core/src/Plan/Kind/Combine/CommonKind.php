<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Combine;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Part;

/** What lies in all of some parts. */
#[Called('common', label: 'Common', word: 'common', prefix: 'm', purpose: Purpose::Construction)]
final class CommonKind extends OperandsKind
{
    protected function declared(): array
    {
        return [StepsField::partsOrNothing('of', 'parts'), self::keep()];
    }

    public function sentence(Step $step): string
    {
        return 'What {of} have in common[, {keep}].';
    }

    public function evaluate(Arguments $given): Part
    {
        // What is empty has nothing in common with anything.
        $isIn = array_filter($given->parts('of'), static fn (Part $part): bool => $part->isEmpty()) === [];

        return self::result(
            $given,
            static fn (): array => $isIn ? Combination::common(self::operands($given), $given->tolerance()) : [],
            'of',
            'the parts have nothing in common',
        );
    }
}
