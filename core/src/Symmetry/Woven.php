<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/** What comes of a weave. */
final readonly class Woven
{
    /**
     * @param  list<list<Outline>|null>  $strands  what is seen of each; null where that is all of it
     * @param  list<Vec>  $crossings  in the order in which the strands come to them
     * @param  list<Vec>  $stuck  those at which over and under do not alternate
     * @param  list<array{array{int, float}, array{int, float}}>  $dives  for each crossing the strands, the one on top first, and where on
     *   their ways it is
     */
    public function __construct(public array $strands, public array $crossings, public array $stuck, public array $dives)
    {
    }
}
