<?php

namespace App\Http\Middleware;

/** Of what goes through all that is sent: leaves alone the hashes of what the editor has, hundreds in every request. */
trait LeavesHashes
{
    /**
     * @param  string  $key
     * @param  mixed  $value
     */
    protected function cleanValue($key, $value): mixed
    {
        return $key === 'has' ? $value : parent::cleanValue($key, $value);
    }
}
