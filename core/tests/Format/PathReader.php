<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Format;

/** An independent reader of SVG path data, which knows nothing of the core: for what is written, what does it enclose? */
final class PathReader
{
    /** The area that closed subpaths enclose, from a fine polygon along every arc. */
    public static function area(string $data): float
    {
        preg_match_all('/[MLHVAZ]|-?\d*\.?\d+(?:[eE][-+]?\d+)?/', $data, $found);
        $words = $found[0];
        $area = $x = $y = $startX = $startY = 0.0;
        $line = static function (float $toX, float $toY) use (&$area, &$x, &$y): void {
            $area += ($x * $toY - $y * $toX) / 2;
            [$x, $y] = [$toX, $toY];
        };
        for ($at = 0; $at < count($words);) {
            $command = $words[$at++];
            $take = static function () use ($words, &$at): float {
                return (float) $words[$at++];
            };
            switch ($command) {
                case 'M': [$x, $y] = [$startX, $startY] = [$take(), $take()];
                    break;
                case 'L': $line($take(), $take());
                    break;
                case 'H': $line($take(), $y);
                    break;
                case 'V': $line($x, $take());
                    break;
                case 'Z': $line($startX, $startY);
                    break;
                case 'A':
                    [$rx, , , $large, $sweep, $toX, $toY] = [$take(), $take(), $take(), $take() === 1.0, $take() === 1.0, $take(), $take()];
                    foreach (self::along($x, $y, $rx, $large, $sweep, $toX, $toY) as [$px, $py]) {
                        $line($px, $py);
                    }
                    break;
                default: throw new \UnexpectedValueException("A number without a command: $command");
            }
        }

        return $area;
    }

    /**
     * Points along an arc; centre from the end points as in SVG 2, appendix B.2.4 (implementation notes), for rx = ry and no rotation.
     *
     * @return list<array{float, float}>
     */
    private static function along(float $x1, float $y1, float $r, bool $large, bool $sweep, float $x2, float $y2): array
    {
        $dx = ($x1 - $x2) / 2;
        $dy = ($y1 - $y2) / 2;
        $half = hypot($dx, $dy);
        $r = max($r, $half);
        $factor = ($large === $sweep ? -1 : 1) * sqrt(max(0.0, $r * $r - $half * $half)) / $half;
        $cx = $factor * $dy + ($x1 + $x2) / 2;
        $cy = -$factor * $dx + ($y1 + $y2) / 2;
        $from = atan2($y1 - $cy, $x1 - $cx);
        $turn = atan2($y2 - $cy, $x2 - $cx) - $from;
        if ($sweep && $turn < 0) {
            $turn += 2 * M_PI;
        } elseif (! $sweep && $turn > 0) {
            $turn -= 2 * M_PI;
        }
        $points = [];
        $stops = 2000;
        for ($k = 1; $k < $stops; $k++) {
            $points[] = [$cx + $r * cos($from + $turn * $k / $stops), $cy + $r * sin($from + $turn * $k / $stops)];
        }
        $points[] = [$x2, $y2];

        return $points;
    }
}
