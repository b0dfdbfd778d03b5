<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

/** One thing that a check tells: the code that programs know it by, how much it weighs, and what was found. */
final readonly class Sort
{
    /**
     * @param  'warning'|'note'  $level
     * @param  string  $found  in words, as the table of `docs/plan-format.md` has it
     * @param  string|null  $mended  what its remedy does; null where it has none
     */
    private function __construct(public string $code, public string $level, public string $found, public ?string $mended)
    {
    }

    public static function warning(string $code, string $found, ?string $mended = null): self
    {
        return new self($code, 'warning', $found, $mended);
    }

    /** What is a matter of taste, or of what the drawing is for. */
    public static function note(string $code, string $found, ?string $mended = null): self
    {
        return new self($code, 'note', $found, $mended);
    }
}
