<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Arithmetic;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\StepNames;
use Sternbild\Core\Result\Role;

/** Names of measures where numbers are typed: each stands for what its step comes to, `m1.value`, which is what is stored. */
final readonly class MeasureNames
{
    private const TYPES = ['number', 'pair', 'place', 'places'];

    /**
     * @param  array<string, string>  $ids  of the measures, by name, the longest first
     * @param  array<string, non-empty-list<string>>  $parts  of all steps, by name, the longest first: what they measure is said behind a
     *   point; of a name that is handed on the last one is meant
     * @param  array<string, int>  $positions  of the steps in the plan, by id
     */
    private function __construct(private array $ids, private array $parts, private array $positions)
    {
    }

    /**
     * @param  list<array<array-key, mixed>>  $steps  of a plan
     * @param  array<array-key, mixed>  $values  named numbers, whose names go before
     */
    public static function of(array $steps, array $values, Kinds $kinds): self
    {
        $ids = $parts = $positions = [];
        $names = new StepNames;
        foreach ($steps as $position => $step) {
            $kind = is_string($step['kind'] ?? null) ? $kinds->get($step['kind']) : null;
            if ($kind === null) {
                continue;
            }
            $id = StepList::idOf($step);
            $name = $names->add(
                $id,
                $kind,
                is_string($step['name'] ?? null) ? $step['name'] : null,
                is_int($step['number'] ?? null) ? $step['number'] : 1,
                $step,
            );
            $parts[$name][] = $id;
            $positions[$id] = $position;
            if ($kind->makes() === Role::Measure) {
                $ids[$name] = $ids[$id] = $id;
            }
        }
        $reserved = array_flip(Arithmetic::reserved());
        $ids = array_diff_key($ids, $values, $reserved);
        // What is a plan's own way to name something goes before what people call a part.
        $parts = array_diff_key($parts, $reserved, $positions);
        $longestFirst = static fn (int|string $a, int|string $b): int => strlen((string) $b) <=> strlen((string) $a);
        uksort($ids, $longestFirst);
        uksort($parts, $longestFirst);

        return new self($ids, $parts, $positions);
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return array<array-key, mixed>
     */
    public function spelt(array $step, Kind $kind): array
    {
        $before = $this->positions[StepList::idOf($step)] ?? count($this->positions);
        foreach ($kind->fields() as $field) {
            [$outer, $inner] = [...explode('.', $field->name, 2), null];
            if ($inner === null && isset($step[$outer])) {
                $step[$outer] = $this->inField($step[$outer], $field, $before);
            } elseif ($inner !== null && is_array($step[$outer] ?? null) && isset($step[$outer][$inner])) {
                $step[$outer][$inner] = $this->inField($step[$outer][$inner], $field, $before);
            }
        }

        return $step;
    }

    /**
     * Whether a step says anything in words where a number or a place is meant; most say numbers and addresses.
     *
     * @param  array<array-key, mixed>  $step
     */
    public static function mayStandIn(array $step, Kind $kind): bool
    {
        foreach ($kind->fields() as $field) {
            [$outer, $inner] = [...explode('.', $field->name, 2), null];
            $raw = $step[$outer] ?? null;
            if (
                in_array($field->type(), self::TYPES, true) &&
                self::isInWords($inner === null ? $raw : (is_array($raw) ? $raw[$inner] ?? null : null), $field)
            ) {
                return true;
            }
        }

        return false;
    }

    private static function isInWords(mixed $raw, Field $field): bool
    {
        return is_array($raw)
            ? array_filter($raw, static fn (mixed $one): bool => self::isInWords($one, $field)) !== []
            : is_string($raw) && ($field->type() === 'number' || Address::parse($raw) === null);
    }

    private function inField(mixed $raw, Field $field, int $before): mixed
    {
        return match (true) {
            ! in_array($field->type(), self::TYPES, true) => $raw,
            is_array($raw) => array_map(fn (mixed $one): mixed => $this->inField($one, $field, $before), $raw),
            self::isInWords($raw, $field) && is_string($raw) => $this->replaced($raw, $before),
            default => $raw,
        };
    }

    private function replaced(string $text, int $before): string
    {
        $parts = str_contains($text, '.') ? self::within($text, $this->parts) : null;
        if ($parts !== null) {
            $text =
                preg_replace_callback(
                    "/(?<![\p{L}\p{N}_.])($parts)(?=\.\p{L})/u",
                    fn (array $found): string => $this->meant($this->parts[$found[1]], $before),
                    $text,
                ) ?? $text;
        }
        $measures = self::within($text, $this->ids);

        return $measures === null
            ? $text
            : preg_replace_callback(
                "/(?<![\p{L}\p{N}_.])($measures)(?![\p{L}\p{N}_.(])/u",
                fn (array $found): string => "{$this->ids[$found[1]]}.value",
                $text,
            ) ?? $text;
    }

    /**
     * A step says its numbers of what stands before it.
     *
     * @param  non-empty-list<string>  $ids  in the order of the plan
     */
    private function meant(array $ids, int $before): string
    {
        $there = array_filter($ids, fn (string $id): bool => $this->positions[$id] < $before);

        return $there === [] ? $ids[0] : $there[array_key_last($there)];
    }

    /**
     * Of thousands of names those that a text has, as a pattern: all of them would make one that is too large.
     *
     * @param  array<string, mixed>  $ids  by name
     */
    private static function within(string $text, array $ids): ?string
    {
        $names = array_filter(array_map(strval(...), array_keys($ids)), static fn (string $name): bool => str_contains($text, $name));

        return $names === [] ? null : implode('|', array_map(static fn (string $name): string => preg_quote($name, '/'), $names));
    }
}
