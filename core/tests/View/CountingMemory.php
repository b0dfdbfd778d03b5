<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\View;

use Sternbild\Core\Result\Memory;
use Sternbild\Core\Result\ShortMemory;

/** Counts how often something was kept already. */
final class CountingMemory implements Memory
{
    public int $recalled = 0;

    private readonly ShortMemory $inner;

    public function __construct()
    {
        $this->inner = new ShortMemory;
    }

    public function recall(string $key): mixed
    {
        $kept = $this->inner->recall($key);
        $this->recalled += $kept === null ? 0 : 1;

        return $kept;
    }

    public function keep(string $key, mixed $value, float $seconds, ?int $pieces): void
    {
        // As a memory does that others share.
        $this->inner->keep($key, unserialize(serialize($value)), $seconds, $pieces);
    }
}
