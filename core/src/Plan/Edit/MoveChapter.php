<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Unusable;

/**
 * `{op: "move-chapter", from, before}`
 *
 * Moves the steps of a chapter before another step, or to the end for null.
 */
final class MoveChapter implements Operation
{
    public function name(): string
    {
        return 'move-chapter';
    }

    public function properties(): array
    {
        return [
            'from' => ['type' => 'string'],
            'before' => ['type' => ['string', 'null']],
        ];
    }

    public function required(): array
    {
        return ['from', 'before'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $index = $draft->indexOf($operation['from'] ?? null, "$pointer/from");
        $chapters = $draft->chapters();
        $from = StepList::idOf($draft->steps->step($index));
        $name = $chapters->nameOf($from);
        if ($name === null) {
            throw Unusable::at("$pointer/from", 'the first step of a chapter');
        }
        $moved = $draft->steps->takeOut($index, count($chapters->steps($from, $draft->steps->ids())));
        $at = $draft->indexBefore($operation, $pointer);
        if ($at > 0 && $at < $draft->steps->count() && $chapters->nameOf(StepList::idOf($draft->steps->step($at))) === null) {
            throw Unusable::at("$pointer/before", 'the first step of another chapter, or null for the end');
        }
        $draft->steps->insert($at, $moved);
        $draft->putChapters($chapters);
        $draft->call("Move chapter $name");
    }
}
