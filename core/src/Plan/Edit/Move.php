<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

/**
 * `{op: "move", id, before, leads?}`
 *
 * Moves a step before another, or to the end for null; one that leads is the first of the chapter that began with the other.
 */
final class Move implements Operation
{
    public function name(): string
    {
        return 'move';
    }

    public function properties(): array
    {
        return [
            'id' => ['type' => 'string'],
            'before' => ['type' => ['string', 'null']],
            'leads' => ['type' => 'boolean'],
        ];
    }

    public function required(): array
    {
        return ['id', 'before'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $index = $draft->indexOf($operation['id'] ?? null, "$pointer/id");
        $draft->call('Move '.$draft->labelOf($draft->steps->step($index)));
        $chapters = $draft->chapters();
        $chapters = $chapters->isNone() ? $chapters : $chapters->withoutAll([$index => true], $draft->steps->ids());
        [$step] = $draft->steps->takeOut($index);
        $at = $draft->indexBefore($operation, $pointer);
        if (($operation['leads'] ?? false) === true && $at < $draft->steps->count()) {
            $chapters = $chapters->led(StepList::idOf($step), StepList::idOf($draft->steps->step($at)));
        }
        $draft->steps->insert($at, [$step]);
        $draft->putChapters($chapters);
    }
}
