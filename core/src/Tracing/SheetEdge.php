<?php

declare(strict_types=1);

namespace Sternbild\Core\Tracing;

use Sternbild\Core\Geometry\LineFit;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Pixel\Unreadable;

/**
 * The corners of a sheet of paper in a picture: what is bright hangs together, and four lines bound it.
 *
 * What is bright is told from the rest by N. Otsu, "A threshold selection method from gray-level histograms", IEEE Trans. SMC 9 (1979).
 */
final class SheetEdge
{
    /** Pixels on the longer side that are looked at. */
    private const LOOKED_AT = 320;

    /** Of the picture, that a sheet takes up at least. */
    private const LEAST = 0.08;

    /** How much of its four lines' frame the sheet fills; less is no sheet. */
    private const FILLED = 0.85;

    /** Of a side, from its ends, that is left out where its line is fitted: corners may be round, or bent. */
    private const ENDS = 0.12;

    /** So often the edge is looked for along a side. */
    private const PROFILES = 60;

    /** Levels of 255 that a sheet is brighter than what it lies on. */
    private const LEAST_STEP = 20;

    /** Pixels that the corners lie further in, so that nothing of what the sheet lies on is left at its rim. */
    private const SAFE = 1.0;

    /**
     * @return list<Vec>|null in pixels, clockwise from the upper left one; null where none is found
     *
     * @throws Unreadable
     */
    public static function find(PictureFile $file): ?array
    {
        $copy = GreyCopy::of($file);
        $scale = min(1.0, self::LOOKED_AT / max($file->width, $file->height));
        [$wide, $high] = [max(8, (int) round($file->width * $scale)), max(8, (int) round($file->height * $scale))];
        $grey = $copy->reduced($wide, $high);
        $bright = self::largest($grey, self::threshold($grey), $wide, $high);
        if (count($bright) < self::LEAST * $wide * $high) {
            return null;
        }
        $corners = self::corners($bright, $wide);
        $fitted = $corners === null ? null : self::fitted($corners, self::rim($bright, $wide, $high));
        if ($fitted === null) {
            return null;
        }
        $area = 0.0;
        foreach ($fitted as $k => $corner) {
            $area += $corner->cross($fitted[($k + 1) % 4]) / 2;
        }
        $isWhole = $area > 0.0 && count($bright) / $area > self::FILLED && count($bright) / $area < 1 / self::FILLED;
        // All of the picture is no sheet in it.
        $touches = count(
            array_filter($fitted, static fn (Vec $one): bool => min($one->x, $one->y, $wide - $one->x, $high - $one->y) < 1.0),
        );

        if (! $isWhole || $touches === 4) {
            return null;
        }
        $found = self::refined(
            $copy,
            array_map(static fn (Vec $one): Vec => $one->times($copy->scale / $scale), $fitted),
            $copy->scale / $scale,
        );

        return array_map(static fn (Vec $one): Vec => new Vec(round($one->x / $copy->scale, 2), round($one->y / $copy->scale, 2)), $found);
    }

    /**
     * @param  list<Vec>  $corners
     * @return list<array{float, float}> as plans write them
     */
    public static function written(array $corners): array
    {
        return array_map(static fn (Vec $corner): array => [$corner->x, $corner->y], $corners);
    }

    /**
     * The same corners as finely as the picture tells them: along each side, where it turns from dark to bright, to a fraction of a pixel.
     * A side that does not tell stays where it was.
     *
     * @param  list<Vec>  $corners  in pixels of the copy
     * @param  float  $coarse  how many of its pixels they may be off by
     * @return list<Vec>
     */
    private static function refined(GreyCopy $copy, array $corners, float $coarse): array
    {
        $lines = [];
        foreach ($corners as $k => $from) {
            $along = $corners[($k + 1) % 4]->minus($from);
            $in = $along->unit()->quarterTurned();
            $edge = [];
            for ($step = 0; $step <= self::PROFILES; $step++) {
                $on = $from->plus($along->times(self::ENDS + (1 - 2 * self::ENDS) * $step / self::PROFILES));
                $depth = self::turning($copy, $on, $in, 2.0 * $coarse + 2.0);
                if ($depth !== null) {
                    $edge[] = $on->plus($in->times($depth));
                }
            }
            $line = count($edge) < self::PROFILES / 3 ? null : self::agreed($edge);
            $way = $line === null ? $along->unit() : $line->way;
            $lines[] = [
                $line === null ? $from : $line->middle->plus($in->times(self::SAFE)),
                $way->dot($along) < 0.0 ? $way->times(-1) : $way,
            ];
        }

        return self::meetings($lines) ?? $corners;
    }

