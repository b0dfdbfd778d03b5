<?php

namespace App\Sheets;

use Sternbild\Core\Result\Memory;
use Sternbild\Core\Result\ShortMemory;

/**
 * What is kept in this process first, then in the memory that all workers share.
 *
 * Shared is only what took longer than putting it away and fetching it again will: that goes with the objects that it is made of, some
 * microseconds each, while joining or cutting outlines takes a hundred times that.
 */
final readonly class SharedMemory implements Memory
{
    private const KEPT_SECONDS = 3600;

    /** What putting away and fetching takes for each object, about; and at least. */
    private const SECONDS_A_PIECE = 8e-6;

    private const LEAST_SECONDS = 1e-5;

    private ShortMemory $own;

    public function __construct()
    {
        $this->own = new ShortMemory;
    }

    public function recall(string $key): mixed
    {
        $kept = $this->own->recall($key);
        if ($kept === null && apcu_enabled()) {
            $shared = apcu_fetch("kept:$key", $isThere);
            $kept = $isThere ? $shared : null;
        }

        return $kept;
    }

    public function keep(string $key, mixed $value, float $seconds, ?int $pieces): void
    {
        $this->own->keep($key, $value, $seconds, $pieces);
        if ($pieces !== null && $seconds > self::LEAST_SECONDS + self::SECONDS_A_PIECE * $pieces && apcu_enabled()) {
            apcu_store("kept:$key", $value, self::KEPT_SECONDS);
        }
    }
}
