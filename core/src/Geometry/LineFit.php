<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** The line that many places lie nearest to: least squares of their distances from it, by the main axis of their moments. */
final readonly class LineFit
{
    /**
     * @param  Vec  $middle  of the places, which lies on it
     * @param  Vec  $way  its direction, one unit long
     */
    private function __construct(public Vec $middle, public Vec $way)
    {
    }

    /** @param  non-empty-list<Vec>  $places */
    public static function to(array $places): self
    {
        $middle = Vec::zero();
        foreach ($places as $place) {
            $middle = $middle->plus($place->times(1 / count($places)));
        }
        [$xx, $xy, $yy] = [0.0, 0.0, 0.0];
        foreach ($places as $place) {
            $off = $place->minus($middle);
            [$xx, $xy, $yy] = [$xx + $off->x ** 2, $xy + $off->x * $off->y, $yy + $off->y ** 2];
        }
        $angle = atan2(2 * $xy, $xx - $yy) / 2;

        return new self($middle, new Vec(cos($angle), sin($angle)));
    }

    public function distanceTo(Vec $place): float
    {
        return abs($this->way->cross($place->minus($this->middle)));
    }

    /** The place on it that is nearest to another. */
    public function foot(Vec $place): Vec
    {
        return $this->middle->plus($this->way->times($this->way->dot($place->minus($this->middle))));
    }
}
