<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

/**
 * `{op: "recolour", map}`
 *
 * Wherever one of these colours is used, by name or as #rrggbb, another one is, all at once; two can change places.
 */
final class Recolour implements Operation
{
    public function name(): string
    {
        return 'recolour';
    }

    public function properties(): array
    {
        return [
            'map' => [
                'type' => 'object',
                'additionalProperties' => ['type' => 'string'],
                'description' => 'Colours by those that they take the place of.',
            ],
        ];
    }

    public function required(): array
    {
        return ['map'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $map = PaletteEdit::map($operation, $pointer);
        $draft->steps->recolour($map);
        $sheet = $draft->part('sheet');
        $ground = $map[is_string($sheet['background'] ?? null) ? $sheet['background'] : ''] ?? null;
        if (is_string($ground)) {
            $draft->put('sheet', [...$sheet, 'background' => $ground === 'none' ? null : $ground]);
        }
        $draft->call('Recolour '.implode(', ', array_slice(array_map(strval(...), array_keys($map)), 0, 3)));
    }
}
