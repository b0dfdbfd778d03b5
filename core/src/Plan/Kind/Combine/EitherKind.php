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

/** What lies in an odd number of some parts. */
#[Called('either', label: 'Either', word: 'either', prefix: 'e', chapter: Chapter::Construction)]
final class EitherKind extends OperandsKind
{
    public function sentence(Step $step): string
    {
        return 'What lies in either of {of}[, {keep}].';
    }

    public function offers(): array
    {
        return [new Offer(
            label: 'Either', from: 'parts', family: Family::Combine, key: 4,
            words: 'exclude, xor, exclusion, symmetric difference, invert overlap, knock out',
            says: 'Keeps where an odd number of them lies, and leaves out the rest.',
            picture: 'M5 24a13 13 0 1 0 26 0a13 13 0 1 0-26 0M17 24a13 13 0 1 0 26 0a13 13 0 1 0-26 0',
            takes: 'of',
        )];
    }

    public function evaluate(Arguments $given): Part
    {
        return self::result($given, static fn (): array => Combination::either(self::operands($given), $given->tolerance()), 'of', 'the parts cover one another, and nothing lies in only one of them');
    }
}
