<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Budget;

/** The steps of a plan that is being changed, found by their ids however many there are. */
final class StepList
{
    /** @var list<array<array-key, mixed>> */
    private array $steps;

    /** @var array<string, int>|null where each is, by its id */
    private ?array $at = null;

    /** @var array<string, int> for each prefix of ids the number below which none is free */
    private array $taken = [];

    /** @param  array<array-key, mixed>  $plan */
    public function __construct(array $plan, private readonly Kinds $kinds)
    {
        $this->steps = array_values(array_filter(is_array($plan['steps'] ?? null) ? $plan['steps'] : [], is_array(...)));
    }

    /** @return list<array<array-key, mixed>> */
    public function all(): array
    {
        return $this->steps;
    }

    public function count(): int
    {
        return count($this->steps);
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_map(self::idOf(...), $this->steps);
    }

    /** @return array<array-key, mixed> */
    public function step(int $index): array
    {
        return $this->steps[$index];
    }

    public function positionOf(string $id): ?int
    {
        return $this->positions()[$id] ?? null;
    }

    /**
     * Wherever one of these colours is used another one is, all at once: two can change places.
     *
     * @param  array<array-key, string>  $map
     */
    public function recolour(array $map): void
    {
        foreach (array_keys($map) as $number => $from) {
            $this->recolourOne((string) $from, "\0$number");
        }
        foreach (array_values($map) as $number => $to) {
            $this->recolourOne("\0$number", $to);
        }
    }

    private function recolourOne(string $from, string $to): void
    {
        foreach ($this->steps as $index => $step) {
            $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
            foreach ($kind?->fields() ?? [] as $field) {
                $path = explode('.', $field->name);
                $outer = $step[$path[0]] ?? null;
                $said = isset($path[1]) ? (is_array($outer) ? $outer[$path[1]] ?? null : null) : $outer;
                $recoloured = $said === null ? null : $field->recoloured($said, $from, $to);
                if ($recoloured !== $said) {
                    $step = Inside::with($step, $path, $recoloured);
                }
            }
            $this->replace($index, $step);
        }
    }

    /** @param  array<array-key, mixed>  $step  with the id of the one that it takes the place of */
    public function replace(int $index, array $step): void
    {
        $this->steps[$index] = $step;
        $this->steps = array_values($this->steps);
    }

    /** @param  list<array<array-key, mixed>>  $steps */
    public function insert(int $index, array $steps): void
    {
        if ($index === count($this->steps) && $this->at !== null) {
            foreach ($steps as $step) {
                $this->at[self::idOf($step)] ??= count($this->steps);
                $this->steps[] = $step;
            }

            return;
        }
        array_splice($this->steps, $index, 0, $steps);
        $this->at = null;
    }

    /** @return list<array<array-key, mixed>> those that were taken out */
    public function takeOut(int $index, int $count = 1): array
    {
        $this->at = null;

        return array_splice($this->steps, $index, $count);
    }

    /** @param  array<int, true>  $positions */
    public function remove(array $positions): void
    {
        $this->steps = array_values(array_diff_key($this->steps, $positions));
        $this->at = null;
        $this->taken = [];
    }

    /** An id of a kind that no step has. */
    public function freeId(string $kind): string
    {
        $prefix = $this->kinds->get($kind)?->idPrefix() ?? 'x';
        $number = $this->taken[$prefix] ?? 1;
        while (isset($this->positions()[$prefix.$number])) {
            $number++;
        }
        $this->taken[$prefix] = $number;

        return $prefix.$number;
    }

    /**
     * What the plan calls a step: its name, or its sort and number.
     *
     * @param  array<array-key, mixed>  $step
     */
    public function labelOf(array $step): string
    {
        if (is_string($step['name'] ?? null)) {
            return $step['name'];
        }
        $word = $this->wordOf($step);
        $number = 0;
        foreach ($this->steps as $one) {
            $number += $this->wordOf($one) === $word ? 1 : 0;
            if (self::idOf($one) === self::idOf($step)) {
                break;
            }
        }

        return "$word $number";
    }

    /** @param  array<array-key, mixed>  $step */
    public static function idOf(array $step): string
    {
        return is_string($step['id'] ?? null) ? $step['id'] : '';
    }

    /** @param  array<array-key, mixed>  $step */
    private function wordOf(array $step): string
    {
        return (is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null)?->word() ?? 'step';
    }

    /** @return array<string, int> */
    private function positions(): array
    {
        if ($this->at === null) {
            Budget::spend(0.2 * count($this->steps));
            $this->at = [];
            foreach ($this->steps as $index => $step) {
                $this->at[self::idOf($step)] ??= $index;
            }
        }

        return $this->at;
    }
}
