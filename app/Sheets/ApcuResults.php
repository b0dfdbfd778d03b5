<?php

namespace App\Sheets;

use Sternbild\Core\Evaluation\ArrayCache;
use Sternbild\Core\Evaluation\ResultCache;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/**
 * Results in this process first, then in the memory that all workers share.
 *
 * Shared is only what took longer than putting it away and fetching it again will: that goes with the nodes of a part and the number of its
 * figures, some microseconds each, while joining or cutting outlines takes a hundred times that.
 */
final readonly class ApcuResults implements ResultCache
{
    private const KEPT_SECONDS = 3600;

    /** What putting away and fetching takes for each node or figure, about; and at least. */
    private const SECONDS_A_NODE = 8e-6;

    private const LEAST_SECONDS = 1e-4;

    private ArrayCache $own;

    public function __construct()
    {
        $this->own = new ArrayCache;
    }

    public function get(string $hash): ?Result
    {
        $result = $this->own->get($hash);
        if ($result === null && apcu_enabled()) {
            $shared = apcu_fetch("result:$hash");
            $result = $shared instanceof Part ? $shared : null;
        }

        return $result;
    }

    public function put(string $hash, Result $result, float $seconds): void
    {
        $this->own->put($hash, $result, $seconds);
        if (
            $result instanceof Part &&
            $seconds > self::LEAST_SECONDS &&
            apcu_enabled() &&
            $seconds > self::SECONDS_A_NODE * ($result->nodes() + count($result->spread?->ofCell() ?? $result->figures()))
        ) {
            apcu_store("result:$hash", $result, self::KEPT_SECONDS);
        }
    }
}
