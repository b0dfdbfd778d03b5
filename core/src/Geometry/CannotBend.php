<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A way between two points that cannot be bent as is said. For people to read. */
final class CannotBend extends \RuntimeException
{
    /** @param  int  $way  from 0 */
    public function __construct(public readonly int $way, string $message)
    {
        parent::__construct($message);
    }
}
