<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Paint\Ciede2000;
use Sternbild\Core\Result\Remedy;

/** Colours of the palette that are hardly told apart. */
final class AlikeColours extends Check
{
    /** Colours that are compared with one another. */
    private const MOST = 64;

    public function tells(): array
    {
        return [
            Sort::note('alike-colours', 'two colours of the palette that are drawn and differ by less than 2 (CIEDE2000)', 'made one'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Colours;
    }

    public function limits(): array
    {
        return [Limit::miss()];
    }

    public function look(Looked $at): array
    {
        $first = $at->firstOfColours();
        $names = array_filter($at->plan->palette, static fn (string $hex): bool => isset($first[strtolower($hex)]));
        if (count($names) > self::MOST) {
            return [];
        }
        $labs = array_map(Ciede2000::lab(...), $names);
        $findings = [];
        foreach (array_keys($names) as $number => $name) {
            foreach (array_slice(array_keys($names), 0, $number) as $other) {
                $difference = Ciede2000::between($labs[$other], $labs[$name]);
                if ($difference < Ciede2000::HARDLY) {
                    $findings[] = $this->found(
                        'alike-colours',
                        $first[strtolower($names[$name])],
                        sprintf('%s and %s are hardly told apart: they differ by %.1f', $other, $name, $difference),
                    )->with(new Remedy("Make both $other", [['op' => 'recolour', 'map' => [$name => $other]]]));
                }
            }
        }

        return $findings;
    }
}
