<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** The curves through points, each way bent as is said. */
final class BentWay
{
    /**
     * @param  list<Vec>  $points  two or more
     * @param  list<Bend|null>  $bends  one a way; null, or none, is straight
     * @param  bool  $isClosed  whether the last bend leads back to the first point
     * @return list<Curve> ways between equal points are left out
     *
     * @throws CannotBend
     */
    public static function curves(array $points, array $bends, bool $isClosed): array
    {
        return array_values(self::ways($points, $bends, $isClosed));
    }

    /**
     * The same by the number of their way, from 0.
     *
     * @param  list<Vec>  $points  two or more
     * @param  list<Bend|null>  $bends
     * @return array<int, Curve>
     *
     * @throws CannotBend
     */
    public static function ways(array $points, array $bends, bool $isClosed): array
    {
        Budget::spend(3 * count($points));
        $count = count($points);
        $ways = $isClosed ? $count : $count - 1;
        // A tangent way hangs on the one before it; begin behind one that does not.
        $first = 0;
        while ($isClosed && $first < $ways && ($bends[($first + $ways - 1) % $ways] ?? null)?->isTangent() === true) {
            $first++;
        }
        if ($first === $ways && $ways > 0) {
            throw new CannotBend(0, 'every way is tangent to the one before it, and none says where to begin');
        }
        $curves = [];
        $heading = null;
        if ($isClosed) {
            $before = ($first + $ways - 1) % $ways;
            $heading = self::curve($points, $bends, $before, null)?->tangentAt(1.0);
        }
        for ($k = 0; $k < $ways; $k++) {
            $way = ($first + $k) % $ways;
            $curve = self::curve($points, $bends, $way, $heading);
            if ($curve !== null) {
                $curves[$way] = $curve;
                $heading = $curve->tangentAt(1.0);
            }
        }
        ksort($curves);

        return $curves;
    }

    /**
     * @param  list<Vec>  $points
     * @param  list<Bend|null>  $bends
     *
     * @throws CannotBend
     */
    private static function curve(array $points, array $bends, int $way, ?Vec $heading): ?Curve
    {
        $from = $points[$way];
        $to = $points[($way + 1) % count($points)];
        $bend = $bends[$way] ?? null;
        if ($from->x === $to->x && $from->y === $to->y && ($bend === null || $bend->isTangent())) {
            return null;
        }
        try {
            return $bend === null ? new Line($from, $to) : $bend->curve($from, $to, $heading);
        } catch (Degenerate $fault) {
            throw new CannotBend($way, $fault->getMessage());
        }
    }
}
