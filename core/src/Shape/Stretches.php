<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Curve;

/** A way cut into stretches, each reaching a little under the one that follows it, so that nothing shows between them. */
final class Stretches
{
    /**
     * @param  non-empty-list<Curve>  $way  each begins where the one before ends
     * @param  int  $count  so many stretches at least, 1 or more
     * @param  bool  $isClosed  whether it ends where it begins; then the last stretch comes first as well, under the beginning
     * @return list<array{non-empty-list<Curve>, float}> from the lowest to the topmost, and for each the share of the way where its middle
     *   is
     */
    public static function along(array $way, int $count, bool $isClosed): array
    {
        $lengths = array_map(static fn (Curve $curve): float => $curve->length(), $way);
        $whole = array_sum($lengths);
        $pieces = $middles = [];
        $before = 0.0;
        foreach ($way as $number => $curve) {
            $parts = max(1, (int) ceil($count * $lengths[$number] / $whole));
            for ($part = 0; $part < $parts; $part++) {
                $pieces[] = $parts === 1 ? $curve : $curve->part($part / $parts, ($part + 1) / $parts);
                $middles[] = ($before + $curve->part(0.0, ($part + 0.5) / $parts)->length()) / $whole;
            }
            $before += $lengths[$number];
        }
        $last = count($pieces) - 1;
        $stretches = $isClosed ? [[[$pieces[$last], $pieces[0]], $middles[$last]]] : [];
        foreach ($pieces as $number => $piece) {
            $stretches[] = [isset($pieces[$number + 1]) ? [$piece, $pieces[$number + 1]] : [$piece], $middles[$number]];
        }

        return $stretches;
    }
}
