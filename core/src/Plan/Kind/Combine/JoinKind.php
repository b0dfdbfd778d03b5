<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Combine;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Part;

/** What lies in any of some parts, in one outline. */
#[Called('join', label: 'Join', word: 'join', prefix: 'j', purpose: Purpose::Construction)]
final class JoinKind extends OperandsKind
{
    public function sentence(Step $step): string
    {
        return 'Join {of}[, {keep}].';
    }

    public function evaluate(Arguments $given): Part
    {
        return self::result(
            $given,
            static fn (): array => Combination::join(self::operands($given), $given->tolerance()),
            'of',
            'nothing is left of what was joined',
        );
    }
}
