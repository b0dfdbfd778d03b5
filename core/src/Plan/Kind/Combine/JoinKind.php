<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Combine;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Part;

/** What lies in any of some parts, in one outline. */
#[Called('join', label: 'Join', word: 'join', prefix: 'j', chapter: Chapter::Construction)]
final class JoinKind extends OperandsKind
{
    public function sentence(Step $step): string
    {
        return 'Join {of}[, {keep}].';
    }

    public function offers(): array
    {
        return [new Offer(
            label: 'Join', from: 'parts', family: Family::Combine, key: 1,
            words: 'union, unite, merge, weld, add, fuse, combine',
            says: 'Makes one shape of all of them.',
            picture: 'M24 12.5A13 13 0 1 0 24 35.5A13 13 0 1 0 24 12.5Z',
            takes: 'of',
        )];
    }

    public function evaluate(Arguments $given): Part
    {
        return self::result($given, static fn (): array => Combination::join(self::operands($given), $given->tolerance()), 'of', 'nothing is left of what was joined');
    }
}
