<?php

namespace App\Scanner;

/** What the scanner refused, or that it does not answer. */
final class ScannerFault extends \RuntimeException
{
    /** @param  string|null  $field  of the request, where it is that which was not expected */
    public function __construct(public readonly int $status, string $message, public readonly ?string $field = null)
    {
        parent::__construct($message);
    }

    public static function away(): self
    {
        return new self(503, 'The scanner does not answer. See that it is switched on, and try again.');
    }
}
