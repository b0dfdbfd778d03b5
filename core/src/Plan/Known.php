<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** An evaluated step as others refer to it. */
final readonly class Known
{
    /** @param  array<string, float>  $numbers its numeric parameters and what it derives from them, by name */
    public function __construct(public string $id, public string $hash, public Result $result, public array $numbers)
    {
    }
}
