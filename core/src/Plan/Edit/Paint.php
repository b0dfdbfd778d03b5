<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Field\PaintedCellsField;
use Sternbild\Core\Plan\Field\PaintOver;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;

/**
 * `{op: "paint", kind, field, on, cells, along?}`
 *
 * Paints cells of a grid, by colour, in runs along its first or second coordinate (0 or 1): over those of the last step on the grid where
 * that is of the kind, else in a new one.
 */
final class Paint implements Operation
{
    public function name(): string
    {
        return 'paint';
    }

    public function properties(): array
    {
        return [
            'kind' => ['type' => 'string'],
            'field' => ['type' => 'string'],
            'on' => ['type' => 'string'],
            'cells' => [
                'type' => 'object',
                'additionalProperties' => ['type' => 'string'],
                'description' => 'By colour the addresses, in runs.',
            ],
            'along' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 1, 'description' => 'The coordinate that runs go along.'],
        ];
    }

    public function required(): array
    {
        return ['kind', 'field', 'on', 'cells'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        ['kind' => $name, 'field' => $field, 'on' => $on, 'cells' => $cells] = $operation + [
            'kind' => null,
            'field' => null,
            'on' => null,
            'cells' => null,
        ];
        $painting = null;
        foreach ((is_string($name) ? $draft->kinds->get($name) : null)?->fields() ?? [] as $one) {
            $painting = $one instanceof PaintedCellsField && $one->name === $field ? $one : $painting;
        }
        if (! is_string($name) || ! is_string($field) || $painting === null) {
            throw Unusable::at("$pointer/field", 'a field of painted cells, of its kind');
        }
        $laid = $draft->steps->step($draft->indexOf($on, "$pointer/on"))['kind'] ?? null;
        $painting->check($cells, "$pointer/cells");
        $last = null;
        foreach ($draft->steps->all() as $index => $step) {
            // Of other things that lie on it none covers what is painted.
            $last =
                ($step['on'] ?? null) === $on &&
                is_string($step['kind'] ?? null) &&
                $draft->kinds->get($step['kind'])?->makes() === Role::Part
                    ? $index
                    : $last;
        }
        $step = $last === null ? [] : $draft->steps->step($last);
        $before = ($step['kind'] ?? null) === $name ? PaintedCellsField::written($step[$field] ?? null) : null;
        if ($before === null) {
            (new Add)->apply($draft, ['step' => ['kind' => $name, 'on' => $on, $field => $cells]], $pointer);
        } else {
            $over = PaintedCellsField::written($cells);
            $isOverlay = is_string($laid) && $draft->kinds->get($laid)?->makes() === Role::Overlay;
            $now = $isOverlay
                ? PaintOver::onOverlay($before, $over)
                : PaintOver::over($before, $over, ($operation['along'] ?? 0) === 1 ? 1 : 0);
            (new Set)->apply($draft, ['id' => StepList::idOf($step), 'field' => $field, 'value' => $now], $pointer);
        }
        $draft->callInstead('Paint');
    }
}
