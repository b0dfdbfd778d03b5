<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Geometry;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/**
 * Curves drawn by lot on a sheet of 800, the same for the same seed; about half of their ends stand on a lattice, so that they coincide.
 */
final class RandomCurves
{
    /**
     * @param  string  $sorts  of l line, a arc, c circle, b cubic, r repeated curve, whole or in part; drawn with equal chance
     * @return list<Curve>
     */
    public static function draw(int $seed, int $count, string $sorts): array
    {
        mt_srand($seed);
        $curves = [];
        while (count($curves) < $count) {
            try {
                $curves[] = self::one($sorts[mt_rand(0, strlen($sorts) - 1)], $curves);
            } catch (Degenerate) {
                // Three points in a line have no arc; the next ones may.
            }
        }

        return $curves;
    }

    /** @param  list<Curve>  $earlier */
    private static function one(string $sort, array $earlier): Curve
    {
        if ($sort === 'r' && $earlier !== []) {
            $curve = $earlier[mt_rand(0, count($earlier) - 1)];
            $whole = mt_rand(0, 1) === 1 || ($curve instanceof Arc && $curve->isFullCircle());

            return $whole ? $curve->reversed() : $curve->part(0.25, 0.75);
        }

        return match ($sort) {
            'a' => Arc::through(self::place(), self::place(), self::place()),
            'c' => Arc::fullCircle(new Circle(self::place(), 50.0 * mt_rand(1, 6))),
            'b' => new Cubic(self::place(), self::place(), self::place(), self::place()),
            default => new Line(self::place(), self::place()),
        };
    }

    private static function place(): Vec
    {
        return mt_rand(0, 1) === 1
            ? new Vec(100.0 * mt_rand(0, 8), 100.0 * mt_rand(0, 8))
            : new Vec(mt_rand(0, 800_000) / 1000, mt_rand(0, 800_000) / 1000);
    }
}
