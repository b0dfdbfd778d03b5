<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/** Lines, arcs and circles that a drawing has written as something else: cubics that stand for them, and runs that were cut in pieces. */
final class Recovery
{
    /** Of the radius: how far a curve that stands for an arc may leave it. A quarter as one cubic leaves it by 2.73e-4. */
    private const ROUND = 3e-4;

    /** Of the length: how far handles may lie from the chord of what is straight. */
    private const STRAIGHT = 1e-9;

    /** Shares of the way at which a curve is compared with a circle. */
    private const LOOKED_AT = [0.1, 0.25, 0.4, 0.6, 0.75, 0.9];

    /** Radians that one cubic may turn by and still be an arc: in more it would leave the circle farther. */
    private const WIDEST = 1.7;

    /** Radii, in chords, beyond which an arc is no more told from a line. */
    private const FLATTEST = 1e5;

    /**
     * @param  list<Curve>  $curves  of one run
     * @return list<Curve>
     */
    public static function found(array $curves, bool $closed): array
    {
        $found = [];
        foreach ($curves as $curve) {
            $next = $curve instanceof Cubic ? self::plain($curve) : $curve;
            if ($next === null) {
                continue;
            }
            $before = $found === [] ? null : $found[count($found) - 1];
            $joined = $before === null ? null : self::joined($before, $next);
            if ($joined === null) {
                $found[] = $next;
            } else {
                $found[count($found) - 1] = $joined;
            }
        }
        if ($closed && count($found) > 1) {
            // Where it was begun there may be no corner.
            $joined = self::joined($found[count($found) - 1], $found[0]);
            if ($joined !== null) {
                array_pop($found);
                $found[0] = $joined;
            }
        }

        return array_values($found);
    }

    /** The line or the arc that a cubic stands for; itself where it is neither; null where it is nothing. */
    private static function plain(Cubic $cubic): ?Curve
    {
        [$start, $end] = [$cubic->start(), $cubic->end()];
        $chord = $end->minus($start);
        $size = $chord->length();
        if ($size === 0.0) {
            return $cubic->leaving == $start && $cubic->arriving == $end ? null : $cubic;
        }
        $off = max(abs($chord->cross($cubic->leaving->minus($start))), abs($chord->cross($cubic->arriving->minus($start)))) / $size;
        $along = [$chord->dot($cubic->leaving->minus($start)) / $size ** 2, $chord->dot($cubic->arriving->minus($start)) / $size ** 2];
        if ($off <= self::STRAIGHT * $size) {
            return min($along) >= 0.0 && max($along) <= 1.0 ? new Line($start, $end) : $cubic;
        }
        try {
            $arc = Arc::through($start, $cubic->pointAt(0.5), $end);
        } catch (Degenerate) {
            return $cubic;
        }
        if (abs($arc->sweep()) > self::WIDEST || $arc->radius() > self::FLATTEST * $size) {
            return $cubic;
        }
        foreach (self::LOOKED_AT as $share) {
            if (abs($cubic->pointAt($share)->distanceTo($arc->center()) - $arc->radius()) > self::ROUND * $arc->radius()) {
                return $cubic;
            }
        }

        return $arc;
    }

    /** Two that go on as one; null where they do not. */
    private static function joined(Curve $before, Curve $next): ?Curve
    {
        if ($before instanceof Line && $next instanceof Line) {
            [$way, $on] = [$before->end()->minus($before->start()), $next->end()->minus($next->start())];
            $isOne = abs($way->cross($on)) <= self::STRAIGHT * $way->length() * $on->length() && $way->dot($on) > 0.0;

            return $isOne ? new Line($before->start(), $next->end()) : null;
        }
        if (! $before instanceof Arc || ! $next instanceof Arc || $before->sweep() * $next->sweep() <= 0.0) {
            return null;
        }
        $radius = ($before->radius() + $next->radius()) / 2;
        $near = self::ROUND * $radius;
        $sweep = $before->sweep() + $next->sweep();
        if (
            abs($before->radius() - $next->radius()) > $near ||
            $before->center()->distanceTo($next->center()) > 2 * $near ||
            abs($sweep) > 2 * M_PI + self::ROUND
        ) {
            return null;
        }
        if ($before->start()->distanceTo($next->end()) > $near) {
            return self::through($before->start(), $before->end(), $next->end(), $sweep);
        }
        if (abs($sweep) < M_PI) {
            return null;
        }
        $circle = Arc::fullCircle(new Circle($before->center()->towards($next->center(), abs($next->sweep() / $sweep)), $radius));

        return $sweep > 0.0 ? $circle : $circle->reversed();
    }

    /** The arc through three places that turns by about so much. */
    private static function through(Vec $start, Vec $on, Vec $end, float $sweep): ?Arc
    {
        try {
            $arc = Arc::through($start, $on, $end);
        } catch (Degenerate) {
            return null;
        }

        return abs($arc->sweep() - $sweep) < 0.05 ? $arc : null;
    }
}
