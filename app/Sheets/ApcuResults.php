<?php

namespace App\Sheets;

use Sternbild\Core\Plan\ArrayCache;
use Sternbild\Core\Plan\Result;
use Sternbild\Core\Plan\ResultCache;
use Sternbild\Core\Shape\Part;

/**
 * Results in this process first, then in the memory that all workers share.
 *
 * Only parts are shared: a grid is a handful of numbers, made faster than fetched.
 */
final readonly class ApcuResults implements ResultCache
{
    private const SECONDS = 3600;

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

    public function put(string $hash, Result $result): void
    {
        $this->own->put($hash, $result);
        if ($result instanceof Part && apcu_enabled()) {
            apcu_store("result:$hash", $result, self::SECONDS);
        }
    }
}