    /**
     * How far inwards from a place it turns from dark to bright: where half the way between both is passed first. Null where both are
     * alike.
     */
    private static function turning(GreyCopy $copy, Vec $on, Vec $in, float $reach): ?float
    {
        $profile = [];
        for ($depth = -$reach; $depth <= $reach; $depth += 0.5) {
            $profile[] = $copy->at($on->x + $depth * $in->x, $on->y + $depth * $in->y);
        }
        $count = count($profile);
        [$dark, $bright] = [array_sum(array_slice($profile, 0, 3)) / 3, array_sum(array_slice($profile, -3)) / 3];
        $half = ($dark + $bright) / 2;
        for ($k = 1; $bright - $dark > self::LEAST_STEP && $k < $count; $k++) {
            if ($profile[$k] >= $half) {
                return -$reach + 0.5 * ($k - 1 + ($half - $profile[$k - 1]) / max(1e-9, $profile[$k] - $profile[$k - 1]));
            }
        }

        return null;
    }

    /**
     * The line of those places that agree on one.
     *
     * @param  non-empty-list<Vec>  $places
     */
    private static function agreed(array $places): LineFit
    {
        $line = LineFit::to($places);
        for ($round = 0; $round < 4; $round++) {
            $off = array_map($line->distanceTo(...), $places);
            sort($off);
            $limit = max(0.5, 3 * $off[intdiv(count($off), 2)]);
            $places = array_values(array_filter($places, static fn (Vec $one): bool => $line->distanceTo($one) <= $limit)) ?: $places;
            $line = LineFit::to($places);
        }

        return $line;
    }

    /** @param  list<int>  $grey */
    private static function threshold(array $grey): int
    {
        $counts = array_count_values($grey) + array_fill(0, 256, 0);
        $sum = array_sum($grey);
        [$below, $sumBelow, $best, $at] = [0, 0, -1.0, 127];
        for ($level = 0; $level < 256; $level++) {
            $below += $counts[$level];
            $sumBelow += $level * $counts[$level];
            $above = count($grey) - $below;
            if ($below === 0 || $above === 0) {
                continue;
            }
            $between = $below * $above * ($sumBelow / $below - ($sum - $sumBelow) / $above) ** 2;
            if ($between > $best) {
                [$best, $at] = [$between, $level];
            }
        }

        return $at;
    }

    /**
     * @param  list<int>  $grey
     * @return array<int, true> the pixels of the largest bright region, holes in it filled row by row
     */
    private static function largest(array $grey, int $threshold, int $wide, int $high): array
    {
        $seen = [];
        $best = [];
        foreach ($grey as $pixel => $level) {
            if ($level <= $threshold || isset($seen[$pixel])) {
                continue;
            }
            $region = [$pixel];
            $seen[$pixel] = true;
            for ($k = 0; $k < count($region); $k++) {
                $x = $region[$k] % $wide;
                $those = [$x > 0 ? $region[$k] - 1 : -1, $x < $wide - 1 ? $region[$k] + 1 : -1, $region[$k] - $wide, $region[$k] + $wide];
                foreach ($those as $beside) {
                    if ($beside >= 0 && $beside < $wide * $high && ! isset($seen[$beside]) && $grey[$beside] > $threshold) {
                        $seen[$beside] = true;
                        $region[] = $beside;
                    }
                }
            }
            $best = count($region) > count($best) ? $region : $best;
        }
        $rows = $filled = [];
        foreach ($best as $pixel) {
            $row = intdiv($pixel, $wide);
            $rows[$row] = [min($rows[$row][0] ?? $pixel, $pixel), max($rows[$row][1] ?? $pixel, $pixel)];
        }
        foreach ($rows as [$from, $to]) {
            $filled += array_fill_keys(range($from, $to), true);
        }

        return $filled;
    }

