<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

/**
 * `{op: "colour", name, value}`
 *
 * Sets a palette colour; null takes it away.
 */
final class SetColour implements Operation
{
    public function name(): string
    {
        return 'colour';
    }

    public function properties(): array
    {
        return [
            'name' => ['type' => 'string'],
            'value' => ['type' => ['string', 'null']],
        ];
    }

    public function required(): array
    {
        return ['name', 'value'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $draft->setNamed('palette', $operation, $pointer);
        $draft->call('Change colour '.(is_string($operation['name'] ?? null) ? $operation['name'] : ''));
    }
}
