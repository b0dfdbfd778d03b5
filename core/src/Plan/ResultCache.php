<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** Keeps results under the hash of all they hang on. May forget at any time. */
interface ResultCache
{
    public function get(string $hash): ?Result;

    public function put(string $hash, Result $result): void;
}