    /**
     * The four that lie farthest out between the axes.
     *
     * @param  array<int, true>  $region
     * @return list<Vec>|null
     */
    private static function corners(array $region, int $wide): ?array
    {
        $far = [-INF, -INF, -INF, -INF];
        $corners = [];
        foreach ($region as $pixel => $_) {
            [$x, $y] = [$pixel % $wide, intdiv($pixel, $wide)];
            foreach ([-$x - $y, $x - $y, $x + $y, $y - $x] as $k => $reach) {
                if ($reach > $far[$k]) {
                    [$far[$k], $corners[$k]] = [$reach, new Vec($x + 0.5, $y + 0.5)];
                }
            }
        }
        ksort($corners);

        return count($corners) === 4 ? array_values($corners) : null;
    }

    /**
     * @param  array<int, true>  $region
     * @return list<Vec> middles of those of its pixels that something else stands beside
     */
    private static function rim(array $region, int $wide, int $high): array
    {
        $rim = [];
        foreach ($region as $pixel => $_) {
            [$x, $y] = [$pixel % $wide, intdiv($pixel, $wide)];
            if (
                $x === 0 ||
                $y === 0 ||
                $x === $wide - 1 ||
                $y === $high - 1 ||
                ! isset($region[$pixel - 1], $region[$pixel + 1], $region[$pixel - $wide], $region[$pixel + $wide])
            ) {
                $rim[] = new Vec($x + 0.5, $y + 0.5);
            }
        }

        return $rim;
    }

    /**
     * Where the lines meet that the rim runs along between the corners.
     *
     * @param  list<Vec>  $corners
     * @param  list<Vec>  $rim
     * @return list<Vec>|null
     */
    private static function fitted(array $corners, array $rim): ?array
    {
        $lines = [];
        foreach ($corners as $k => $from) {
            $way = $corners[($k + 1) % 4]->minus($from);
            $length = $way->length();
            if ($length < 4.0) {
                return null;
            }
            $near = array_values(array_filter($rim, static function (Vec $place) use ($from, $way, $length): bool {
                $along = $place->minus($from)->dot($way) / $length ** 2;

                return $along > self::ENDS &&
                    $along < 1 - self::ENDS &&
                    abs($way->cross($place->minus($from))) / $length < 3.0 + 0.02 * $length;
            }),
            );
            if (count($near) < 3) {
                return null;
            }
            $lines[] = self::line($near, $way->unit());
        }

        return self::meetings($lines);
    }

    /**
     * @param  list<array{Vec, Vec}>  $lines  a place on each, and its way
     * @return list<Vec>|null where each meets the one before it
     */
    private static function meetings(array $lines): ?array
    {
        $meetings = [];
        foreach ($lines as $k => [$on, $way]) {
            [$before, $back] = $lines[($k + 3) % 4];
            $cross = $back->cross($way);
            if (abs($cross) < 0.1) {
                return null;
            }
            $meetings[] = $before->plus($back->times($on->minus($before)->cross($way) / $cross));
        }

        return $meetings;
    }

    /**
     * The line that places lie nearest to, half a pixel farther out: the rim is of what is bright.
     *
     * @param  non-empty-list<Vec>  $places
     * @return array{Vec, Vec} a place on it, and its way
     */
    private static function line(array $places, Vec $about): array
    {
        $line = LineFit::to($places);
        $way = $line->way->dot($about) < 0.0 ? $line->way->times(-1) : $line->way;

        return [$line->middle->minus($way->quarterTurned()->times(0.5)), $way];
    }
}
