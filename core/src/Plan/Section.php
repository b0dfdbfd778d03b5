<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** A run of steps under one heading: a chapter that somebody named, or the steps of one sort where nobody did. */
final readonly class Section
{
    /**
     * @param  string  $from  id of its first step
     * @param  bool  $named  whether the plan says it
     * @param  int  $steps  how many there are
     */
    public function __construct(public string $name, public string $from, public bool $named, public int $steps)
    {
    }
}
