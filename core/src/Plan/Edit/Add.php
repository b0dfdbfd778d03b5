<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Unusable;

/**
 * `{op: "add", step, before?}`
 *
 * Puts a step in; an id that begins with `+` is replaced by a free one, also where later operations name it.
 */
final class Add implements Operation
{
    public function name(): string
    {
        return 'add';
    }

    public function properties(): array
    {
        return [
            'step' => ['type' => 'object', 'additionalProperties' => []],
            'before' => ['type' => ['string', 'null']],
        ];
    }

    public function required(): array
    {
        return ['step'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $step = $operation['step'] ?? null;
        if (! is_array($step) || ! is_string($step['kind'] ?? null)) {
            throw Unusable::at("$pointer/step", 'a step with a kind');
        }
        // Its own id is new, also where a step before it was called so.
        $id = $step['id'] ?? '+';
        $step = [...$draft->withNames($step), 'id' => $id];
        if (is_string($id) && str_starts_with($id, '+')) {
            $step['id'] = $draft->steps->freeId($step['kind']);
            $draft->stands($id, $step['id']);
        }
        $kind = $draft->kinds->get($step['kind']);
        $draft->steps->insert($draft->indexBefore($operation, $pointer), [$draft->spelt($step)]);
        if (is_string($step['id'])) {
            $draft->adds($step['id']);
        }
        $draft->call($kind === null ? 'Add a step' : 'Add '.mb_strtolower($kind->label()));
    }
}
