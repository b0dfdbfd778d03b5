<?php

declare(strict_types=1);

namespace Sternbild\Core\Tracing;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Vec;

/**
 * Places of a line in a picture, to a fraction of a pixel: across a rough way along it, where it is darkest or lightest, or where dark
 * meets light.
 *
 * A line is taken at the middle of what it weighs, an edge at the middle of its slope; both are exact for any stroke that is the same on
 * either side.
 */
final class LineTrace
{
    /** Places that are looked at along the way. */
    private const MOST = 1_200;

    /** Pixels between two looks across. */
    private const STRIDE = 0.5;

    /** Of 255: a line or an edge that stands out less is none. */
    private const FAINTEST = 10.0;

    /** Of the looks, that a line is seen in at least: it may be crossed, or broken. */
    private const SEEN = 0.3;

    /** Standard deviations of the grain that a line stands out by at least. */
    private const GRAIN = 3.5;

    /** Pixels apart that grain is no more alike over. */
    private const UNLIKE = 2.0;

    /** Standard deviations to the median of absolute differences of two. */
    private const NORMAL = 1.4826 / M_SQRT2;

    /** Pixels between two looks, for the slope of an edge. */
    private const SLOPE = 1.5;

    /**
     * @param  list<Vec>  $way  in pixels of the copy, at least two
     * @param  float  $reach  pixels to either side
     * @param  float  $least  by how much it stands out, of 255
     * @return list<Vec> in pixels of the copy; none where it is seen in too few looks to be a line
     */
    public static function along(GreyCopy $grey, array $way, float $reach, float $least): array
    {
        $spots = self::spots($way);
        $half = max(2, (int) ceil($reach / self::STRIDE));
        Budget::spend(count($spots) * $half / 2);
        $profiles = [];
        $lines = $edges = 0;
        foreach ($spots as $k => [$place, $normal]) {
            $profile = array_map(
                static fn (int $step): float => $grey->at(
                    $place->x + $normal->x * $step * self::STRIDE,
                    $place->y + $normal->y * $step * self::STRIDE,
                ),
                range(-$half, $half),
            );
            $profiles[$k] = $profile;
            [$left, $right] = self::ends($profile);
            $stands = max(
                array_map(
                    static fn (float $one, int $at): float => abs($one - $left - (($right - $left) * $at) / (2 * $half)),
                    $profile,
                    array_keys($profile),
                ),
            );
            abs($right - $left) > 0.8 * $stands ? $edges++ : $lines++;
        }
        $found = [];
        foreach ($profiles as $k => $profile) {
            $off = $edges > $lines ? self::edge($profile, $half, $least) : self::line($profile, $half, $least);
            if ($off !== null) {
                $found[] = $spots[$k][0]->plus($spots[$k][1]->times($off * self::STRIDE));
            }
        }

        return count($found) < self::SEEN * count($spots) ? [] : $found;
    }

    /**
     * By how much a line has to stand out beside a way, of 255: more than grain does. Its standard deviation is told by the median of what
     * differs a little way apart, farther off on either side than the line is looked for.
     *
     * @param  list<Vec>  $way  in pixels of the copy, at least two
     * @param  float  $reach  pixels to either side
     */
    public static function least(GreyCopy $grey, array $way, float $reach): float
    {
        $differences = [];
        $spots = self::spots($way);
        $every = max(1, intdiv(count($spots), 60));
        Budget::spend(2 * count($spots) / $every * $reach);
        foreach ($spots as $k => [$place, $normal]) {
            for ($off = $k % $every === 0 ? $reach : INF; $off < 3 * $reach; $off++) {
                foreach ([-1, 1] as $side) {
                    [$near, $far] = [
                        $place->plus($normal->times($side * $off)),
                        $place->plus($normal->times($side * ($off + self::UNLIKE))),
                    ];
                    $differences[] = abs($grey->at($near->x, $near->y) - $grey->at($far->x, $far->y));
                }
            }
        }
        sort($differences);

        return max(self::FAINTEST, self::GRAIN * self::NORMAL * ($differences[intdiv(count($differences), 2)] ?? 0.0));
    }

