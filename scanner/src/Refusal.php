<?php

declare(strict_types=1);

namespace Sternbild\Scanner;

/** What the scanner does not do, and why. */
final class Refusal extends \RuntimeException
{
    public const BUSY = 'busy';

    public const COVER_OPEN = 'cover_open';

    public const JAMMED = 'jammed';

    public const NOT_READY = 'not_ready';

    public const UNKNOWN = 'unknown';

    public const UNEXPECTED = 'unexpected';

    /** @param  string|null  $field  of the request, where it is that which was not expected */
    private function __construct(
        public readonly int $status,
        public readonly string $reason,
        string $message,
        public readonly ?string $field = null,
    ) {
        parent::__construct($message);
    }

    public static function field(string $field, string $message): self
    {
        return new self(422, self::UNEXPECTED, $message, $field);
    }

    public static function unknown(string $message): self
    {
        return new self(404, self::UNKNOWN, $message);
    }

    public static function busy(): self
    {
        return new self(409, self::BUSY, 'The scanner is at work on another sheet.');
    }

    public static function coverOpen(): self
    {
        return new self(409, self::COVER_OPEN, 'The cover is open. Close it, and scan again.');
    }

    public static function jammed(): self
    {
        return new self(409, self::JAMMED, 'A sheet is jammed in the feed. Take it out, and scan again.');
    }

    public static function notReady(): self
    {
        return new self(409, self::NOT_READY, 'This scan is not done.');
    }
}
