<?php

declare(strict_types=1);

namespace Sternbild\Core\Evaluation;

use Sternbild\Core\Result\Result;

/** Keeps results under the hash of all they hang on. May forget at any time. */
interface ResultCache
{
    public function get(string $hash): ?Result;

    /** @param  float  $seconds what it took to work out, for caches that keep only what is worth it */
    public function put(string $hash, Result $result, float $seconds): void;
}
