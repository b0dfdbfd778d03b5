<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/**
 * What the steps of a plan are called, one after another: by their names, else as what they bring elsewhere, else by their sort and number.
 */
final class StepNames
{
    /** @var array<string, int> by the word of a sort */
    private array $counts = [];

    /** @var array<string, string> by id */
    private array $names = [];

    /**
     * @param  Kind|null  $kind  null of one that is not known
     * @param  int  $number  the least that it is called by
     * @param  array<array-key, mixed>  $said  what the plan says for its fields
     */
    public function add(string $id, ?Kind $kind, ?string $name, int $number, array $said): string
    {
        $word = $kind?->word() ?? 'step';
        $count = $this->counts[$word] = max(($this->counts[$word] ?? 0) + 1, $number);
        $same = $kind?->namesake($said);

        return $this->names[$id] = $name ?? ($same === null ? null : $this->names[$same] ?? null) ?? "$word $count";
    }

    /** @return array<string, string> by id */
    public function all(): array
    {
        return $this->names;
    }
}
