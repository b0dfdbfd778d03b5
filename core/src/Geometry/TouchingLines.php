<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** Straight lines that touch two circles, or touch one and go through a place. */
final class TouchingLines
{
    /**
     * Up to four; of a circle and a place up to two, from where they touch to the place.
     *
     * With circles of radii r and s, a distance d apart, the unit normal n of a line that keeps both on one side has n · d = r − s, one
     * that passes between them n · d = r + s (handbook formula).
     *
     * @return list<Line> from where it touches the first to where it touches the second
     *
     * @throws Degenerate for what is not round
     */
    public static function all(Curve $one, Curve|Vec $other): array
    {
        [$a, $r] = self::circle($one);
        [$b, $s] = $other instanceof Vec ? [$other, 0.0] : self::circle($other);
        $way = $b->minus($a);
        $distance = $way->length();
        if ($distance === 0.0) {
            throw new Degenerate('circles around one centre have no line that touches both');
        }
        $along = $way->times(1 / $distance);
        $lines = [];
        foreach ($s === 0.0 ? [1.0] : [1.0, -1.0] as $side) {
            $cos = ($r - $side * $s) / $distance;
            if (abs($cos) > 1.0) {
                continue;
            }
            $sin = sqrt((1.0 - $cos) * (1.0 + $cos));
            foreach ($sin === 0.0 ? [0.0] : [$sin, -$sin] as $aside) {
                $normal = $along->times($cos)->plus($along->quarterTurned()->times($aside));
                $lines[] = new Line($a->plus($normal->times($r)), $b->plus($normal->times($side * $s)));
            }
        }

        return $lines;
    }

    /**
     * @return array{Vec, float}
     *
     * @throws Degenerate
     */
    private static function circle(Curve $curve): array
    {
        return $curve instanceof Arc ? [$curve->center(), $curve->radius()] : throw new Degenerate('a line touches circles and arcs');
    }
}
