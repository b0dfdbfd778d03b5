<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * Where two cubics meet, by dividing both in turn wherever the boxes of their control points overlap.
 *
 * A pair of pieces is settled when both are as good as straight: then their chords say where to start, and Newton's method goes on from
 * there on the curves themselves. Pieces that stay close without becoming straight apart run along one another; they are divided down to a
 * limit and give the ends of what they share by way of Intersections.
 */
final class CubicMeetings
{
    /** A piece whose handles leave its chord by less than this share of it is as good as straight. */
    private const STRAIGHT = 1e-3;

    /** Halvings of either curve before a pair is taken as it is. */
    private const DEEPEST = 40;

    /** Two cubics cross at nine places at most (Bézout's theorem): more mean that they run along one another, and no more are looked for. */
    private const MOST = 9;

    /** Pairs of pieces, likewise; nine crossings take about three hundred. */
    private const MOST_PAIRS = 2_000;

    /** @return list<Vec> */
    public static function find(Cubic $one, Cubic $other, float $tolerance): array
    {
        if (self::runAlong($one, $other, $tolerance)) {
            return [];
        }
        $found = [];
        $pairs = 0;
        $open = [[0.0, 1.0, $one, 0.0, 1.0, $other, 0]];
        while ($open !== [] && ++$pairs < self::MOST_PAIRS && count($found) <= self::MOST) {
            [$s0, $s1, $a, $t0, $t1, $b, $depth] = array_pop($open);
            if (! $a->hull()->meets($b->hull(), $tolerance)) {
                continue;
            }
            $straightA = self::isStraight($a);
            $straightB = self::isStraight($b);
            if (($straightA && $straightB) || $depth >= self::DEEPEST) {
                $place = self::settled($one, $other, ($s0 + $s1) / 2, ($t0 + $t1) / 2, $tolerance);
                if ($place !== null && ! self::isAmong($found, $place, 4 * $tolerance)) {
                    $found[] = $place;
                }
                if ($depth >= self::DEEPEST || self::turnsApart($a, $b)) {
                    continue;
                }
            }
            // Divide the longer one.
            $divideA = $a->hull()->size() >= $b->hull()->size();
            if ($divideA) {
                $middle = ($s0 + $s1) / 2;
                [$left, $right] = $a->split(0.5);
                $open[] = [$s0, $middle, $left, $t0, $t1, $b, $depth + 1];
                $open[] = [$middle, $s1, $right, $t0, $t1, $b, $depth + 1];
            } else {
                $middle = ($t0 + $t1) / 2;
                [$left, $right] = $b->split(0.5);
                $open[] = [$s0, $s1, $a, $t0, $middle, $left, $depth + 1];
                $open[] = [$s0, $s1, $a, $middle, $t1, $right, $depth + 1];
            }
        }

        return $found;
    }

    /** Whether two of their four ends lie on the other, and the way between them as well: then the ends say all there is to say. */
    private static function runAlong(Cubic $one, Cubic $other, float $tolerance): bool
    {
        foreach ([[$one, $other], [$other, $one]] as [$a, $b]) {
            $stops = [];
            foreach ([0.0, 1.0] as $end) {
                if (self::lieson($a->pointAt($end), $b, $tolerance)) {
                    $stops[] = $end;
                }
                $t = $a->nearest($b->pointAt($end));
                if ($a->pointAt($t)->distanceTo($b->pointAt($end)) <= $tolerance) {
                    $stops[] = $t;
                }
            }
            if (count($stops) < 2 || max($stops) - min($stops) < 1e-9) {
                continue;
            }
            [$from, $to] = [min($stops), max($stops)];
            $together = true;
            foreach ([0.21, 0.5, 0.77] as $share) {
                $together = $together && self::lieson($a->pointAt($from + ($to - $from) * $share), $b, $tolerance);
            }
            if ($together) {
                return true;
            }
        }

        return false;
    }

    private static function lieson(Vec $place, Cubic $curve, float $tolerance): bool
    {
        return $curve->pointAt($curve->nearest($place))->distanceTo($place) <= $tolerance;
    }

    private static function isStraight(Cubic $curve): bool
    {
        $chord = $curve->end()->minus($curve->start());
        $length = $chord->length();
        if ($length === 0.0) {
            return false;
        }
        $off = max(abs($chord->cross($curve->leaving->minus($curve->start()))), abs($chord->cross($curve->arriving->minus($curve->start())))) / $length;

        return $off <= self::STRAIGHT * $length;
    }

    /** Whether two straight pieces differ so much in direction that they cross once at most. */
    private static function turnsApart(Cubic $a, Cubic $b): bool
    {
        return abs($a->end()->minus($a->start())->unit()->cross($b->end()->minus($b->start())->unit())) > 8 * self::STRAIGHT;
    }

    /** Newton's method on one(s) = other(t); null where it does not come to rest within both. */
    private static function settled(Cubic $one, Cubic $other, float $s, float $t, float $tolerance): ?Vec
    {
        for ($round = 0; $round < 30; $round++) {
            $gap = $other->pointAt($t)->minus($one->pointAt($s));
            $u = $one->velocity($s);
            $v = $other->velocity($t);
            $turn = $u->cross($v);
            if ($turn === 0.0) {
                break;
            }
            $ds = $gap->cross($v) / $turn;
            $dt = $gap->cross($u) / $turn;
            $s = min(1.0, max(0.0, $s + $ds));
            $t = min(1.0, max(0.0, $t + $dt));
            if (abs($ds) + abs($dt) < 1e-15) {
                break;
            }
        }
        $place = $one->pointAt($s);

        return $place->distanceTo($other->pointAt($t)) <= $tolerance ? $place : null;
    }

    /** @param  list<Vec>  $places */
    private static function isAmong(array $places, Vec $place, float $within): bool
    {
        foreach ($places as $known) {
            if ($known->distanceTo($place) <= $within) {
                return true;
            }
        }

        return false;
    }
}
