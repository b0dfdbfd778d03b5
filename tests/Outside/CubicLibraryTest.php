<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Meeting;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/** Meetings of cubics against dense sampling with a general-purpose library (Debian: python3-shapely). */
final class CubicLibraryTest extends TestCase
{
    use AsksPython;

    public function test_pairs_that_come_close_meet_where_dense_sampling_has_them(): void
    {
        mt_srand(1926);
        $pairs = [];
        for ($round = 0; $round < 1400; $round++) {
            $points = self::points();
            $near = 800 * [1e-1, 1e-2, 1e-3, 1e-4][$round % 4];
            $other = array_map(static fn (float $one): float => $one + $near * mt_rand(-1000, 1000) / 1000, $points);
            $pairs[] = [$points, $round % 7 === 0 ? self::points() : $other];
        }
        $unlike = 0;
        foreach ($this->python('cubics.py', $pairs) as $number => $places) {
            [$one, $other] = array_map(self::cubic(...), $pairs[$number]);
            $ours = array_map(
                static fn (Meeting $meeting): Vec => $meeting->at,
                Intersections::find($one, $other, Tolerance::ofSheet(800)),
            );
            self::assertIsArray($places);
            $theirs = array_map(static fn (array $place): Vec => new Vec($place[0], $place[1]), $places);
            foreach ($ours as $place) {
                self::assertLessThan(1e-8, $other->pointAt($other->nearest($place))->distanceTo($place), "pair $number");
            }
            // Each of theirs is one of ours, as far as chords can tell; where two lie closer together than chords can part, in pairs.
            foreach ($theirs as $place) {
                $unlike += self::nearest($ours, $place) > 3.0 ? 1 : 0;
            }
            $unlike += abs(count($ours) - count($theirs)) % 2;
        }
        // Flat crossings lie elsewhere on chords; of about 3,000 meetings a handful may.
        self::assertLessThanOrEqual(6, $unlike);
    }

    public function test_pairs_that_are_made_to_touch_do_so_once_and_cross_where_dense_sampling_has_them(): void
    {
        mt_srand(77);
        $pairs = $touches = [];
        for ($round = 0; $round < 600; $round++) {
            $one = self::cubic(self::points());
            $s = mt_rand(1, 9) / 10;
            $at = $one->pointAt($s);
            $along = $one->tangentAt($s);
            // Its image in the tangent there touches it from the other side; made larger from there it touches from within.
            $map = $round % 2 === 0 ? Affine::mirror($at, $at->plus($along)) : Affine::scaling(1.6, 1.6, $at);
            $other = $one->mapped($map)[0];
            // Where it is nearly straight, or turns back, touching is no single place.
            if ($other instanceof Cubic && abs(self::bend($one, $s)) > 1e-4 && $one->velocity($s)->length() > 100) {
                $pairs[] = [$one->coordinates(), $other->coordinates()];
                $touches[] = $at;
            }
        }
        self::assertGreaterThan(400, count($pairs));
        $unlike = 0;
        foreach ($this->python('cubics.py', $pairs) as $number => $places) {
            self::assertIsArray($places);
            [$one, $other] = array_map(self::cubic(...), $pairs[$number]);
            $ours = array_map(
                static fn (Meeting $meeting): Vec => $meeting->at,
                Intersections::find($one, $other, Tolerance::ofSheet(800)),
            );
            $here = array_filter($ours, static fn (Vec $place): bool => $place->distanceTo($touches[$number]) < 0.02);
            self::assertCount(1, $here, "pair $number touches at one place");
            $elsewhere = array_filter(
                array_map(static fn (array $place): Vec => new Vec($place[0], $place[1]), $places),
                static fn (Vec $place): bool => $place->distanceTo($touches[$number]) > 12,
            );
            foreach ($elsewhere as $place) {
                $unlike += self::nearest($ours, $place) > 3.0 ? 1 : 0;
            }
        }
        self::assertLessThanOrEqual(3, $unlike);
    }

    /** @return list<float> four control points on a sheet of 800 */
    private static function points(): array
    {
        return array_map(static fn (): float => mt_rand(0, 800_000) / 1000, range(1, 8));
    }

    /** @param  list<float>  $points */
    private static function cubic(array $points): Cubic
    {
        return new Cubic(
            new Vec($points[0], $points[1]),
            new Vec($points[2], $points[3]),
            new Vec($points[4], $points[5]),
            new Vec($points[6], $points[7]),
        );
    }

    /** @param  list<Vec>  $places */
    private static function nearest(array $places, Vec $to): float
    {
        return array_reduce($places, static fn (float $least, Vec $place): float => min($least, $place->distanceTo($to)), INF);
    }

    /** Its curvature, one over the radius, by a small difference. */
    private static function bend(Cubic $cubic, float $s): float
    {
        return $cubic->tangentAt($s)->cross($cubic->tangentAt($s + 1e-4)) / ($cubic->velocity($s)->length() * 1e-4);
    }
}
