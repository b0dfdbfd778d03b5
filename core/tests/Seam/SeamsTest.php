<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Seam;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Tests\Sample;

/**
 * What is drawn under the edges of neighbours closes the hairline between them, and changes nothing else. Looked at in pixels, as
 * `rsvg-convert` draws them.
 */
final class SeamsTest extends TestCase
{
    private const WHITE = 'ffffff';

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return array<string, mixed>
     */
    private static function plan(array $steps, string $seams, int $size = 240): array
    {
        return [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => $size, 'height' => $size, 'unit' => 'px', 'background' => '#'.self::WHITE, 'seams' => $seams],
            'palette' => ['ink' => '#1b2140', 'lagoon' => '#0f6e20', 'brick' => '#a03a20'],
            'steps' => $steps,
        ];
    }

    /** @param  list<array<string, mixed>>  $steps */
    private static function picture(array $steps, string $seams, float $scale): \GdImage
    {
        $picture = imagecreatefromstring(Raster::png(SvgDrawing::write(Sample::scene(self::plan($steps, $seams)), $scale), $scale));
        self::assertNotFalse($picture);

        return $picture;
    }

    /** @return array{int, int, int} */
    private static function pixel(\GdImage $picture, int $x, int $y): array
    {
        $colour = (int) imagecolorat($picture, min(imagesx($picture) - 1, max(0, $x)), min(imagesy($picture) - 1, max(0, $y)));

        return [$colour >> 16 & 255, $colour >> 8 & 255, $colour & 255];
    }

    /**
     * Cells of a field, each a part of its own.
     *
     * @param  list<string>  $colours  in turn
     * @param  array<string, mixed>  $grid
     * @param  list<string>  $cells
     * @return list<array<string, mixed>>
     */
    private static function field(array $grid, array $cells, array $colours): array
    {
        $steps = [$grid];
        foreach ($cells as $number => $cell) {
            $steps[] = Sample::part("p$number", [$cell]);
            $steps[] = ['id' => "s$number", 'kind' => 'style', 'of' => ["p$number"], 'fill' => $colours[($number * 7) % count($colours)]];
        }

        return $steps;
    }

    /** @return list<string> */
    private static function cells(int $columns, int $rows): array
    {
        $cells = [];
        foreach (range(1, $columns) as $column) {
            foreach (range(1, $rows) as $row) {
                $cells[] = "g1#$column,$row";
            }
        }

        return $cells;
    }

    /**
     * @return iterable<string, array{list<array<string, mixed>>, \Closure(float, float): array{float, float}}> fields, and where shares of
     *   them lie
     */
    public static function fields(): iterable
    {
        $rectangular = [
            'id' => 'g1',
            'kind' => 'grid.rectangular',
            'origin' => [90, 30],
            'columns' => 9,
            'rows' => 9,
            'cell' => [15, 15],
            'angle' => 17,
        ];
        $turned = static fn (float $u, float $v): array => [
            90 + 135 * ($u * cos(deg2rad(17)) - $v * sin(deg2rad(17))),
            30 + 135 * ($u * sin(deg2rad(17)) + $v * cos(deg2rad(17))),
        ];
        yield 'turned cells of one colour' => [self::field($rectangular, self::cells(9, 9), ['ink']), $turned];
        yield 'turned cells of three' => [self::field($rectangular, self::cells(9, 9), ['ink', 'lagoon', 'brick']), $turned];
        yield 'turned cells of three, drawn from front to back' => [
            self::field($rectangular, array_reverse(self::cells(9, 9)), ['ink', 'lagoon', 'brick']),
            $turned,
        ];
        $polar = static fn (float $u, float $v): array => [120 + 100 * $v * cos(2 * M_PI * $u), 120 + 100 * $v * sin(2 * M_PI * $u)];
        yield 'rings and sectors' => [
            self::field(
                ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [120, 120], 'radius' => 104, 'rings' => 4, 'sectors' => 11],
                self::cells(4, 11),
                ['ink', 'lagoon', 'brick'],
            ),
            $polar,
        ];
        $fan = [
            ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [120, 120], 'radius' => 104, 'rings' => 1, 'sectors' => 20],
            Sample::part('p1', ['g1#1,1']),
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 20],
            ['id' => 's1', 'kind' => 'style', 'of' => ['r1'], 'fill' => 'ink'],
        ];
        yield 'copies of one sector' => [$fan, $polar];
        $halves = [
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[40, 40], [120, 200]]],
            ['id' => 'p2', 'kind' => 'part.rectangle', 'corners' => [[120, 40], [200, 93]]],
            ['id' => 'p3', 'kind' => 'part.rectangle', 'corners' => [[120, 93], [200, 200]]],
            ['id' => 't1', 'kind' => 'turn', 'of' => ['p1', 'p2', 'p3'], 'about' => [120, 120], 'angle' => 23],
            ['id' => 's1', 'kind' => 'style', 'of' => ['t1'], 'fill' => 'lagoon'],
        ];
        yield 'edges that share a piece only' => [
            $halves,
            static fn (float $u, float $v): array => [
                120 + (154 * (($u - 0.5) * cos(deg2rad(23)) - ($v - 0.5) * sin(deg2rad(23)))) / 2,
                120 + 154 * (($u - 0.5) * sin(deg2rad(23)) + ($v - 0.5) * cos(deg2rad(23))),
            ],
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @param  \Closure(float, float): array{float, float}  $place
     */
    #[DataProvider('fields')]
    public function test_inside_a_field_no_pixel_is_lighter_than_its_cells(array $steps, \Closure $place): void
    {
        foreach ([0.5, 1.0] as $scale) {
            $lighter = ['closed' => 0, 'open' => 0];
            foreach (array_keys($lighter) as $seams) {
                $picture = self::picture($steps, $seams, $scale);
                for ($i = 4; $i <= 96; $i++) {
                    for ($j = 4; $j <= 96; $j++) {
                        [$x, $y] = $place($i / 100, $j / 100);
                        [, , $blue] = self::pixel($picture, (int) floor($x * $scale), (int) floor($y * $scale));
                        // None of the three colours has more blue, nor has what is mixed of them.
                        $lighter[$seams] += $blue > 0x41 ? 1 : 0;
                    }
                }
            }
            self::assertSame(0, $lighter['closed'], "at $scale");
            self::assertGreaterThan(20, $lighter['open'], 'The test sees seams where there are some.');
        }
    }

    /** @return iterable<string, array{list<array<string, mixed>>}> */
    public static function drawings(): iterable
    {
        foreach (self::fields() as $name => [$steps]) {
            yield $name => [$steps];
        }
        yield 'a thin strip beside a wide one' => [
            [
                ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[40, 40], [120, 200]]],
                ['id' => 'p2', 'kind' => 'part.rectangle', 'corners' => [[120, 40], [121, 200]]],
                ['id' => 't1', 'kind' => 'turn', 'of' => ['p1', 'p2'], 'about' => [120, 120], 'angle' => 8],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'ink'],
            ],
        ];
        yield 'a sharp corner' => [
            [
                ['id' => 'p1', 'kind' => 'part.outline', 'points' => [[30, 200], [200, 180], [200, 200]]],
                ['id' => 'p2', 'kind' => 'part.outline', 'points' => [[30, 200], [200, 200], [200, 230]]],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'brick'],
            ],
        ];
        yield 'a step in a long outline' => [
            [
                [
                    'id' => 'p1',
                    'kind' => 'part.outline',
                    'points' => [[30, 100], [200, 100], [200, 102], [120, 102], [120, 160], [30, 160]],
                ],
                ['id' => 'p2', 'kind' => 'part.outline', 'points' => [[30, 100], [200, 100], [200, 60], [30, 60]]],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'brick'],
            ],
        ];
        yield 'one over another that it covers half' => [
            [
                ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[40, 40], [120, 200]]],
                ['id' => 'p2', 'kind' => 'part.rectangle', 'corners' => [[120, 40], [200, 200]]],
                ['id' => 'p3', 'kind' => 'part.circle', 'center' => [120, 120], 'radius' => 30],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'brick'],
                ['id' => 's2', 'kind' => 'style', 'of' => ['p3'], 'opacity' => 0.5],
            ],
        ];
    }

    /** @param  list<array<string, mixed>>  $steps */
    #[DataProvider('drawings')]
    public function test_nothing_else_changes(array $steps): void
    {
        $scale = 2.0;
        [$closed, $open] = [self::picture($steps, 'closed', $scale), self::picture($steps, 'open', $scale)];
        $changed = 0;
        for ($x = 0; $x < imagesx($open); $x++) {
            for ($y = 0; $y < imagesy($open); $y++) {
                [$with, $without] = [self::pixel($closed, $x, $y), self::pixel($open, $x, $y)];
                if ($with !== $without) {
                    $changed++;
                    $most = max(array_map(static fn (int $one, int $two): int => abs($one - $two), $with, $without));
                    // A pixel that an edge runs through lets a quarter of the ground through at most, where two meet, and more where
                    // several do.
                    self::assertLessThan(120, $most, "at $x, $y");
                    self::assertTrue($most <= 12 || $without !== [255, 255, 255], "Bare ground stays bare, at $x, $y");
                }
            }
        }
        self::assertLessThan(0.06 * imagesx($open) * imagesy($open), $changed, 'Edges only.');
    }

    public function test_open_means_open_and_cutters_get_outlines_as_they_are(): void
    {
        $steps = self::field(
            ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [20, 20], 'columns' => 2, 'rows' => 2, 'cell' => [40, 40]],
            self::cells(2, 2),
            ['ink'],
        );
        self::assertStringContainsString('class="seams"', SvgDrawing::write(Sample::scene(self::plan($steps, 'closed'))));
        self::assertStringNotContainsString('seams', SvgDrawing::write(Sample::scene(self::plan($steps, 'open'))));
        $unsaid = self::plan($steps, 'open');
        unset($unsaid['sheet']['seams']);
        self::assertSame(
            SvgDrawing::write(Sample::scene(self::plan($steps, 'closed'))),
            SvgDrawing::write(Sample::scene($unsaid)),
            'Closed unless said.',
        );
    }

    public function test_what_is_seen_through_hides_nothing_and_gets_nothing(): void
    {
        $steps = self::field(
            ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [20, 20], 'columns' => 2, 'rows' => 1, 'cell' => [40, 40]],
            self::cells(2, 1),
            ['ink'],
        );
        foreach ([['opacity' => 0.9], ['blend' => 'multiply'], ['fill' => 'none']] as $look) {
            $svg = SvgDrawing::write(
                Sample::scene(self::plan([...$steps, ['id' => 'x1', 'kind' => 'style', 'of' => ['p1'], ...$look]], 'closed')),
            );
            self::assertStringNotContainsString('seams', $svg, json_encode($look) ?: '');
        }
    }

    public function test_figures_by_the_thousand_on_one_another_have_no_seams(): void
    {
        $scene = Sample::scene(
            self::plan(
                [
                    ['id' => 'p1', 'kind' => 'part.outline', 'points' => [[40, 40], [90, 50], [60, 90]]],
                    ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [0, 0], 'count' => 5000],
                ],
                'closed',
            ),
        );
        self::assertSame([], $scene->seams(), 'None of them lies beside another.');
    }

    public function test_figures_that_were_made_wider_than_high_have_seams_along_all_of_their_bent_edges(): void
    {
        $steps = [
            ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [120, 120], 'radius' => 80, 'rings' => 2, 'sectors' => 3],
            Sample::part('p1', ['g1#1,1']),
            Sample::part('p2', ['g1#2,1']),
            ['id' => 'z1', 'kind' => 'resize', 'of' => ['p1', 'p2'], 'about' => [120, 120], 'factors' => [1.3, 0.8]],
            ['id' => 's1', 'kind' => 'style', 'of' => ['z1'], 'fill' => 'ink'],
        ];
        $length = 0.0;
        foreach (Sample::scene(self::plan($steps, 'closed'))->seams() as $stroke) {
            foreach ($stroke->runs as $run) {
                $length += array_sum(array_map(static fn ($curve): float => $curve->length(), $run));
            }
        }
        // A third of an ellipse of 52 by 32, from straight up: between a third of the circles around and inside it.
        self::assertGreaterThan(2 * M_PI * 32 / 3, $length);
        self::assertLessThan(2 * M_PI * 52 / 3 + 1, $length);
    }
}
