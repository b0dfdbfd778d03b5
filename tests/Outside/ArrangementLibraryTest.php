<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/** Faces of arrangements against a general-purpose library (Debian: python3-shapely, which is GEOS). */
final class ArrangementLibraryTest extends TestCase
{
    public function test_segments_by_lot_cut_the_plane_into_the_librarys_faces(): void
    {
        mt_srand(31);
        foreach ([5, 20, 60] as $count) {
            $lines = array_map(static fn (): Line => new Line(self::place(), self::place()), range(1, $count));
            [$ours, $theirs] = [self::areas($lines), self::library($lines)];
            self::assertCount(count($theirs), $ours);
            self::assertEqualsWithDelta($theirs, $ours, 1e-6);
        }
    }

    public function test_a_lattice_with_its_diagonals_has_the_librarys_faces(): void
    {
        $lines = [];
        for ($k = 0; $k <= 8; $k++) {
            array_push($lines, new Line(new Vec(0, 64 * $k), new Vec(512, 64 * $k)), new Line(new Vec(64 * $k, 0), new Vec(64 * $k, 512)));
            array_push(
                $lines,
                new Line(new Vec(64 * $k, 0), new Vec(512, 512 - 64 * $k)),
                new Line(new Vec(0, 64 * $k), new Vec(512 - 64 * $k, 512)),
            );
        }
        $lines = array_values(array_filter($lines, static fn (Line $line): bool => $line->length() > 0.0));
        // Places on whole numbers are exact for the library as well: 64 squares, each cut in two.
        self::assertCount(128, self::library($lines));
        self::assertEqualsWithDelta(self::library($lines), self::areas($lines), 1e-9);
    }

    public function test_circles_have_the_areas_of_their_flattened_faces_within_the_flattening(): void
    {
        mt_srand(12);
        $circles = array_map(static fn (): Arc => Arc::fullCircle(new Circle(self::place(), mt_rand(60, 200))), range(1, 9));
        $chords = 720;
        $flat = array_map(
            static fn (Arc $circle): array => array_map(static fn (int $k): Vec => $circle->pointAt($k / $chords), [
                ...range(0, $chords - 1),
                0,
            ]),
            $circles,
        );
        $ours = self::areas($circles);
        $theirs = self::libraryOf(
            array_map(static fn (array $ring): array => array_map(static fn (Vec $place): array => [$place->x, $place->y], $ring), $flat),
        );
        // A chord leaves its arc by r(1 − cos(π/n)); the outlines of all faces together are no longer than twice all circles.
        $off =
            2 *
            array_sum(
                array_map(static fn (Arc $circle): float => $circle->length() * $circle->radius() * (1 - cos(M_PI / $chords)), $circles),
            );
        self::assertCount(count($theirs), $ours);
        self::assertEqualsWithDelta(array_sum($theirs), array_sum($ours), $off);
        self::assertEqualsWithDelta($theirs, $ours, $off);
    }

    private static function place(): Vec
    {
        return new Vec(mt_rand(0, 800_000) / 1000, mt_rand(0, 800_000) / 1000);
    }

    /**
     * @param  list<Curve>  $curves
     * @return list<float> rising
     */
    private static function areas(array $curves): array
    {
        $arrangement = Arrangement::of($curves, Tolerance::ofSheet(800));
        $areas = array_map($arrangement->area(...), $arrangement->faceCount() === 0 ? [] : range(0, $arrangement->faceCount() - 1));
        sort($areas);

        return $areas;
    }

    /**
     * @param  list<Line>  $lines
     * @return list<float>
     */
    private static function library(array $lines): array
    {
        return self::libraryOf(
            array_map(
                static fn (Line $line): array => [[$line->start()->x, $line->start()->y], [$line->end()->x, $line->end()->y]],
                $lines,
            ),
        );
    }

    /**
     * @param  list<list<array{float, float}>>  $lines
     * @return list<float>
     */
    private static function libraryOf(array $lines): array
    {
        $process = proc_open(
            ['/usr/bin/python3', __DIR__.'/arrange.py'],
            [['pipe', 'r'], ['pipe', 'w'], STDERR],
            $pipes,
            dirname(__DIR__, 2),
        );
        self::assertNotFalse($process);
        fwrite($pipes[0], json_encode($lines, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        /** @var list<float> $areas */
        $areas = json_decode((string) stream_get_contents($pipes[1]), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame(0, proc_close($process));

        return $areas;
    }
}
