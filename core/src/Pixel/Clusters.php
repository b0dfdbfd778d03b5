<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Paint\Oklab;

/**
 * A few colours that stand for many, the same ones for the same picture: S. P. Lloyd, Least squares quantization in PCM (1982), in Oklab, begun with colours
 * that lie farthest from those before.
 */
final class Clusters
{
    private const ROUNDS = 14;

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
        $points = array_map(static fn (array $box): array => [$box[0] / $box[3], $box[1] / $box[3], $box[2] / $box[3], $box[3]], array_values($boxes));
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
                    $moved = max($moved, abs($next[0] - $centres[$number][0]), abs($next[1] - $centres[$number][1]), abs($next[2] - $centres[$number][2]));
                    $centres[$number] = $next;
                }
            }
            if ($moved < 1e-4) {
                break;
            }
        }
        usort($centres, static fn (array $one, array $other): int => $one <=> $other);

        return array_values(array_unique(array_map(static fn (array $centre): string => Oklab::hex(Oklab::mixed($centre, $centre, 0.0)), $centres)));
    }

    /**
     * @param  non-empty-list<array{float, float, float, int}>  $points
     * @return non-empty-list<array{float, float, float}>
     */
    private static function begun(array $points, int $count): array
    {
        $sum = [0.0, 0.0, 0.0];
        $whole = 0;
        foreach ($points as [$l, $a, $b, $weight]) {
            $sum = [$sum[0] + $weight * $l, $sum[1] + $weight * $a, $sum[2] + $weight * $b];
            $whole += $weight;
        }
        // That which is nearest to the mean of all.
        $mean = [$sum[0] / max(1, $whole), $sum[1] / max(1, $whole), $sum[2] / max(1, $whole)];
        $off = array_map(static fn (array $point): float => ($point[0] - $mean[0]) ** 2 + ($point[1] - $mean[1]) ** 2 + ($point[2] - $mean[2]) ** 2, $points);
        [$l, $a, $b] = $points[(int) array_search(min($off), $off, true)];
        $centres = [[$l, $a, $b]];
        $far = array_fill(0, count($points), INF);
        while (count($centres) < $count) {
            [$l, $a, $b] = $centres[count($centres) - 1];
            $best = null;
            $most = 1e-6;
            foreach ($points as $number => $point) {
                $far[$number] = min($far[$number], ($point[0] - $l) ** 2 + ($point[1] - $a) ** 2 + ($point[2] - $b) ** 2);
                // What is seldom counts less.
                $worth = $far[$number] * sqrt($point[3]);
                if ($worth > $most && $far[$number] > 1e-6) {
                    [$best, $most] = [$number, $worth];
                }
            }
            if ($best === null) {
                break;
            }
            $centres[] = [$points[$best][0], $points[$best][1], $points[$best][2]];
        }

        return $centres;
    }
}
