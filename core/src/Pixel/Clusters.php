<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Paint\Oklab;

/**
 * A few colours that stand for many, the same ones for the same picture: S. P. Lloyd, Least squares quantization in PCM (1982), in Oklab,
 * begun with clusters parted where they spread most, as by X. Wu, Efficient statistical computations for optimal color quantization,
 * Graphics Gems II (1991).
 */
final class Clusters
{
    private const ROUNDS = 14;

    /**
     * How much more differences of colour count than those of lightness; twice comes nearest to what the eye tells apart
     * (W3C, CSS Color 4, on differences in Oklab).
     */
    private const COLOUR = 2.0;

    /**
     * @param  non-empty-array<string, int>  $colours  how often each occurs, by #rrggbb
     * @return non-empty-list<string> #rrggbb, from dark to light; fewer where there are no more
     */
    public static function find(array $colours, int $count): array
    {
        ksort($colours);
        // Those that are hardly told apart count as one.
        $boxes = [];
        foreach ($colours as $hex => $weight) {
            $key = $hex[1].(hexdec($hex[2]) >> 3).$hex[3].(hexdec($hex[4]) >> 3).$hex[5].(hexdec($hex[6]) >> 3);
            [$l, $a, $b] = Oklab::coordinates((string) $hex);
            $box = $boxes[$key] ?? [0.0, 0.0, 0.0, 0];
            $boxes[$key] = [$box[0] + $weight * $l, $box[1] + $weight * $a, $box[2] + $weight * $b, $box[3] + $weight];
        }
        $points = array_map(
            static fn (array $box): array => [
                $box[0] / $box[3],
                (self::COLOUR * $box[1]) / $box[3],
                (self::COLOUR * $box[2]) / $box[3],
                $box[3],
            ],
            array_values($boxes),
        );
        $centres = self::begun($points, $count);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            /** @var array<int, array{float, float, float, int}> $sums */
            $sums = array_fill(0, count($centres), [0.0, 0.0, 0.0, 0]);
            foreach ($points as [$l, $a, $b, $weight]) {
                $best = 0;
                $nearest = INF;
                foreach ($centres as $number => $centre) {
                    $distance = ($l - $centre[0]) ** 2 + ($a - $centre[1]) ** 2 + ($b - $centre[2]) ** 2;
                    if ($distance < $nearest) {
                        [$best, $nearest] = [$number, $distance];
                    }
                }
                $sum = $sums[$best];
                $sums[$best] = [$sum[0] + $weight * $l, $sum[1] + $weight * $a, $sum[2] + $weight * $b, $sum[3] + $weight];
            }
            $moved = 0.0;
            foreach ($sums as $number => [$l, $a, $b, $weight]) {
                if ($weight > 0) {
                    $next = [$l / $weight, $a / $weight, $b / $weight];
                    $moved = max(
                        $moved,
                        abs($next[0] - $centres[$number][0]),
                        abs($next[1] - $centres[$number][1]),
                        abs($next[2] - $centres[$number][2]),
                    );
                    $centres[$number] = $next;
                }
            }
            if ($moved < 1e-4) {
                break;
            }
        }
        usort($centres, static fn (array $one, array $other): int => $one <=> $other);

        return array_values(array_unique(array_map(static function (array $centre): string {
            $at = [$centre[0], $centre[1] / self::COLOUR, $centre[2] / self::COLOUR];

            return Oklab::hex(Oklab::mixed($at, $at, 0.0));
        }, $centres)));
    }

    /**
     * Clusters are parted where they spread most, through their middle and square to the axis along which they do, until there are enough.
     *
     * @param  non-empty-list<array{float, float, float, int}>  $points
     * @return non-empty-list<array{float, float, float}>
     */
    private static function begun(array $points, int $count): array
    {
        $clusters = [self::measured($points)];
        while (count($clusters) < $count) {
            $spread = array_column($clusters, 'spread');
            $widest = (int) array_search(max($spread), $spread, true);
            ['points' => $inside, 'axis' => $axis, 'middle' => $middle] = $clusters[$widest];
            $halves = [[], []];
            foreach ($inside as $point) {
                $halves[$point[$axis] > $middle[$axis] ? 1 : 0][] = $point;
            }
            if ($halves[0] === [] || $halves[1] === []) {
                break;
            }
            $clusters[$widest] = self::measured($halves[0]);
            $clusters[] = self::measured($halves[1]);
        }

        return array_column($clusters, 'middle');
    }

    /**
     * @param  non-empty-list<array{float, float, float, int}>  $points
     * @return array{points: non-empty-list<array{float, float, float, int}>, middle: array{float, float, float}, axis: int<0, 2>, spread: float}
     */
    private static function measured(array $points): array
    {
        $sums = $squares = [0.0, 0.0, 0.0];
        $whole = 0;
        foreach ($points as $point) {
            foreach ([0, 1, 2] as $axis) {
                $sums[$axis] += $point[3] * $point[$axis];
                $squares[$axis] += $point[3] * $point[$axis] ** 2;
            }
            $whole += $point[3];
        }
        $spreads = array_map(static fn (float $square, float $sum): float => $square - $sum ** 2 / $whole, $squares, $sums);
        $axis = (int) array_search(max($spreads), $spreads, true);

        return [
            'points' => $points,
            'middle' => [$sums[0] / $whole, $sums[1] / $whole, $sums[2] / $whole],
            'axis' => $axis === 1 ? 1 : ($axis === 2 ? 2 : 0),
            'spread' => array_sum($spreads),
        ];
    }
}
