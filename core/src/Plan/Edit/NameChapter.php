<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;

/**
 * `{op: "chapter", from, name}`
 *
 * Names the chapter that begins with a step, or lets one begin there; null gives its steps to the one before.
 */
final class NameChapter implements Operation
{
    public function name(): string
    {
        return 'chapter';
    }

    public function properties(): array
    {
        return [
            'from' => ['type' => 'string'],
            'name' => ['type' => ['string', 'null']],
        ];
    }

    public function required(): array
    {
        return ['from', 'name'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $index = $draft->indexOf($operation['from'] ?? null, "$pointer/from");
        $name = $operation['name'] ?? null;
        if ($name !== null && (! is_string($name) || ! PlanReader::isName($name))) {
            throw Unusable::at("$pointer/name", 'a name without markup (< >) and control characters, or null');
        }
        $chapters = $draft->chapters();
        $from = StepList::idOf($draft->steps->step($index));
        $draft->call($name === null ? "Dissolve chapter {$chapters->nameOf($from)}" : "Name chapter $name");
        $draft->putChapters($chapters->named($from, $name));
    }
}
