<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/** A file cannot be made as it was asked for. */
final class WrongOptions extends \RuntimeException
{
    /** @param  non-empty-array<string, string>  $wrong  what is wrong, by option */
    public function __construct(public readonly array $wrong)
    {
        parent::__construct((string) reset($wrong));
    }

    public static function at(string $option, string $message): self
    {
        return new self([$option => $message]);
    }
}
