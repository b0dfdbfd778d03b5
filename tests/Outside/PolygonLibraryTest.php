<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\PolarGrid;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Mesh\CellJoin;

/** Joined cells against a general-purpose polygon library (Debian: python3-shapely) on flattened outlines. */
final class PolygonLibraryTest extends TestCase
{
    /** Chords to an arc of one cell. All cells flatten a shared arc alike, so that the library finds the shared edges. */
    private const CHORDS = 16;

    public function test_pieces_holes_and_areas_agree_with_the_library(): void
    {
        mt_srand(77);
        foreach ([
            [new RectangularGrid(new Vec(3, 4), 9, 8, 10, 7, 0, 0, 1, 0), 1],
            [new RectangularGrid(new Vec(3, 4), 6, 5, 10, 7, 2, 0, 1, 0), 1],
            [new PolarGrid(new Vec(0, 0), 100, 20.0, 5, 12, 'spoke', 0, 'equal'), 12],
            [new PolarGrid(new Vec(0, 0), 100, 0.0, 5, 9, 'sector', 7, 'golden'), 9],
        ] as [$grid, $sectors]) {
            for ($round = 1; $round <= 6; $round++) {
                $cells = array_values(array_filter(range(0, $grid->cellCount() - 1), static fn (): bool => mt_rand(0, 9) < 3 + $round));
                $joined = CellJoin::join($grid->mesh(), $cells);
                $library = self::union($grid, $cells, $sectors);
                $holes = count(array_filter($joined, static fn (Outline $outline): bool => $outline->isHole()));
                self::assertSame($library['holes'], $holes, 'holes of '.implode(' ', $cells));
                self::assertSame($library['pieces'], count($joined) - $holes, 'pieces of '.implode(' ', $cells));
                $flat = array_sum(
                    array_map(static fn (Outline $outline): float => self::area(self::flattened($outline, $sectors)), $joined),
                );
                self::assertEqualsWithDelta($library['area'], $flat, 1e-4);
            }
        }
    }

    /**
     * @param  list<int>  $cells
     * @return array{pieces: int, holes: int, area: float}
     */
    private static function union(Grid $grid, array $cells, int $sectors): array
    {
        $rings = array_map(static fn (int $cell): array => self::flattened($grid->cellOutlines($cell)[0], $sectors), $cells);
        $process = proc_open(
            ['/usr/bin/python3', __DIR__.'/union.py'],
            [['pipe', 'r'], ['pipe', 'w'], STDERR],
            $pipes,
            dirname(__DIR__, 2),
        );
        self::assertNotFalse($process);
        fwrite($pipes[0], json_encode($rings, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        /** @var array{pieces: int, holes: int, area: float} $union */
        $union = json_decode((string) stream_get_contents($pipes[1]), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame(0, proc_close($process));

        return $union;
    }

    /** @return list<array{float, float}> */
    private static function flattened(Outline $outline, int $sectors): array
    {
        $ring = [];
        foreach ($outline->curves as $curve) {
            $ring[] = [round($curve->start()->x, 7), round($curve->start()->y, 7)];
            if ($curve instanceof Arc) {
                // Always from the same end, so that both neighbours of an arc round alike.
                $forward = $curve->sweep() > 0 ? $curve : $curve->reversed();
                // A merged arc has as many chords as the cells it came from had together.
                $chords = self::CHORDS * (int) round(abs($curve->sweep()) / (2 * M_PI) * $sectors);
                for ($k = 1; $k < $chords; $k++) {
                    $point = $forward->pointAt(($curve === $forward ? $k : $chords - $k) / $chords);
                    $ring[] = [round($point->x, 7), round($point->y, 7)];
                }
            }
        }

        return $ring;
    }

    /** @param  list<array{float, float}>  $ring */
    private static function area(array $ring): float
    {
        $area = 0.0;
        foreach ($ring as $k => [$x, $y]) {
            [$nextX, $nextY] = $ring[($k + 1) % count($ring)];
            $area += ($x * $nextY - $nextX * $y) / 2;
        }

        return $area;
    }
}
