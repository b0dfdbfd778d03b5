<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

/** Keeps things as long as the process lives, and only so many: then it begins anew. */
final class ShortMemory implements Memory
{
    private const MOST = 50_000;

    /** @var array<string, mixed> */
    private array $kept = [];

    public function recall(string $key): mixed
    {
        return $this->kept[$key] ?? null;
    }

    public function keep(string $key, mixed $value, float $seconds, ?int $pieces): void
    {
        if (count($this->kept) >= self::MOST) {
            $this->kept = [];
        }
        $this->kept[$key] = $value;
    }
}
