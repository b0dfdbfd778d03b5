<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Paint\Ciede2000;
use Sternbild\Core\Paint\Oklab;

/** Cells held to a few colours: each gets the nearest of them, or those by turns that come to it from afar. */
final class Held
{
    /** How far, in lightness of Oklab, an ordered dither reaches at most. */
    private const REACH = 0.16;

    /** @var array<string, int> the nearest colour, by what was asked for */
    private array $known = [];

    /** @var list<array{float, float, float}> */
    private readonly array $measured;

    /**
     * @param  non-empty-list<string>  $colours  #rrggbb
     * @param  'ciede2000'|'oklab'  $near
     */
    public function __construct(private readonly array $colours, private readonly string $near)
    {
        $this->measured = array_map($near === 'oklab' ? Oklab::coordinates(...) : Ciede2000::lab(...), $colours);
    }

    /**
     * @param  array<int, string>  $cells  #rrggbb
     * @param  'none'|'ordered'|'spread'  $dither
     * @param  int|null  $columns  in a row of them; null where they do not lie so, and are not dithered
     * @return array<int, int> the number of the colour that each gets
     */
    public function each(array $cells, string $dither, ?int $columns): array
    {
        if ($dither === 'spread' && $columns !== null) {
            return $this->spread($cells, $columns);
        }
        $held = [];
        foreach ($cells as $cell => $hex) {
            if ($dither === 'ordered' && $columns !== null) {
                $threshold = Bayer::matrixOf(8)[intdiv($cell, $columns) % 8][$cell % $columns % 8];
                $at = Oklab::coordinates($hex);
                $at[0] += self::REACH * (($threshold + 0.5) / 64 - 0.5);
                $hex = Oklab::hex(array_map(static fn (float $one): float => max(0.0, min(1.0, $one)), Oklab::mixed($at, $at, 0.0)));
            }
            $held[$cell] = $this->nearest($hex);
        }

        return $held;
    }

    public function nearest(string $hex): int
    {
        if (isset($this->known[$hex])) {
            return $this->known[$hex];
        }
        $at = $this->near === 'oklab' ? Oklab::coordinates($hex) : Ciede2000::lab($hex);
        $best = 0;
        $nearest = INF;
        foreach ($this->measured as $number => $one) {
            $distance =
                $this->near === 'oklab'
                    ? ($at[0] - $one[0]) ** 2 + ($at[1] - $one[1]) ** 2 + ($at[2] - $one[2]) ** 2
                    : Ciede2000::between($at, $one);
            if ($distance < $nearest) {
                [$best, $nearest] = [$number, $distance];
            }
        }

        return $this->known[$hex] = $best;
    }

    /**
     * What each is off by goes on to its neighbours: R. W. Floyd and L. Steinberg, An adaptive algorithm for spatial greyscale, Proceedings
     * of the SID 17 (1976).
     *
     * @param  array<int, string>  $cells
     * @return array<int, int>
     */
    private function spread(array $cells, int $columns): array
    {
        ksort($cells);
        $off = $held = [];
        foreach ($cells as $cell => $hex) {
            $wanted = [];
            foreach ([1, 3, 5] as $k => $at) {
                $wanted[] = max(0.0, min(255.0, hexdec(substr($hex, $at, 2)) + ($off[$cell][$k] ?? 0.0)));
            }
            $held[$cell] = $this->nearest(
                sprintf('#%02x%02x%02x', ...array_map(static fn (float $one): int => (int) round($one), $wanted)),
            );
            $column = $cell % $columns;
            foreach (
                [
                    [$cell + 1, 7, $column + 1 < $columns],
                    [$cell + $columns - 1, 3, $column > 0],
                    [$cell + $columns, 5, true],
                    [$cell + $columns + 1, 1, $column + 1 < $columns],
                ] as [$next, $share, $isThere]
            ) {
                foreach ($isThere && isset($cells[$next]) ? [1, 3, 5] : [] as $k => $at) {
                    $off[$next][$k] =
                        ($off[$next][$k] ?? 0.0) + (($wanted[$k] - hexdec(substr($this->colours[$held[$cell]], $at, 2))) * $share) / 16;
                }
            }
            unset($off[$cell]);
        }

        return $held;
    }
}
