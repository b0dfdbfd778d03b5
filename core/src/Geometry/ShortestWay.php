<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** The shortest way between two curves. */
final readonly class ShortestWay
{
    /** Places along the first curve from which a shortest way is looked for. */
    private const STARTS = 24;

    private const ROUNDS = 60;

    private function __construct(public Vec $from, public Vec $to, public float $distance)
    {
    }

    /** @return self of distance 0 where they meet within the tolerance */
    public static function between(Curve $one, Curve $other, Tolerance $tolerance): self
    {
        $meetings = Intersections::find($one, $other, $tolerance);
        if ($meetings !== []) {
            return new self($meetings[0]->at, $meetings[0]->at, 0.0);
        }
        $best = new self($one->start(), $other->start(), $one->start()->distanceTo($other->start()));
        for ($start = 0; $start <= self::STARTS; $start++) {
            $from = $one->pointAt($start / self::STARTS);
            $to = $other->pointAt($other->nearest($from));
            $distance = $from->distanceTo($to);
            if ($distance < $best->distance) {
                $best = new self($from, $to, $distance);
            }
        }
        // From one to the other and back: every step shortens the way.
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $from = $one->pointAt($one->nearest($best->to));
            $to = $other->pointAt($other->nearest($from));
            $next = new self($from, $to, $from->distanceTo($to));
            if ($best->distance - $next->distance <= $tolerance->distance * 1e-3) {
                return $next->distance < $best->distance ? $next : $best;
            }
            $best = $next;
        }

        return $best;
    }
}
