<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Plan\Field\Field;
use Sternbild\Core\Result\Role;

/** Names of measures where numbers are typed: each stands for what its step comes to, `m1.value`, which is what is stored. */
final readonly class MeasureNames
{
    private const TYPES = ['number', 'pair', 'place', 'places'];

    /** @param  array<string, string>  $ids  of the steps, by name, the longest first */
    private function __construct(private array $ids)
    {
    }

    /**
     * @param  list<array<array-key, mixed>>  $steps  of a plan
     * @param  array<array-key, mixed>  $values  named numbers, whose names go before
     */
    public static function of(array $steps, array $values, Kinds $kinds): self
    {
        $ids = $counts = [];
        foreach ($steps as $step) {
            $kind = is_string($step['kind'] ?? null) ? $kinds->get($step['kind']) : null;
            if ($kind?->makes() === Role::Measure) {
                $counts[$kind->word()] = ($counts[$kind->word()] ?? 0) + 1;
                $name = $step['name'] ?? null;
                $ids[is_string($name) ? $name : "{$kind->word()} {$counts[$kind->word()]}"] = StepList::idOf($step);
            }
        }
        $ids = array_diff_key($ids, $values, array_flip(Arithmetic::reserved()));
        uksort($ids, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));

        return new self($ids);
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return array<array-key, mixed>
     */
    public function spelt(array $step, Kind $kind): array
    {
        if ($this->ids === []) {
            return $step;
        }
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
        $names = implode('|', array_map(static fn (string|int $name): string => preg_quote((string) $name, '/'), array_keys($this->ids)));

        return preg_replace_callback("/(?<![\p{L}\p{N}_.])(?:$names)(?![\p{L}\p{N}_.(])/u", fn (array $found): string => "{$this->ids[$found[0]]}.value", $text) ?? $text;
    }
}
