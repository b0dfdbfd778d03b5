<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** All that a step is made of was worked out and left nothing; so does the step. Becomes a warning, and an empty part. */
final class NothingGiven extends \RuntimeException
{
    /** @param  string  $field  the parameter's name */
    public function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }
}
