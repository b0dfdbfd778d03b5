<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Svg;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Svg\PathText;
use Sternbild\Core\Svg\Recovery;

/** Path data: Scalable Vector Graphics 2, W3C, chapter 9 and appendix B. */
final class PathTextTest extends TestCase
{
    /** @return iterable<string, array{string, float}> paths, and the area that each encloses, clockwise on the screen counting up */
    public static function areas(): iterable
    {
        yield 'a triangle in absolute numbers' => ['M100 100 L300 100 L200 300 z', 20_000.0];
        yield 'the same relative, commands left out' => ['m100,100 200,0-100,200z', 20_000.0];
        yield 'level and upright lines' => ['M10 10H50V40H10Z', 1_200.0];
        yield 'level and upright lines, relative' => ['M10 10h40v30h-40z', 1_200.0];
        yield 'numbers without anything between them' => ['M.5.5l1e1-.0.0.5-10.0e0.0z', 5.0];
        yield 'a disk of two arcs' => ['M50 0A50 50 0 0 1 50 100A50 50 0 0 1 50 0z', M_PI * 2_500];
        yield 'flags with nothing between them' => [
            'M50 0a50 50 0 0150 50a50 50 0 01-50 50a50 50 0 01-50-50a50 50 0 0150-50z',
            M_PI * 2_500,
        ];
        yield 'radii too small grow until they reach' => ['M0 0A1 1 0 0 1 100 0z', (M_PI * 2_500) / 2];
        yield 'an ellipse' => ['M0 50A80 50 0 1 1 160 50A80 50 0 1 1 0 50z', M_PI * 80 * 50];
        yield 'a turned ellipse' => ['M100 0 A 80 40 30 1 1 100 0.000001z', M_PI * 80 * 40];
        // A quadratic over its chord encloses two thirds of the triangle with its handle.
        yield 'a quadratic' => ['M0 0Q50-100 100 0z', 2 / 3 * 5_000];
        yield 'a quadratic that goes on' => ['M0 0Q50-100 100 0T200 0z', 0.0];
        // A cubic with handles straight up encloses three fifths of its frame, doubled: 0.6 × w × h.
        yield 'a cubic' => ['M0 0C0-100 100-100 100 0z', 0.6 * 10_000];
        yield 'a cubic that goes on' => ['M0 0C0-100 100-100 100 0S200 100 200 0z', 0.0];
        yield 'a smooth one behind a line has no handle to mirror' => [
            'M0 0L100 0S100-100 0 0z',
            self::cubic([100, 0], [100, 0], [100, -100], [0, 0]),
        ];
        yield 'two runs, the second from where the first closed' => ['M10 10h10v10h-10z l0 -10 h10 v10z', 100.0 + 100.0];
    }

    #[DataProvider('areas')]
    public function test_commands_are_read_as_the_grammar_has_them(string $path, float $area): void
    {
        [$runs, $fault] = PathText::read($path);
        self::assertNull($fault);
        self::assertEqualsWithDelta($area, self::area($runs), 1e-4 * max(1.0, abs($area)));
    }

    /** @return iterable<string, array{string, string, int}> paths, what is said of them, and how many runs of them are kept */
    public static function broken(): iterable
    {
        yield 'no beginning' => ['L10 10', 'begins with no M', 0];
        yield 'a number missing' => ['M0 0L10 10 20', 'a number of its L is missing', 1];
        yield 'a word' => ['M0 0L10 10zoo', '“o”', 1];
        yield 'no number' => ['M0 0LNaN 3', 'a number of its L is missing', 0];
        yield 'too far' => ['M0 0L1e308 3', 'too far', 0];
        yield 'no flag' => ['M0 0A5 5 0 2 1 9 9', 'a number of its A is missing', 0];
    }

    #[DataProvider('broken')]
    public function test_what_is_broken_is_kept_as_far_as_it_goes_and_told(string $path, string $said, int $kept): void
    {
        [$runs, $fault] = PathText::read($path);
        self::assertStringContainsString($said, (string) $fault);
        self::assertCount($kept, $runs);
    }

    public function test_paths_of_a_hundred_thousand_nodes_end_in_a_message(): void
    {
        [, $fault] = PathText::read('M0 0'.str_repeat('l1 1', 100_000));
        self::assertStringContainsString('more than 20,000 nodes', (string) $fault);
    }

