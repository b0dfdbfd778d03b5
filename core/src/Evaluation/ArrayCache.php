<?php

declare(strict_types=1);

namespace Sternbild\Core\Evaluation;

use Sternbild\Core\Result\Result;

/** Keeps results as long as the process lives. */
final class ArrayCache implements ResultCache
{
    /** @var array<string, Result> */
    private array $results = [];

    public function get(string $hash): ?Result
    {
        return $this->results[$hash] ?? null;
    }

    public function put(string $hash, Result $result, float $seconds): void
    {
        $this->results[$hash] = $result;
    }
}
