<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;

/** What a group is made of, as signs on the sheet: turning centres, mirrors and glides of one cell, in lattice coordinates. */
final class Elements
{
    private const SAME = 1e-6;

    /** @var array<string, array{centres: list<array{float, float, int}>, lines: list<array{float, float, float, float, bool}>}> */
    private static array $known = [];

    /**
     * @param  list<Affine>  $positions  of the group
     * @param  bool  $isFrieze  whether it repeats along the first way only
     * @return array{centres: list<array{float, float, int}>, lines: list<array{float, float, float, float, bool}>} places and orders of
     *   turning centres; of every
     *   line a place, a way and whether it glides
     */
    public static function ofGroup(string $group, array $positions, bool $isFrieze): array
    {
        return self::$known[($isFrieze ? 'frieze ' : '').$group] ??= self::found($positions, $isFrieze ? [0] : [-1, 0, 1]);
    }

    /**
     * @param  list<Affine>  $positions
     * @param  list<int>  $rows
     * @return array{centres: list<array{float, float, int}>, lines: list<array{float, float, float, float, bool}>}
     */
    private static function found(array $positions, array $rows): array
    {
        $centres = $mirrors = $glides = [];
        foreach ($positions as $position) {
            foreach ($rows as $row) {
                foreach ([-1, 0, 1] as $column) {
                    $map = $position->then(Affine::move(new Vec((float) $column, (float) $row)));
                    if ($map->isMirrored()) {
                        [$key, $line] = self::line($map, $rows !== [0]);
                        $line[4] ? $glides[$key] ??= $line : $mirrors[$key] = $line;
                    } elseif (abs($map->a + $map->d - 2.0) > self::SAME) {
                        $order = [-2 => 2, -1 => 3, 0 => 4, 1 => 6][(int) round($map->a + $map->d)] ?? 2;
                        $at = self::centre($map);
                        $inside = new Vec(
                            $at->x - floor($at->x + self::SAME),
                            $rows === [0] ? $at->y : $at->y - floor($at->y + self::SAME),
                        );
                        $key = self::key($inside->x, $inside->y);
                        $centres[$key] = [$inside->x, $inside->y, max($order, $centres[$key][2] ?? 0)];
                    }
                }
            }
        }

        return [
            'centres' => array_values($centres),
            'lines' => [...array_values($mirrors), ...array_values(array_diff_key($glides, $mirrors))],
        ];
    }

    /** What a turn leaves where it is. */
    private static function centre(Affine $turn): Vec
    {
        [$p, $q, $r, $s] = [1.0 - $turn->a, -$turn->c, -$turn->b, 1.0 - $turn->d];
        $determinant = $p * $s - $q * $r;

        return new Vec(($s * $turn->e - $q * $turn->f) / $determinant, ($p * $turn->f - $r * $turn->e) / $determinant);
    }

    /**
     * @param  bool  $acrossToo  whether the group repeats across its first way, too
     * @return array{string, array{float, float, float, float, bool}} what tells the line from others, and the line
     */
    private static function line(Affine $map, bool $acrossToo): array
    {
        // Half of what it moves along its line; the rest brings places of the line to the line.
        $glide = new Vec(($map->e + $map->a * $map->e + $map->c * $map->f) / 2, ($map->f + $map->b * $map->e + $map->d * $map->f) / 2);
        $at = new Vec($map->e / 2, $map->f / 2);
        $way = abs($map->a + 1.0) + abs($map->b) > self::SAME ? new Vec($map->a + 1.0, $map->b) : new Vec($map->c, $map->d + 1.0);
        // In whole numbers, so that what is off by whole ones is the same line of another cell.
        $way = $way->times(
            1.0 / min(array_filter([abs($way->x), abs($way->y)], static fn (float $one): bool => $one > self::SAME) ?: [1.0]),
        );
        $way = $way->x < -self::SAME || (abs($way->x) <= self::SAME && $way->y < 0.0) ? $way->times(-1.0) : $way;
        $off = $way->cross($at);
        $off = $acrossToo ? $off - floor($off + self::SAME) : $off - (abs($way->y) > self::SAME ? floor($off + self::SAME) : 0.0);

        return [
            self::key($way->x, $way->y).' '.sprintf('%.6F', round($off, 6) + 0.0),
            [$at->x, $at->y, $way->x, $way->y, $glide->length() > self::SAME],
        ];
    }

    private static function key(float $x, float $y): string
    {
        return sprintf('%.6F %.6F', round($x, 6) + 0.0, round($y, 6) + 0.0);
    }
}
