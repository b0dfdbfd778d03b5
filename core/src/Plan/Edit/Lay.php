<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Unusable;

/**
 * `{op: "lay", name, steps, palette, before?}`
 *
 * Puts several steps in that refer to one another; they get free ids, everywhere they are named, and the colours that the plan lacks come
 * along.
 */
final class Lay implements Operation
{
    public function name(): string
    {
        return 'lay';
    }

    public function properties(): array
    {
        return [
            'name' => ['type' => 'string'],
            'steps' => ['type' => 'array', 'items' => ['$ref' => '#/components/schemas/PlanStep']],
            'palette' => ['type' => 'object', 'additionalProperties' => ['type' => 'string']],
            'before' => ['type' => ['string', 'null']],
        ];
    }

    public function required(): array
    {
        return ['name', 'steps', 'palette'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $given = $operation['steps'] ?? null;
        $palette = $operation['palette'] ?? [];
        if (! is_array($given) || ! is_array($palette)) {
            throw Unusable::at($pointer, 'steps and a palette');
        }
        $new = $laid = [];
        $at = $draft->indexBefore($operation, $pointer);
        foreach (array_values($given) as $number => $step) {
            if (
                ! is_array($step) ||
                ! is_string($step['kind'] ?? null) ||
                preg_match('/^[a-z][a-z0-9]*$/D', StepList::idOf($step)) !== 1 ||
                isset($new[StepList::idOf($step)])
            ) {
                throw Unusable::at("$pointer/steps/$number", 'a step with a kind, and an id that no other of them has');
            }
            $old = StepList::idOf($step);
            $step = self::renamed($draft, $step, $new);
            $step['id'] = $new[$old] = $draft->steps->freeId((string) $step['kind']);
            $laid[] = array_diff_key($step, ['number' => true]);
            $draft->adds($step['id']);
        }
        $draft->steps->insert($at, $laid);
        $draft->put('palette', $draft->part('palette') + $palette);
        $name = $operation['name'] ?? null;
        $draft->call('Lay '.(is_string($name) ? mb_strtolower($name) : 'a construction'));
    }

    /**
     * A step that names others by their new ids: wherever its fields name steps, and nowhere else.
     *
     * @param  array<array-key, mixed>  $step
     * @param  array<string, string>  $new  by old id
     * @return array<array-key, mixed>
     */
    private static function renamed(Draft $draft, array $step, array $new): array
    {
        $kind = $draft->kindOf($step);
        foreach ($kind?->fields() ?? [] as $field) {
            $path = explode('.', $field->name);
            $outer = $step[$path[0]] ?? null;
            $said = isset($path[1]) ? (is_array($outer) ? $outer[$path[1]] ?? null : null) : $outer;
            if ($said !== null) {
                $step = Inside::with($step, $path, $field->renamed($said, $new));
            }
        }

        return $step;
    }
}
