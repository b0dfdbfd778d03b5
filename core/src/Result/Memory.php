<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

/** Keeps what was worked out under a key that tells all it hangs on. May forget at any time. */
interface Memory
{
    /** @return mixed null where nothing is kept */
    public function recall(string $key): mixed;

    /**
     * @param  mixed  $value  what stays the same however often it is asked for, and is not null
     * @param  float  $seconds  what it took to work out, for memories that keep only what is worth it
     * @param  int|null  $pieces  objects that it is made of, which are made anew where it is fetched from elsewhere; null for what is never
     *   worth that
     */
    public function keep(string $key, mixed $value, float $seconds, ?int $pieces): void;
}
