<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** One earlier part. */
final class StepField extends Field
{
    public function type(): string
    {
        return 'step';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_string($raw) || preg_match('/^[a-z][a-z0-9]*$/D', $raw) !== 1) {
            throw Unusable::at($pointer, 'the id of an earlier part');
        }
    }

    public function resolve(mixed $raw, Scope $scope): Evaluated
    {
        $id = is_string($raw) ? $raw : '';
        $scope->part($id, $this->name);

        return $scope->step($id, $this->name);
    }

    public function references(mixed $raw): array
    {
        return is_string($raw) ? [$raw] : [];
    }

    public function schema(): array
    {
        return ['$ref' => '#/$defs/id'];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return is_string($raw) ? $labels[$raw] ?? "“{$raw}”" : '';
    }
}
