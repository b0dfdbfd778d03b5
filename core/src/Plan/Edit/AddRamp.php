<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

/**
 * `{op: "ramp", of, to, steps}`
 *
 * Adds so many colours between two of the palette, or `to: "lighter"` or `"darker"` ones of the same hue.
 */
final class AddRamp implements Operation
{
    public function name(): string
    {
        return 'ramp';
    }

    public function properties(): array
    {
        return [
            'of' => ['type' => 'string'],
            'to' => ['type' => 'string', 'description' => 'Another colour of the palette, `lighter` or `darker`.'],
            'steps' => ['type' => 'integer', 'minimum' => 1, 'maximum' => PaletteEdit::MOST_RAMP],
        ];
    }

    public function required(): array
    {
        return ['of', 'to', 'steps'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $draft->replace(PaletteEdit::withRamp($draft->written(), $operation, $pointer));
        $draft->call('Add a ramp of '.(is_string($operation['of'] ?? null) ? $operation['of'] : 'a colour'));
    }
}
