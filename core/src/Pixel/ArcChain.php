<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\CircleFit;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/** Arcs one after another along a line, each leaving where the one before ends and in its direction; as few as keep within a deviation. */
final class ArcChain
{
    /** Places to either side over which the line is smoothed, so that grain does not turn an arc. */
    private const SMOOTHED = 4;

    /** Places that an arc goes along at least. */
    private const FEWEST = 6;

    private const MOST = 200;

    /** Of its chord: an arc that bulges less is straight. */
    private const FLAT = 1e-4;

    /**
     * @param  list<Vec>  $places  of the line, in order
     * @param  float  $within  how far they may lie from the arcs
     * @return non-empty-list<Curve>
     *
     * @throws Degenerate
     */
    public static function along(array $places, float $within): array
    {
        $places = self::smooth($places);
        $last = count($places) - 1;
        if ($last < self::FEWEST) {
            throw new Degenerate('the line is too short for arcs along it');
        }
        // The first one is free to begin as it likes: in the direction of the circle that lies nearest to as much as keeps to one.
        [$start, $way] = self::beginning($places, $within);
        $curves = [];
        $at = 0;
        do {
            $best = null;
            $far = self::reach($places, $start, $way, $at, $within, $best);
            if ($best === null || count($curves) >= self::MOST) {
                throw new Degenerate('no arcs keep within that deviation; with more of it they may');
            }
            $curves[] = $best;
            [$start, $way, $at] = [$best->end(), $best->tangentAt(1.0), $far];
        } while ($at < $last);

        return $curves;
    }

    /**
     * How far one arc keeps within the deviation; the last arc that did is left in $best.
     *
     * @param  list<Vec>  $places
     */
    private static function reach(array $places, Vec $start, Vec $way, int $at, float $within, ?Curve &$best): int
    {
        $last = count($places) - 1;
        $keeps = static function (int $to) use ($places, $start, $way, $at, $within): ?Curve {
            $arc = self::tangent($start, $way, $places[$to]);
            for ($k = $at + 1; $arc !== null && $k <= $to; $k++) {
                if ($arc->pointAt($arc->nearest($places[$k]))->distanceTo($places[$k]) > $within) {
                    return null;
                }
            }

            return $arc;
        };
        $good = $at;
        $step = self::FEWEST;
        // Ever farther while it keeps, then half-way back.
        while ($step >= 1 && $good < $last) {
            $to = min($last, $good + $step);
            $arc = $keeps($to);
            if ($arc !== null) {
                [$good, $best] = [$to, $arc];
                $step *= 2;
            } else {
                $step = $step > 1 && $good > $at ? intdiv($step, 2) : ($good === $at && $step > 1 ? $step - 1 : 0);
            }
        }

        return $good;
    }

    /** The arc from a place in a direction to another; straight where it hardly bends; null where it would turn back. */
    private static function tangent(Vec $start, Vec $way, Vec $to): ?Curve
    {
        $chord = $to->minus($start);
        $length = $chord->length();
        if ($length === 0.0 || $way->dot($chord) <= 0.0) {
            return null;
        }
        $sine = $way->cross($chord) / $length;
        if (abs($sine) < self::FLAT) {
            return new Line($start, $to);
        }
        // The centre lies square to the way, as far from either end.
        $radius = $length / (2 * $sine);
        $center = $start->plus($way->quarterTurned()->times($radius));

        return Arc::around($center, abs($radius), $start, $to, $radius > 0.0);
    }

    /**
     * @param  list<Vec>  $places
     * @return array{Vec, Vec}
     */
    private static function beginning(array $places, float $within): array
    {
        $count = count($places);
        $found = null;
        for ($size = max(self::FEWEST, intdiv($count, 40)); $size <= $count; $size = (int) ceil($size * 1.4)) {
            $some = array_slice($places, 0, $size);
            try {
                $circle = CircleFit::to($some);
            } catch (Degenerate) {
                break;
            }
            if (array_filter($some, static fn (Vec $place): bool => abs($circle->distanceTo($place)) > $within) !== []) {
                break;
            }
            $found = [$circle, $some];
        }
        if ($found === null) {
            return [$places[0], $places[min($count - 1, self::FEWEST)]->minus($places[0])->unit()];
        }
        [$circle, $some] = $found;
        $out = $some[0]->minus($circle->center)->unit();
        $way = $out->quarterTurned();
        $onward = $some[min(count($some) - 1, self::FEWEST)]->minus($some[0]);

        return [$circle->center->plus($out->times($circle->radius)), $way->dot($onward) > 0.0 ? $way : $way->times(-1)];
    }

    /**
     * @param  list<Vec>  $places
     * @return list<Vec>
     */
    private static function smooth(array $places): array
    {
        $smooth = [];
        $last = count($places) - 1;
        foreach (array_keys($places) as $k) {
            $reach = min(self::SMOOTHED, $k, $last - $k);
            $sum = Vec::zero();
            for ($beside = -$reach; $beside <= $reach; $beside++) {
                $sum = $sum->plus($places[$k + $beside]);
            }
            $smooth[] = $sum->times(1 / (2 * $reach + 1));
        }

        return $smooth;
    }
}
