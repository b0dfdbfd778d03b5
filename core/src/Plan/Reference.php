<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** How a plan names a step, a copy of a repeat, or one of the things that a copy is made of: `p1`, `r1[3]`, `r1[3].2`. */
final readonly class Reference
{
    public const PATTERN = '[a-z][a-z0-9]*(?:\[\d{1,5}\](?:\.\d{1,4})?)?';

    /**
     * @param  int|null  $copy  and $member from 1
     */
    private function __construct(public string $step, public ?int $copy, public ?int $member)
    {
    }

    /** @return self|null null for what is no such name */
    public static function parse(string $text): ?self
    {
        if (preg_match('/^([a-z][a-z0-9]*)(?:\[(\d{1,5})\](?:\.(\d{1,4}))?)?$/D', $text, $found) !== 1) {
            return null;
        }

        return new self($found[1], isset($found[2]) ? (int) $found[2] : null, isset($found[3]) ? (int) $found[3] : null);
    }

    public function __toString(): string
    {
        return $this->step.($this->copy === null ? '' : "[$this->copy]").($this->member === null ? '' : ".$this->member");
    }
}
