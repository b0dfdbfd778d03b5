<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

/**
 * `{op: "rename-colour", name, to}`
 *
 * Renames one, everywhere it is used.
 */
final class RenameColour implements Operation
{
    public function name(): string
    {
        return 'rename-colour';
    }

    public function properties(): array
    {
        return [
            'name' => ['type' => 'string'],
            'to' => ['type' => 'string'],
        ];
    }

    public function required(): array
    {
        return ['name', 'to'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        [$name, $to] = PaletteEdit::names($draft->written(), $operation, $pointer);
        $draft->replace(PaletteEdit::renamed($draft->written(), $name, $to));
        $draft->steps->recolour([$name => $to]);
        $draft->call("Rename colour $name to $to");
    }
}
