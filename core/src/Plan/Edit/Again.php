<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Unusable;

/**
 * `{op: "again", id}`
 *
 * Goes on with a copy, or a repeat: in its place stands a repeat of one more. What hangs on it does so as before; a step between that
 * nothing else hangs on goes.
 */
final class Again implements Operation
{
    public function name(): string
    {
        return 'again';
    }

    public function properties(): array
    {
        return [
            'id' => ['type' => 'string'],
        ];
    }

    public function required(): array
    {
        return ['id'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $index = $draft->indexOf($operation['id'] ?? null, "$pointer/id");
        $step = $draft->steps->step($index);
        $kind = $draft->kindOf($step);
        $next = $kind?->again($step, static function (string $id) use ($draft): ?array {
            $position = $draft->steps->positionOf($id);

            return $position === null ? null : $draft->steps->step($position);
        }) ?? throw Unusable::at("$pointer/id", 'a copy that was moved, turned or resized, or a repeat with a count');
        $label = $draft->labelOf($step);
        $isRepeat = ! isset($next['kind']);
        $kept = $isRepeat ? $step : array_intersect_key($step, array_flip(['id', 'name', 'muted', 'hidden', 'number', 'fast', 'keep']));
        $between = array_diff(
            array_filter((array) ($step['of'] ?? []), is_string(...)),
            array_filter((array) ($next['of'] ?? ($step['of'] ?? [])), is_string(...)),
        );
        $draft->steps->replace($index, [...$kept, ...$next]);
        $draft->touch(StepList::idOf($step));
        foreach ($between as $id) {
            $position = $draft->steps->positionOf($id);
            if ($position !== null && ! $draft->steps->isNamedByOthers($id)) {
                $draft->steps->remove([$position => true]);
            }
        }
        $draft->call($isRepeat ? "One more of $label" : "Repeat $label");
    }
}
