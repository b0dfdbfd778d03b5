<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/**
 * A way made a shape of an even width, as a pen would draw it.
 *
 * There and back along the way is an outline around nothing; widened to both sides, by Inset's rule, it is the band.
 */
final readonly class Band
{
    /**
     * @param  float  $left  how far it reaches to the left of the way, and `right` to the right of it; one of them may be none
     * @param  'butt'|'round'|'square'  $cap  how it ends
     * @param  float  $limit  of a mitre, in multiples of half the width
     */
    public function __construct(
        private float $left,
        private float $right,
        private Corner $join,
        private string $cap,
        private float $limit,
        private Tolerance $tolerance,
    ) {
    }

    /**
     * @param  non-empty-list<Curve>  $way  each begins where the one before ends
     * @return list<Outline>
     *
     * @throws Unworkable
     */
    public function of(array $way): array
    {
        $back = array_map(static fn (Curve $curve): Curve => $curve->reversed(), array_reverse($way));
        $end = $way[count($way) - 1];
        $isClosed = $way[0]->start()->distanceTo($end->end()) <= $this->tolerance->distance;
        $runs = $isClosed
            ? [$this->beside($this->left)->closed($way), $this->beside($this->right)->closed($back)]
            : [
                [
                    ...$this->beside($this->left)->open($way),
                    ...$this->end($end->end(), $end->tangentAt(1.0), $this->left, $this->right),
                    ...$this->beside($this->right)->open($back),
                    ...$this->end($way[0]->start(), $way[0]->tangentAt(0.0)->times(-1.0), $this->right, $this->left),
                ],
            ];
        $curves = [];
        foreach ($runs as $run) {
            if ($run !== []) {
                array_push($curves, ...(new Outline($run))->withoutTrifles(Arrangement::TRIFLE * $this->tolerance->distance));
            }
        }

        return Inset::enclosed($curves, $this->tolerance);
    }

    /** To the left of a way is to the left of its heading on the screen. */
    private function beside(float $distance): Alongside
    {
        return new Alongside(-$distance, $this->join, $this->limit);
    }

    /**
     * From the left of an end to its right.
     *
     * @param  Vec  $heading  of the way where it ends
     * @return list<Curve>
     */
    private function end(Vec $at, Vec $heading, float $left, float $right): array
    {
        $across = $heading->quarterTurned();
        $from = $at->minus($across->times($left));
        $to = $at->plus($across->times($right));
        $isEven = $left === $right;
        if ($this->cap === 'round') {
            return [Arc::around($from->towards($to, 0.5), ($left + $right) / 2, $from, $to, true)];
        }
        if ($this->cap === 'square') {
            $further = $heading->times(max($left, $right) / ($isEven ? 1 : 2));

            return [
                new Line($from, $from->plus($further)),
                new Line($from->plus($further), $to->plus($further)),
                new Line($to->plus($further), $to),
            ];
        }

        return [new Line($from, $to)];
    }
}
