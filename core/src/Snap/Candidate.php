<?php

declare(strict_types=1);

namespace Sternbild\Core\Snap;

use Sternbild\Core\Geometry\Vec;

/** A place that a pointer may have meant. */
final readonly class Candidate
{
    /** The rule of snapping. */
    public const RANKS = [
        'intersection' => 0,
        'corner' => 1,
        'crossing' => 1,
        'tangent' => 1,
        'midpoint' => 1,
        'cell-centre' => 1,
        'circle-centre' => 1,
        'part-centre' => 1,
        'end' => 1,
        'edge' => 2,
    ];

    /**
     * @param  'intersection'|'corner'|'crossing'|'tangent'|'midpoint'|'cell-centre'|'circle-centre'|'part-centre'|'end'|'edge'  $kind
     * @param  string|array{float, float}  $raw  how a plan writes it
     * @param  string  $name  how people read it
     * @param  float  $distance  from the place asked about, sheet units
     */
    public function __construct(public string $kind, public Vec $at, public string|array $raw, public string $name, public float $distance)
    {
    }

    /** What wins over what, whatever the distance: 0 before 1 before 2. */
    public function rank(): int
    {
        return self::RANKS[$this->kind];
    }
}
