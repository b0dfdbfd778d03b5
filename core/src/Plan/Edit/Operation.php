<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Unusable;

/** One sort of change of a plan: what it is called, what it says, and what it does to the plan as the ones before it left it. */
interface Operation
{
    /** As a change says it: `op`. */
    public function name(): string;

    /** @return array<string, array<string, mixed>> the JSON Schema of each of its properties */
    public function properties(): array;

    /** @return list<string> the properties that it has to say */
    public function required(): array;

    /**
     * @param  array<array-key, mixed>  $operation
     * @param  string  $pointer  to the operation, for what is told of it
     *
     * @throws Unusable with a pointer into the operations
     */
    public function apply(Draft $draft, array $operation, string $pointer): void;
}
