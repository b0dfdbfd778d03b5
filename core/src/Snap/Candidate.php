<?php

declare(strict_types=1);

namespace Sternbild\Core\Snap;

use Sternbild\Core\Geometry\Vec;

/** A place that a pointer may have meant. */
final readonly class Candidate
{
    /**
     * @param  'intersection'|'corner'|'crossing'|'tangent'|'midpoint'|'cell-centre'|'circle-centre'|'part-centre'|'end'|'edge'  $kind
     * @param  string|array{float, float}  $raw  how a plan writes it
     * @param  string  $name  how people read it
     * @param  float  $distance  from the place asked about, sheet units
     */
    public function __construct(public string $kind, public Vec $at, public string|array $raw, public string $name, public float $distance)
    {
    }

    /** 0 before 1 before 2, whatever the distance. */
    public function rank(): int
    {
        return match ($this->kind) {
            'intersection' => 0,
            'edge' => 2,
            default => 1,
        };
    }
}
