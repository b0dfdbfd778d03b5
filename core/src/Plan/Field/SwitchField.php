<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Yes or no. */
final class SwitchField extends Field
{
    /** @param  string  $yes what a sentence says where it is on, and $no where it is off */
    public function __construct(string $name, string $label, private readonly string $yes, private readonly string $no)
    {
        parent::__construct($name, $label, false, false);
    }

    public function type(): string
    {
        return 'switch';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_bool($raw)) {
            throw Unusable::at($pointer, 'true or false');
        }
    }

    public function resolve(mixed $raw, Scope $scope): bool
    {
        return $raw === true;
    }

    public function sample(Sampling $lot): bool
    {
        return $lot->chance(50);
    }

    public function schema(): array
    {
        return ['type' => 'boolean'];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return $raw === true ? $this->yes : $this->no;
    }
}
