<?php

declare(strict_types=1);

namespace Sternbild\Core\Snap;

use Sternbild\Core\Geometry\Vec;

/** A place that a pointer may have meant. */
final readonly class Candidate
{
    /** What of a pointer's reach two points are within that lie right beside one another: 2 of 14 pixels. */
    public const BESIDE = 1 / 7;

    /** The rule of snapping: which of two that lie right beside one another goes first. */
    public const RANKS = [
        'intersection' => 0,
        'corner' => 1,
        'crossing' => 2,
        'tangent' => 3,
        'end' => 4,
        'quadrant' => 5,
        'circle-centre' => 6,
        'part-centre' => 7,
        'cell-centre' => 8,
        'midpoint' => 9,
        'edge' => 10,
    ];

    /**
     * @param  key-of<self::RANKS>  $kind  `quadrant`: where a circle is highest, lowest, or farthest to a side
     * @param  string|array<array-key, mixed>  $raw  how a plan writes it
     * @param  string  $name  how people read it
     * @param  float  $distance  from the place asked about, sheet units
     */
    public function __construct(public string $kind, public Vec $at, public string|array $raw, public string $name, public float $distance)
    {
    }

    /** Whether it is one of any number of places along a line, and no point. */
    public function isAlong(): bool
    {
        return $this->kind === 'edge';
    }

    /** What goes first of places right beside one another: 0 before 1, and so on. */
    public function rank(): int
    {
        return self::RANKS[$this->kind];
    }
}
