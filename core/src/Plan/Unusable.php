<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** A plan that cannot be read at all. Says where, as a JSON pointer, and what was expected there. */
final class Unusable extends \RuntimeException
{
    private function __construct(public readonly string $pointer, public readonly string $expected)
    {
        parent::__construct(($pointer === '' ? 'the plan' : $pointer).": expected $expected");
    }

    /** @param  string  $pointer RFC 6901; empty for the whole plan */
    public static function at(string $pointer, string $expected): self
    {
        return new self($pointer, $expected);
    }
}
