<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;

/** The way that a band follows, and how far it reaches to both sides: what a weave has to know of it. */
final readonly class Strand
{
    /**
     * @param  non-empty-list<Curve>  $way  each begins where the one before ends
     * @param  float  $left  to the left of the way as seen on the screen, and $right to the right of it, sheet units
     */
    public function __construct(public array $way, public float $left, public float $right, public Corner $join)
    {
    }

    /** Of a ring between two circles around one centre; null for everything else. */
    public static function ofRing(Figure $figure): ?self
    {
        $outlines = $figure->outlines();
        $circles = [];
        foreach ($outlines as $outline) {
            $first = $outline->curves[0];
            if (! $first instanceof Arc) {
                return null;
            }
            foreach ($outline->curves as $curve) {
                if (
                    ! ($curve instanceof Arc) ||
                    $curve->center()->distanceTo($first->center()) + abs($curve->radius() - $first->radius()) > 1e-9 * $first->radius()
                ) {
                    return null;
                }
            }
            $circles[] = $first->circle();
        }
        if (count($circles) !== 2 || $circles[0]->center->distanceTo($circles[1]->center) > 1e-9 * $circles[0]->radius) {
            return null;
        }
        $half = abs($circles[0]->radius - $circles[1]->radius) / 2;

        return new self(
            [Arc::fullCircle(new Circle($circles[0]->center, ($circles[0]->radius + $circles[1]->radius) / 2))],
            $half,
            $half,
            Corner::Miter,
        );
    }

    /** @return self|null null where the map does not keep its width even */
    public function mapped(Affine $map): ?self
    {
        if (! $map->isSimilarity()) {
            return null;
        }
        $way = array_merge(...array_map(static fn (Curve $curve): array => $curve->mapped($map), $this->way));
        [$left, $right] = $map->isMirrored() ? [$this->right, $this->left] : [$this->left, $this->right];

        return $way === [] ? null : new self($way, $left * $map->scale(), $right * $map->scale(), $this->join);
    }

    /**
     * @return list<Curve> of the way from one place on it to another, which may lie a round farther; places are the number of a curve and
     *   the share of it
     */
    public function part(float $from, float $to): array
    {
        $count = count($this->way);
        $pieces = [];
        for ($k = (int) floor($from + 1e-9); $k < $to - 1e-9; $k++) {
            $start = max(0.0, $from - $k);
            $end = min(1.0, $to - $k);
            if ($end - $start > 1e-9) {
                $curve = $this->way[$k % $count];
                $pieces[] = $start <= 0.0 && $end >= 1.0 ? $curve : $curve->part($start, $end);
            }
        }

        return $pieces;
    }

    public function isClosed(float $tolerance): bool
    {
        return $this->way[0]->start()->distanceTo($this->way[count($this->way) - 1]->end()) <= $tolerance;
    }
}
