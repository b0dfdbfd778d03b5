<?php

namespace App\Sheets;

use Sternbild\Core\Evaluation\ArrayCache;
use Sternbild\Core\Evaluation\ResultCache;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/**
 * Results in this process first, then in the memory that all workers share.
 *
 * Shared is only what took long: putting a part of a few dozen cells away and fetching it again costs more than joining it anew. Sharing
 * every part made a request with 25 of them a fifth slower.
 */
final readonly class ApcuResults implements ResultCache
{
    private const KEPT_SECONDS = 3600;

    private const WORTH_SECONDS = 0.008;

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
        if ($result instanceof Part && $seconds > self::WORTH_SECONDS && apcu_enabled()) {
            apcu_store("result:$hash", $result, self::KEPT_SECONDS);
        }
    }
}