    public function test_quarters_written_as_cubics_are_one_circle_again_within_the_error_of_the_usual_handle(): void
    {
        // 0.5522847498 is the usual handle of a quarter circle; it leaves the circle by 2.73e-4 of the radius (recalled).
        $k = 50 * 0.5522847498;
        [$runs] = PathText::read("M50 0C{$k} 0 50 0 50 0");
        self::assertCount(1, $runs);
        $c = static fn (float $n): string => PathText::number($n);
        $quarters =
            'M150 100C150 '.
            $c(100 + $k).
            ' '.
            $c(100 + $k).
            ' 150 100 150S50 '.
            $c(100 + $k).
            ' 50 100S'.
            $c(100 - $k).
            ' 50 100 50S150 '.
            $c(100 - $k).
            ' 150 100z';
        [[[$curves, $closed]]] = PathText::read($quarters);
        $found = Recovery::found($curves, $closed);
        self::assertCount(1, $found);
        self::assertInstanceOf(Arc::class, $found[0]);
        self::assertTrue($found[0]->isFullCircle());
        self::assertEqualsWithDelta(50.0, $found[0]->radius(), 3e-4 * 50);
        self::assertEqualsWithDelta([100.0, 100.0], [$found[0]->center()->x, $found[0]->center()->y], 1e-6);
        // A hair flatter it is none.
        [[[$curves, $closed]]] = PathText::read(str_replace($c(100 + $k), $c(100 + 0.98 * $k), $quarters));
        self::assertNotCount(1, Recovery::found($curves, $closed));
    }

    public function test_lines_that_go_straight_on_are_one_wherever_the_run_was_begun(): void
    {
        [[[$curves, $closed]]] = PathText::read('M50 0H100V50V100H0V0H25z');
        $found = Recovery::found($curves, $closed);
        self::assertCount(4, $found);
        self::assertContainsOnlyInstancesOf(Line::class, $found);
        self::assertEqualsWithDelta(10_000.0, (new Outline($found ?: [new Line(Vec::zero(), Vec::zero())]))->area(), 1e-9);
        // There and back is not straight on.
        [[[$curves]]] = PathText::read('M0 0H100H50V50');
        self::assertCount(3, Recovery::found($curves, false));
    }

    public function test_what_is_written_again_reads_the_same(): void
    {
        mt_srand(9);
        for ($round = 0; $round < 60; $round++) {
            $path = self::anyPath();
            [$runs] = PathText::read($path);
            [$again, $fault] = PathText::read(PathText::written($runs));
            self::assertNull($fault);
            self::assertEqualsWithDelta(self::area($runs), self::area($again), 1e-3, $path);
            self::assertSame(array_column($runs, 1), array_column($again, 1));
        }
    }

    public static function anyPath(): string
    {
        $number = static fn (): string => (string) (mt_rand(-2000, 2000) / 10);
        $path = 'M'.$number().' '.$number();
        for ($k = mt_rand(1, 8); $k > 0; $k--) {
            $command = 'LlHhVvCcSsQqTtAaz'[mt_rand(0, 16)];
            $count = ['L' => 2, 'H' => 1, 'V' => 1, 'C' => 6, 'S' => 4, 'Q' => 4, 'T' => 2, 'A' => 0, 'Z' => 0][strtoupper($command)];
            $path .= $command.implode(' ', array_map(static fn (): string => $number(), array_fill(0, $count, 0)));
            if (strtoupper($command) === 'A') {
                $path .=
                    mt_rand(5, 900) / 10 .
                    ' '.
                    mt_rand(5, 900) / 10 .
                    ' '.
                    mt_rand(0, 180).
                    ' '.
                    mt_rand(0, 1).
                    ' '.
                    mt_rand(0, 1).
                    ' '.
                    $number().
                    ' '.
                    $number();
            }
        }

        return $path;
    }

    /** @param  list<array{list<Curve>, bool}>  $runs */
    private static function area(array $runs): float
    {
        $area = 0.0;
        foreach ($runs as [$curves]) {
            foreach ($curves as $curve) {
                $area += $curve->areaSeenFrom($curves[0]->start());
            }
        }

        return $area;
    }

    /**
     * The area between a cubic and the origin, by the sum of its Bernstein products.
     *
     * @param  array{int, int}  $a  and $b, $c, $d alike
     * @param  array{int, int}  $b
     * @param  array{int, int}  $c
     * @param  array{int, int}  $d
     */
    private static function cubic(array $a, array $b, array $c, array $d): float
    {
        $cross = static fn (array $p, array $q): int => $p[0] * $q[1] - $p[1] * $q[0];

        return (6 * $cross($a, $b) + 3 * $cross($a, $c) + $cross($a, $d) + 3 * $cross($b, $c) + 3 * $cross($b, $d) + 6 * $cross($c, $d)) /
            20;
    }
}
