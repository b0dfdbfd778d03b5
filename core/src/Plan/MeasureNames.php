<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Plan\Field\Field;
use Sternbild\Core\Result\Role;

/** Names of measures where numbers are typed: each stands for what its step comes to, `m1.value`, which is what is stored. */
final readonly class MeasureNames
{
    private const TYPES = ['number', 'pair', 'place', 'places'];

    /**
     * @param  array<string, string>  $ids  of the measures, by name, the longest first
     * @param  array<string, string>  $parts  of all steps, by name, the longest first: what they measure is said behind a point
     */
    private function __construct(private array $ids, private array $parts)
    {
    }

    /**
     * @param  list<array<array-key, mixed>>  $steps  of a plan
     * @param  array<array-key, mixed>  $values  named numbers, whose names go before
     */
    public static function of(array $steps, array $values, Kinds $kinds): self
    {
        $ids = $parts = $counts = [];
        foreach ($steps as $step) {
            $kind = is_string($step['kind'] ?? null) ? $kinds->get($step['kind']) : null;
            if ($kind === null) {
                continue;
            }
            $counts[$kind->word()] = max(($counts[$kind->word()] ?? 0) + 1, is_int($step['number'] ?? null) ? $step['number'] : 1);
            $name = is_string($step['name'] ?? null) ? $step['name'] : "{$kind->word()} {$counts[$kind->word()]}";
            $parts[$name] = StepList::idOf($step);
            if ($kind->makes() === Role::Measure) {
                $ids[$name] = $ids[StepList::idOf($step)] = StepList::idOf($step);
            }
        }
        $reserved = array_flip(Arithmetic::reserved());
        $ids = array_diff_key($ids, $values, $reserved);
        // What is a plan's own way to name something goes before what people call a part.
        $parts = array_diff_key($parts, $reserved, array_flip(array_values($parts)));
        $longestFirst = static fn (int|string $a, int|string $b): int => strlen((string) $b) <=> strlen((string) $a);
        uksort($ids, $longestFirst);
        uksort($parts, $longestFirst);

        return new self($ids, $parts);
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return array<array-key, mixed>
     */
    public function spelt(array $step, Kind $kind): array
    {
        foreach ($kind->fields() as $field) {
            [$outer, $inner] = [...explode('.', $field->name, 2), null];
            if ($inner === null && isset($step[$outer])) {
                $step[$outer] = $this->inField($step[$outer], $field);
            } elseif ($inner !== null && is_array($step[$outer] ?? null) && isset($step[$outer][$inner])) {
                $step[$outer][$inner] = $this->inField($step[$outer][$inner], $field);
            }
        }

        return $step;
    }

    private function inField(mixed $raw, Field $field): mixed
    {
        return match (true) {
            ! in_array($field->type(), self::TYPES, true) => $raw,
            is_array($raw) => array_map(fn (mixed $one): mixed => $this->inField($one, $field), $raw),
            is_string($raw) && ($field->type() === 'number' || Address::parse($raw) === null) => $this->replaced($raw),
            default => $raw,
        };
    }

    private function replaced(string $text): string
    {
        $parts = str_contains($text, '.') ? self::within($text, $this->parts) : null;
        if ($parts !== null) {
            $text = preg_replace_callback("/(?<![\p{L}\p{N}_.])($parts)(?=\.\p{L})/u", fn (array $found): string => $this->parts[$found[1]], $text) ?? $text;
        }
        $measures = self::within($text, $this->ids);

        return $measures === null ? $text
            : preg_replace_callback("/(?<![\p{L}\p{N}_.])($measures)(?![\p{L}\p{N}_.(])/u", fn (array $found): string => "{$this->ids[$found[1]]}.value", $text) ?? $text;
    }

    /**
     * Of thousands of names those that a text has, as a pattern: all of them would make one that is too large.
     *
     * @param  array<string, string>  $ids  by name
     */
    private static function within(string $text, array $ids): ?string
    {
        $names = array_filter(array_map(strval(...), array_keys($ids)), static fn (string $name): bool => str_contains($text, $name));

        return $names === [] ? null : implode('|', array_map(static fn (string $name): string => preg_quote($name, '/'), $names));
    }
}
