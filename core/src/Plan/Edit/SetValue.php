<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

/**
 * `{op: "value", name, value}`
 *
 * Sets a named number; null takes it away.
 */
final class SetValue implements Operation
{
    public function name(): string
    {
        return 'value';
    }

    public function properties(): array
    {
        return [
            'name' => ['type' => 'string'],
            'value' => [],
        ];
    }

    public function required(): array
    {
        return ['name', 'value'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $draft->setNamed('values', $operation, $pointer);
        $draft->call('Change value '.(is_string($operation['name'] ?? null) ? $operation['name'] : ''));
    }
}
