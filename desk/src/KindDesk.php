<?php

declare(strict_types=1);

namespace Sternbild\Desk;

use Sternbild\Core\Plan\Kind;

/**
 * What a screen needs to know of a kind of step, and the core does not: how it is offered, and what of it is asked. Desk finds it by the
 * kind's name.
 */
abstract class KindDesk
{
    /**
     * How the interface offers to make such a step.
     *
     * @return list<Offer>
     */
    abstract public function offers(): array;

    /**
     * The choices of a field, where they are shown as pictures.
     *
     * @return array<string, list<Pictured>>
     */
    public function pictures(): array
    {
        return [];
    }

    /** @return list<string> the fields that at least half of the ways of making a step ask for, but those whose usual value is seen */
    final public function askedFor(Kind $kind): array
    {
        $asking = array_filter(array_map(static fn (Offer $offer): array => $offer->asks, $this->offers()));
        $counts = array_count_values(array_merge(...array_values($asking)));
        $asked = array_map(strval(...), array_keys(array_filter($counts, static fn (int $count): bool => 2 * $count >= count($asking))));

        return array_values(array_diff($asked, $this->seen($kind)));
    }

    /** @return list<string> fields that need no words as long as they are as usual: it is seen on the sheet */
    protected function seen(Kind $kind): array
    {
        return $kind->presentation();
    }
}
