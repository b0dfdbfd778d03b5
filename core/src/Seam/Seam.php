<?php

declare(strict_types=1);

namespace Sternbild\Core\Seam;

use Sternbild\Core\Geometry\Curve;

/** Where two figures that cover what lies under them share an edge: what is drawn below both, so that nothing shows between them. */
final readonly class Seam
{
    /**
     * @param  string  $colour  of the lower one, #rrggbb
     * @param  float  $reach  how far it reaches to both sides at most, to stay hidden; sheet units
     * @param  non-empty-list<Curve>  $way
     * @param  bool  $isRound  whether it may go as far around its ends
     */
    public function __construct(public string $colour, public float $reach, public array $way, public bool $isRound)
    {
    }
}
