<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

/** What would mend a finding: operations of PlanEdit, and what they do in a word or two. */
final readonly class Remedy
{
    /** @param  non-empty-list<array<string, mixed>>  $operations */
    public function __construct(public string $label, public array $operations)
    {
    }
}
