<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

/** That a figure looks like something between what it came through and something else. */
final readonly class Blend
{
    /**
     * @param  list<string>  $steps  ids that the other came through
     * @param  float  $share  of the other's look, from 0 to 1
     */
    public function __construct(public array $steps, public float $share)
    {
    }
}
