<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Combine;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Part;

/** A part without what others cover of it. */
#[Called('cut', label: 'Cut', word: 'cut', prefix: 'k', purpose: Purpose::Construction)]
final class CutKind extends PartOperation
{
    protected function declared(): array
    {
        return [new StepField('from', 'part', Role::Part, true), StepsField::partsOrNothing('with', 'parts'), self::keep()];
    }

    public function sentence(Step $step): string
    {
        return 'Cut {with} out of {from}[, {keep}].';
    }

    public function sources(Arguments $given): array
    {
        return [...$given->steps('from'), ...$given->steps('with')];
    }

    public function looksLikeFirst(): bool
    {
        return true;
    }

    public function evaluate(Arguments $given): Part
    {
        $operands = array_map(static fn (Part $part): array => $part->allOutlines(), [$given->parts('from')[0], ...$given->parts('with')]);

        return self::result(
            $given,
            static fn (): array => Combination::cut($operands, $given->tolerance()),
            'with',
            'what is cut out covers all of it, and nothing is left',
        );
    }
}
