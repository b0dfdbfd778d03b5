<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Two arcs from a place to another, that leave one and arrive at the other in given directions and go over into one another without a
 * corner: they meet where both leave their ends by equal ways (K. M. Bolton, Biarc curves, Computer-Aided Design 7, 1975).
 */
final class Biarc
{
    /** So little does an arc bend that is straight, as a sine, unless said. */
    private const FLAT = 1e-9;

    /**
     * @param  Vec  $way  the direction at the start, and $onward at the end, of length 1
     * @param  float  $flat  sine of the angle between a direction and a chord: an arc that bends less is straight
     * @return array{Curve, Curve}|null null where they would turn back
     */
    public static function between(Vec $start, Vec $way, Vec $end, Vec $onward, float $flat = self::FLAT): ?array
    {
        $chord = $end->minus($start);
        $sum = $way->plus($onward);
        $apart = 2 * (1 - $way->dot($onward));
        $reach = $apart < 1e-9
            ? ($chord->dot($onward) > 0.0 ? $chord->dot($chord) / (4 * $chord->dot($onward)) : -1.0)
            : (-$chord->dot($sum) + sqrt($chord->dot($sum) ** 2 + $apart * $chord->dot($chord))) / $apart;
        if ($reach <= 0.0) {
            return null;
        }
        $middle = $start->plus($end)->plus($way->minus($onward)->times($reach))->times(0.5);
        $first = self::leaving($start, $way, $middle, $flat);
        $second = $first === null ? null : self::leaving($middle, $first->tangentAt(1.0), $end, $flat);

        return $first === null || $second === null ? null : [$first, $second];
    }

    /** The arc from a place in a direction to another; straight where it hardly bends; null where it would turn back. */
    public static function leaving(Vec $start, Vec $way, Vec $to, float $flat = self::FLAT): ?Curve
    {
        $chord = $to->minus($start);
        $length = $chord->length();
        if ($length === 0.0 || $way->dot($chord) <= 0.0) {
            return null;
        }
        $sine = $way->cross($chord) / $length;
        if (abs($sine) < $flat) {
            return new Line($start, $to);
        }
        // The centre lies square to the way, as far from either end.
        $radius = $length / (2 * $sine);
        $center = $start->plus($way->quarterTurned()->times($radius));

        return Arc::around($center, abs($radius), $start, $to, $radius > 0.0);
    }
}
