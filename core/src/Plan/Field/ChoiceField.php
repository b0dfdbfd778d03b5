<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** One of a few words. */
final class ChoiceField extends Field
{
    /**
     * @param  non-empty-array<array-key, string>  $choices what sentences say, by what plans say
     */
    public function __construct(string $name, string $label, private readonly array $choices, ?string $default = null)
    {
        parent::__construct($name, $label, false, $default);
    }

    public function type(): string
    {
        return 'choice';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_string($raw) || ! isset($this->choices[$raw])) {
            throw Unusable::at(
                $pointer,
                'one of '.implode(', ', array_map(static fn (string $word): string => "\"$word\"", $this->words())),
            );
        }
    }

    public function resolve(mixed $raw, Scope $scope): string
    {
        return is_string($raw) ? $raw : (string) array_key_first($this->choices);
    }

    public function sample(Sampling $lot): string
    {
        return $lot->one($this->words());
    }

    public function schema(): array
    {
        return ['enum' => $this->words()];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return is_string($raw) ? $this->choices[$raw] ?? $raw : '';
    }

    /** @return non-empty-list<string> what plans say; digits are words here as well */
    private function words(): array
    {
        return array_map(strval(...), array_keys($this->choices));
    }

    public function traits(): array
    {
        $choices = [];
        foreach ($this->choices as $value => $text) {
            $choices[] = ['value' => (string) $value, 'text' => $text];
        }

        return ['choices' => $choices];
    }
}
