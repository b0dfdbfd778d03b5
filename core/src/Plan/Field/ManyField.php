<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Several of a few words. */
final class ManyField extends Field
{
    /**
     * @param  non-empty-array<array-key, string>  $choices  what is shown, by what is written
     * @param  list<string>  $usual
     * @param  string|null  $none  what none of them stands for, in words
     * @param  string|null  $but  an option whose choice is none of them
     */
    public function __construct(
        string $name,
        string $label,
        private readonly array $choices,
        array $usual = [],
        private readonly int $least = 0,
        private readonly ?string $none = null,
        private readonly ?string $but = null,
    ) {
        parent::__construct($name, $label, false, $usual);
    }

    public function type(): string
    {
        return 'many';
    }

    public function check(mixed $raw, string $pointer): void
    {
        $words =
            is_array($raw) && array_is_list($raw)
                ? array_filter($raw, fn (mixed $one): bool => (is_string($one) || is_int($one)) && isset($this->choices[$one]))
                : null;
        if (! is_array($raw) || $words !== $raw || count(array_unique($words)) !== count($words) || count($words) < $this->least) {
            throw Unusable::at(
                $pointer,
                'a list of '.
                    ($this->least > 0 ? "at least $this->least of " : '').
                    implode(', ', array_map(static fn (int|string $word): string => "\"$word\"", array_keys($this->choices))).
                    ', none twice',
            );
        }
    }

    /** @return list<string> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        return is_array($raw) ? array_values(array_map(strval(...), array_filter($raw, is_scalar(...)))) : [];
    }

    /** @return list<string> */
    public function sample(Sampling $lot): array
    {
        return [(string) $lot->one(array_keys($this->choices))];
    }

    public function schema(): array
    {
        return [
            'type' => 'array',
            'minItems' => $this->least,
            'uniqueItems' => true,
            'items' => ['enum' => array_map(strval(...), array_keys($this->choices))],
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return implode(
            ', ',
            array_map(fn (string $word): string => $this->choices[$word] ?? $word, $this->resolve($raw, new Scope($plan, $labels))),
        );
    }

    public function traits(): array
    {
        $choices = [];
        foreach ($this->choices as $value => $text) {
            $choices[] = ['value' => (string) $value, 'text' => $text];
        }

        return ['choices' => $choices, ...($this->none === null ? [] : ['none' => $this->none]), ...($this->but === null ? [] : ['but' => $this->but])];
    }
}
