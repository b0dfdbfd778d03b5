<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\StepNames;

/** The steps of a plan that is being changed, found by their ids however many there are. */
final class StepList
{
    /** @var list<array<array-key, mixed>> */
    private array $steps;

    /** @var array<string, int>|null where each is, by its id */
    private ?array $at = null;

    /** @var array<string, true>|null */
    private ?array $named = null;

    /**
     * @var array<string, int> for each letter that ids begin with the highest number that was given behind it, also to steps that are gone
     */
    private array $highest;

    /** @param  array<array-key, mixed>  $plan */
    public function __construct(array $plan, private readonly Kinds $kinds)
    {
        $this->steps = array_values(array_filter(is_array($plan['steps'] ?? null) ? $plan['steps'] : [], is_array(...)));
        $this->highest = self::raised(array_filter(is_array($plan['given'] ?? null) ? $plan['given'] : [], is_int(...)), $this->steps);
    }

    /**
     * @return array<string, int> for each letter that ids begin with the highest number of a step that is gone, where none that is there
     *   has it or a higher one
     */
    public function given(): array
    {
        return array_diff_assoc($this->highest, self::raised([], $this->steps));
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
        $this->highest = self::raised($this->highest, $steps);
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

    /**
     * Their ids are not given again, and what is left goes on being called by the same numbers.
     *
     * @param  array<int, true>  $positions
     */
    public function remove(array $positions): void
    {
        $before = $this->numbers();
        $left = $counts = [];
        foreach (array_diff_key($this->steps, $positions) as $index => $step) {
            $word = $this->wordOf($step);
            $counts[$word] = max(($counts[$word] ?? 0) + 1, self::numberOf($step));
            if ($counts[$word] < $before[$index]) {
                $step['number'] = $counts[$word] = $before[$index];
            }
            $left[] = $step;
        }
        $this->steps = $left;
        $this->at = null;
    }

    /** Whether another step says it: as a whole, in a place, or in a number. */
    public function isNamedByOthers(string $id): bool
    {
        $others = array_filter($this->steps, static fn (array $step): bool => self::idOf($step) !== $id);

        return preg_match("/(?<![A-Za-z0-9])$id(?![A-Za-z0-9])/", json_encode(array_values($others)) ?: '') === 1;
    }

    /** @return array<string, true> whatever reads like an id: a step may go on naming one that is gone */
    private function named(): array
    {
        if ($this->named === null) {
            preg_match_all('/(?<![A-Za-z0-9])[a-z]\d{1,7}(?![A-Za-z0-9])/', json_encode($this->steps) ?: '', $found);
            $this->named = array_fill_keys($found[0], true);
        }

        return $this->named;
    }

    /** An id of a kind that no step has, nor had, nor names. */
    public function freeId(string $kind): string
    {
        $letter = $this->kinds->get($kind)?->idPrefix() ?? 'x';
        do {
            $this->highest[$letter] = ($this->highest[$letter] ?? 0) + 1;
            $id = $letter.$this->highest[$letter];
        } while ($this->positionOf($id) !== null || isset($this->named()[$id]));

        return $id;
    }

    /**
     * What the plan calls a step.
     *
     * @param  array<array-key, mixed>  $step
     */
    public function labelOf(array $step): string
    {
        $names = new StepNames;
        foreach ($this->steps as $one) {
            $name = $names->add(
                self::idOf($one),
                $this->kindOf($one),
                is_string($one['name'] ?? null) ? $one['name'] : null,
                self::numberOf($one),
                $one,
            );
            if (self::idOf($one) === self::idOf($step)) {
                return $name;
            }
        }

        return self::idOf($step);
    }

    /** @return list<int> what each is called by, behind its word */
    private function numbers(): array
    {
        $numbers = $counts = [];
        foreach ($this->steps as $step) {
            $word = $this->wordOf($step);
            $numbers[] = $counts[$word] = max(($counts[$word] ?? 0) + 1, self::numberOf($step));
        }

        return $numbers;
    }

    /** @param  array<array-key, mixed>  $step */
    private static function numberOf(array $step): int
    {
        return is_int($step['number'] ?? null) ? $step['number'] : 1;
    }

    /**
     * @param  array<string, int>  $highest
     * @param  list<array<array-key, mixed>>  $steps
     * @return array<string, int> the highest numbers with those of the steps
     */
    private static function raised(array $highest, array $steps): array
    {
        foreach ($steps as $step) {
            if (preg_match('/^([a-z])(\d{1,7})$/D', self::idOf($step), $found) === 1) {
                $highest[$found[1]] = max($highest[$found[1]] ?? 0, (int) $found[2]);
            }
        }

        return $highest;
    }

    /** @param  array<array-key, mixed>  $step */
    public static function idOf(array $step): string
    {
        return is_string($step['id'] ?? null) ? $step['id'] : '';
    }

    /** @param  array<array-key, mixed>  $step */
    private function wordOf(array $step): string
    {
        return $this->kindOf($step)?->word() ?? 'step';
    }

    /** @param  array<array-key, mixed>  $step */
    private function kindOf(array $step): ?Kind
    {
        return is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
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
