<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Combine;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Part;

/** What lies in an odd number of some parts. */
#[Called('either', label: 'Either', word: 'either', prefix: 'e', purpose: Purpose::Construction)]
final class EitherKind extends OperandsKind
{
    public function sentence(Step $step): string
    {
        return 'What lies in either of {of}[, {keep}].';
    }

    public function evaluate(Arguments $given): Part
    {
        return self::result(
            $given,
            static fn (): array => Combination::either(self::operands($given), $given->tolerance()),
            'of',
            'the parts cover one another, and nothing lies in only one of them',
        );
    }
}