    /**
     * Evenly along the way, each with what is square to it there.
     *
     * @param  list<Vec>  $way
     * @return list<array{Vec, Vec}>
     */
    private static function spots(array $way): array
    {
        $length = 0.0;
        foreach (array_slice($way, 1) as $k => $place) {
            $length += $place->distanceTo($way[$k]);
        }
        $stride = max(1.0, $length / self::MOST);
        $spots = [];
        $due = 0.0;
        foreach (array_slice($way, 1) as $k => $to) {
            $from = $way[$k];
            $size = $from->distanceTo($to);
            if ($size === 0.0) {
                continue;
            }
            $normal = $to->minus($from)->times(1 / $size)->quarterTurned();
            for (; $due <= $size; $due += $stride) {
                $spots[] = [$from->towards($to, $due / $size), $normal];
            }
            $due -= $size;
        }

        return $spots;
    }

    /**
     * How light it is on either side, beyond what is looked for.
     *
     * @param  non-empty-list<float>  $profile
     * @return array{float, float}
     */
    private static function ends(array $profile): array
    {
        $quarter = max(1, intdiv(count($profile), 6));
        $median = static function (array $values): float {
            sort($values);

            return (float) $values[intdiv(count($values), 2)];
        };

        return [$median(array_slice($profile, 0, $quarter)), $median(array_slice($profile, -$quarter))];
    }

    /**
     * The middle of a line, in strides from the middle of the look; null where none stands out.
     *
     * @param  non-empty-list<float>  $profile
     */
    private static function line(array $profile, int $half, float $least): ?float
    {
        [$left, $right] = self::ends($profile);
        $stands = [];
        foreach ($profile as $at => $one) {
            $stands[] = $one - $left - ($right - $left) * $at / (2 * $half);
        }
        // Dark on light, or light on dark, whichever stands out more.
        $sign = -min($stands) > max($stands) ? -1.0 : 1.0;
        $weights = array_map(static fn (float $one): float => max(0.0, $sign * $one), $stands);

        return self::middle($weights, $half, $least);
    }

    /**
     * The middle of an edge.
     *
     * @param  non-empty-list<float>  $profile
     */
    private static function edge(array $profile, int $half, float $least): ?float
    {
        $apart = (int) round(self::SLOPE / self::STRIDE);
        $last = count($profile) - 1;
        $slopes = [];
        foreach (array_keys($profile) as $at) {
            $slopes[] = $profile[min($last, $at + $apart)] - $profile[max(0, $at - $apart)];
        }
        $sign = -min($slopes) > max($slopes) ? -1.0 : 1.0;

        return self::middle(array_map(static fn (float $one): float => max(0.0, $sign * $one), $slopes), $half, $least);
    }

    /**
     * The middle of what weighs about the heaviest place.
     *
     * @param  non-empty-list<float>  $weights
     */
    private static function middle(array $weights, int $half, float $least): ?float
    {
        $most = max($weights);
        if ($most < $least) {
            return null;
        }
        $peak = (int) array_search($most, $weights, true);
        $floor = 0.3 * $most;
        [$from, $to] = [$peak, $peak];
        while ($from > 0 && $weights[$from - 1] > $floor) {
            $from--;
        }
        while ($to < count($weights) - 1 && $weights[$to + 1] > $floor) {
            $to++;
        }
        // What reaches to the end of the look is not seen whole.
        if ($from === 0 || $to === count($weights) - 1) {
            return null;
        }
        [$sum, $moment] = [0.0, 0.0];
        for ($at = $from; $at <= $to; $at++) {
            $weight = $weights[$at] - $floor;
            $sum += $weight;
            $moment += $weight * ($at - $half);
        }

        return $sum > 0.0 ? $moment / $sum : null;
    }
}
