<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A place where two curves meet. */
final readonly class Meeting
{
    /**
     * @param  float  $s  parameter on the first curve
     * @param  float  $t  parameter on the second
     * @param  bool  $tangent  whether they run in one direction there
     */
    public function __construct(public Vec $at, public float $s, public float $t, public bool $tangent)
    {
    }
}
