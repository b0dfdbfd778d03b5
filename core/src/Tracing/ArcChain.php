<?php

declare(strict_types=1);

namespace Sternbild\Core\Tracing;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Biarc;
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

    /** Sine of the angle by which an arc may arrive otherwise than the line goes on. */
    private const AGREES = 0.05;

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
        $end = count($places) - 1;
        if ($end < self::FEWEST) {
            throw new Degenerate('the line is too short for arcs along it');
        }
        // The first one is free to begin as it likes: in the direction of the circle that lies nearest to as much as keeps to one.
        [$start, $way] = self::beginning($places, $within);
        $curves = [];
        $at = 0;
        do {
            [$far, $best] = self::reach($places, $start, $way, $at, $within);
            if ($best === [] || count($curves) > self::MOST) {
                throw new Degenerate('no arcs keep within that deviation; with more of it they may');
            }
            $curves = [...$curves, ...$best];
            $last = $best[count($best) - 1];
            [$start, $way, $at] = [$last->end(), $last->tangentAt(1.0), $far];
        } while ($at < $end);

        return $curves;
    }

    /**
     * How far one arc, or two, keep within the deviation.
     *
     * @param  list<Vec>  $places
     * @return array{int, list<Curve>}
     */
    private static function reach(array $places, Vec $start, Vec $way, int $at, float $within): array
    {
        $last = count($places) - 1;
        [$good, $best] = [$at, []];
        $step = self::FEWEST;
        $grows = true;
        // Ever farther while it keeps, then half-way back.
        while ($step >= 1 && $good < $last) {
            $to = min($last, $good + $step);
            $arcs = self::keeping($places, $start, $way, $at, $to, $within);
            if ($arcs !== null) {
                [$good, $best] = [$to, $arcs];
                $step = $grows ? 2 * $step : intdiv($step, 2);
            } else {
                $grows = false;
                $step = intdiv($step, 2);
            }
        }

        return [$good, $best];
    }

    /**
     * One arc to a place, where it arrives there as the line goes on; else two, which always can.
     *
     * @param  list<Vec>  $places
     * @return list<Curve>|null null where neither keeps within the deviation
     */
    private static function keeping(array $places, Vec $start, Vec $way, int $at, int $to, float $within): ?array
    {
        $onward = $places[min(count($places) - 1, $to + self::FEWEST)]->minus($places[max(0, $to - self::FEWEST)])->unit();
        $one = Biarc::leaving($start, $way, $places[$to], self::FLAT);
        if (
            $one !== null &&
            ($to === count($places) - 1 || abs($one->tangentAt(1.0)->cross($onward)) < self::AGREES) &&
            self::isNear([$one], $places, $at, $to, $within)
        ) {
            return [$one];
        }
        $two = Biarc::between($start, $way, $places[$to], $onward, self::FLAT);

        return $two !== null && self::isNear($two, $places, $at, $to, $within) ? $two : null;
    }

    /**
     * @param  non-empty-list<Curve>  $arcs
     * @param  list<Vec>  $places
     */
    private static function isNear(array $arcs, array $places, int $at, int $to, float $within): bool
    {
        for ($k = $at + 1; $k < $to; $k++) {
            $near = min(
                array_map(static fn (Curve $arc): float => $arc->pointAt($arc->nearest($places[$k]))->distanceTo($places[$k]), $arcs),
            );
            if ($near > $within) {
                return false;
            }
        }

        return true;
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
