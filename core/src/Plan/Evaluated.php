<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Result\Result;

/** An evaluated step as others refer to it. */
final readonly class Evaluated
{
    /**
     * @param  array<string, float>  $numbers  its numeric parameters and what it derives from them, by name
     * @param  array<string, self>  $frames  the grids that it is built on, directly or through others, by id
     */
    public function __construct(public string $id, public string $hash, public Result $result, public array $numbers, public array $frames = [])
    {
    }

    /** Equal where it comes to the same and stands on the same grids. */
    public function fingerprint(): string
    {
        return $this->id.':'.$this->hash.implode('', array_map(static fn (self $frame): string => "/$frame->id:$frame->hash", $this->frames));
    }
}
