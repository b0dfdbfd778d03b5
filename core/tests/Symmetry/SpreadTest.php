<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Symmetry;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SeamProof;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Format\Tile;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Symmetry\PlaneGroup;
use Sternbild\Core\Tests\Sample;

/** Patterns as one cell and the ways to all others: copies, colours, order, fills and tiles. */
final class SpreadTest extends TestCase
{
    private const MOTIF = ['id' => 'a1', 'kind' => 'part.outline', 'points' => [[312, 303], [332, 308], [315, 319]]];

    /** @param  array<array-key, mixed>  ...$steps */
    private static function scene(array ...$steps): Scene
    {
        return Sample::scene(Sample::unchecked(Sample::plan(array_values($steps))));
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function pattern(string $group, array $more = []): array
    {
        $free = in_array(PlaneGroup::lattice($group), ['oblique', 'rectangular'], true);

        return [
            'id' => 'w1',
            'kind' => 'pattern',
            'of' => ['a1'],
            'group' => $group,
            'origin' => [300, 300],
            'a' => [90, 0],
            ...$free ? ['b' => [0, 70]] : [],
            ...$more,
        ];
    }

    public function test_a_hundred_thousand_copies_stay_one_cell(): void
    {
        $part = self::scene(self::MOTIF, self::pattern('p6m', ['across' => 100, 'down' => 80]))->parts()['w1'];
        self::assertSame(96_000, $part->count());
        self::assertCount(12, $part->spread?->ofCell() ?? []);
        $one = self::scene(self::MOTIF, self::pattern('p6m'))->parts()['w1'];
        self::assertEqualsWithDelta(8_000 * $one->area(), $part->area(), 1e-3);
        self::assertSame(8_000 * $one->nodes(), $part->nodes());
        // What asks for each of them gets an answer that says so.
        $findings = self::scene(self::MOTIF, self::pattern('p6m', ['across' => 100, 'down' => 80]), [
            'id' => 'j1',
            'kind' => 'join',
            'of' => ['w1'],
        ])->findings;
        self::assertSame('limit', $findings[0]->code);
        self::assertSame('j1', $findings[0]->step);
    }

    public function test_spelt_out_it_is_what_the_cell_says(): void
    {
        $part = self::scene(
            self::MOTIF,
            ['id' => 'a2', 'kind' => 'part.circle', 'center' => [340, 320], 'radius' => 5],
            self::pattern('p4g', ['of' => ['a1', 'a2'], 'across' => 3, 'down' => 2]),
        )->parts()['w1'];
        self::assertCount(3 * 2 * 8 * 2, $part->figures());
        self::assertSame($part->bounds()->toArray(), $part->spelt()->bounds()->toArray());
        self::assertEqualsWithDelta($part->spelt()->area(), $part->area(), 1e-6);
        // The second member of the 13th copy: the second cell, its fifth position.
        $copy = $part->copy(13, 2);
        self::assertNotNull($copy);
        self::assertCount(1, $copy->figures());
        $spread = $part->spread;
        self::assertNotNull($spread);
        self::assertEqualsWithDelta($spread->cell[1][4][0]->bounds()->left + 90.0, $copy->bounds()->left, 1e-9);
        // Moved, it is a pattern still.
        self::assertNotNull(
            self::scene(self::MOTIF, self::pattern('p4g'), [
                'id' => 'm1',
                'kind' => 'turn',
                'of' => ['w1'],
                'about' => [300, 300],
                'angle' => 30,
            ])->parts()['m1']->spread,
        );
    }

    public function test_colours_take_turns_over_the_look_of_the_motif_and_under_that_of_the_pattern(): void
    {
        $looks = static fn (array ...$more): array => array_map(
            static fn ($style): string => (string) $style?->fill,
            self::scene(
                self::MOTIF,
                ['id' => 's1', 'kind' => 'style', 'of' => ['a1'], 'fill' => '#123456'],
                self::pattern('p4', ['colours' => ['#ff0000', '#00ff00', '#0000ff']]),
                ...$more,
            )->drawing[0]->styles,
        );
        self::assertSame(['#ff0000', '#00ff00', '#0000ff', '#ff0000'], $looks());
        self::assertSame(
            ['#ff0000', '#00ff00', '#0000ff', '#ff0000'],
            $looks(['id' => 's2', 'kind' => 'style', 'of' => ['a1'], 'fill' => '#654321']),
            'A look of the motif stays below, wherever it stands.',
        );
        self::assertSame(['#abcdef'], array_unique($looks(['id' => 's2', 'kind' => 'style', 'of' => ['w1'], 'fill' => '#abcdef'])));
        // A single copy can look otherwise.
        self::assertSame(
            ['#ff0000', '#abcdef', '#0000ff', '#ff0000'],
            $looks(['id' => 's2', 'kind' => 'style', 'of' => ['w1[2]'], 'fill' => '#abcdef']),
        );
        // What has only a stroke gets its colour there.
        $styles = self::scene(
            self::MOTIF,
            ['id' => 's1', 'kind' => 'style', 'of' => ['a1'], 'stroke' => ['color' => '#123456', 'width' => 2]],
            self::pattern('p2', ['colours' => ['#ff0000', '#00ff00']]),
        )->drawing[0]->styles;
        self::assertSame(
            ['none', '#ff0000', 'none', '#00ff00'],
            [$styles[0]?->fill, $styles[0]?->stroke, $styles[1]?->fill, $styles[1]?->stroke],
        );
    }

    public function test_laps_are_cyclic_and_the_same_around_every_turning_centre(): void
    {
        // Discs that do not reach the turning centres, nor their images under half turns.
        foreach (
            ['p4' => [4, [322, 322], 28], 'p3' => [3, [322, 313], 24], 'p6' => [6, [322, 313], 24]] as $group => [$order, $center, $radius]
        ) {
            $motif = ['id' => 'a1', 'kind' => 'part.circle', 'center' => $center, 'radius' => $radius];
            foreach (['clockwise', 'counterclockwise'] as $lap) {
                $scene = self::scene($motif, self::pattern($group, ['lap' => $lap, 'across' => 3, 'down' => 3]));
                self::assertSame([], $scene->findings);
                $figures = $scene->parts()['w1']->figures();
                // Nothing overlaps any more, and the same is seen of each.
                $areas = array_map(static fn (Figure $figure): float => $figure->area(), $figures);
                assert($areas !== []);
                self::assertEqualsWithDelta(min($areas), max($areas), 1e-6, "$group $lap");
                self::assertCount(9 * $order, $figures);
                self::assertEqualsWithDelta(array_sum($areas), self::covered($scene->parts()['w1']), 1e-5, "$group $lap");
            }
        }
    }

    public function test_where_all_lie_over_one_another_in_turn_no_hole_is_left(): void
    {
        // Three discs on a centre of three, which all of them cover.
        $motif = ['id' => 'a1', 'kind' => 'part.circle', 'center' => [309, 304], 'radius' => 20];
        $plain = self::scene($motif, self::pattern('p3'))->parts()['w1'];
        $lapped = self::scene($motif, self::pattern('p3', ['lap' => 'clockwise']))->parts()['w1'];
        self::assertEqualsWithDelta(self::covered($plain), self::covered($lapped), 1e-6);
        self::assertEqualsWithDelta(self::covered($plain), $lapped->area(), 1e-6, 'And nothing lies there twice.');
    }

    /** What the figures of a part cover together. */
    private static function covered(Part $part): float
    {
        $outlines = array_map(static fn (Figure $figure): array => $figure->outlines(), $part->figures());

        assert($outlines !== []);

        return array_sum(
            array_map(
                static fn (Outline $outline): float => $outline->area(),
                Combination::join($outlines, Sample::scene(Sample::unchecked(Sample::plan([])))->plan->tolerance()),
            ),
        );
    }

    public function test_a_fill_goes_with_its_part_and_shows_what_the_pattern_shows(): void
    {
        $disc = ['id' => 'c1', 'kind' => 'part.circle', 'center' => [500, 500], 'radius' => 60];
        $fill = [
            'id' => 's1',
            'kind' => 'style',
            'of' => ['c1'],
            'fill' => ['pattern' => 'w1', 'resize' => 0.5, 'turn' => 30, 'by' => [3, 4]],
        ];
        $scene = self::scene(self::MOTIF, self::pattern('p4'), $disc, $fill, [
            'id' => 't1',
            'kind' => 'turn',
            'of' => ['c1'],
            'about' => [500, 400],
            'angle' => 90,
        ]);
        self::assertSame([], $scene->findings);
        $drawn = $scene->drawing[1];
        self::assertSame('t1', $drawn->id);
        $pattern = $drawn->styles[0]?->pattern;
        self::assertNotNull($pattern);
        $onSheet = $pattern->map->then($drawn->part->figures()[0]->map);
        self::assertEqualsWithDelta(0.5, $onSheet->scale(), 1e-9);
        // Turned by 30° where it was said, by 90° with its part.
        self::assertEqualsWithDelta(120.0, rad2deg(atan2($onSheet->b, $onSheet->a)), 1e-9);
        $svg = SvgDrawing::write($scene);
        self::assertStringContainsString('clip-path', $svg);
        self::assertGreaterThan(3, substr_count($svg, '#w1-cell-1-'));
        // Changed once, changed everywhere.
        $more = SvgDrawing::write(self::scene(self::MOTIF, self::pattern('p4', ['colours' => ['#13579b']]), $disc, $fill));
        self::assertStringContainsString('#13579b', $more);
    }

    public function test_patterns_lie_in_patterns_one_level_deep(): void
    {
        $disc = static fn (int $number): array => [
            'id' => "c$number",
            'kind' => 'part.circle',
            'center' => [100 * $number, 500],
            'radius' => 30,
        ];
        $filled = static fn (string $part, string $pattern): array => [
            'id' => "s$part",
            'kind' => 'style',
            'of' => [$part],
            'fill' => ['pattern' => $pattern, 'resize' => 0.3],
        ];
        $over = static fn (int $number, string $of): array => [
            'id' => "w$number",
            'kind' => 'pattern',
            'of' => [$of],
            'group' => 'p1',
            'origin' => [0, 0],
            'a' => [70, 0],
            'b' => [0, 70],
        ];
        $inside = [self::MOTIF, self::pattern('p4'), $disc(1), $filled('c1', 'w1'), $over(2, 'c1'), $disc(2), $filled('c2', 'w2')];
        self::assertSame([], self::scene(...$inside)->findings);
        $deep = self::scene(...$inside, ...[$over(3, 'c2'), $disc(3), $filled('c3', 'w3')]);
        self::assertCount(1, $deep->findings);
        self::assertStringContainsString('nor what lies in a pattern inside a pattern', $deep->findings[0]->message);
        // Nor does one fill what it is made of.
        $round = self::scene(self::MOTIF, self::pattern('p4'), $filled('a1', 'w1'));
        self::assertSame('sa1', $round->findings[0]->step);
        // A frieze goes on in two directions only.
        self::assertStringContainsString(
            'no pattern that goes on in all directions',
            self::scene(self::MOTIF, ['id' => 'f1', 'kind' => 'frieze', 'of' => ['a1'], 'by' => [40, 0]], $disc(1), $filled('c1', 'f1'))
                ->findings[0]->message,
        );
        // Nor does it show copies by the ten thousand in one part.
        self::assertStringContainsString(
            'copies in one part',
            self::scene(self::MOTIF, self::pattern('p4'), $disc(1), [
                'id' => 's1',
                'kind' => 'style',
                'of' => ['c1'],
                'fill' => ['pattern' => 'w1', 'resize' => 0.001],
            ])->findings[0]->message,
        );
        // While 0.5 is typed, it begins with nought.
        $nought = ['id' => 's1', 'kind' => 'style', 'of' => ['c1'], 'fill' => ['pattern' => 'w1', 'resize' => 0]];
        $told = self::scene(self::MOTIF, self::pattern('p4'), $disc(1), $nought)->findings[0];
        self::assertSame(['s1', 'fill', true], [$told->step, $told->field, $told->isError()]);
        self::assertStringContainsString('0 times as large cannot be seen', $told->message);
    }

    public function test_bad_cells_are_told(): void
    {
        $says = static fn (array $more): string => self::scene(self::MOTIF, self::pattern('p1', $more))->findings[0]->message;
        self::assertStringContainsString('more than 100 times as large as the cell', $says(['a' => [0.1, 0], 'b' => [0, 0.1]]));
        self::assertStringContainsString('run along one another', $says(['b' => [180, 1e-5]]));
        self::assertStringContainsString('has no size', $says(['a' => [1e-9, 0], 'b' => [0, 1e-9]]));
        self::assertStringContainsString('at most 100,000', $says(['across' => 1000, 'down' => 1000]));
        self::assertStringContainsString('colour 1: the palette has no colour', $says(['colours' => ['nowhere']]));
    }

    /** @return iterable<string, array{string}> */
    public static function plane(): iterable
    {
        foreach (PlaneGroup::names() as $group) {
            yield $group => [$group];
        }
    }

    #[DataProvider('plane')]
    public function test_tiles_laid_side_by_side_are_the_pattern_pixel_by_pixel(string $group): void
    {
        // A part that reaches over the edge of its cell is whole.
        $scene = self::scene(
            ['id' => 'a1', 'kind' => 'part.outline', 'points' => [[296, 303], [332, 308], [315, 331]]],
            self::pattern($group, ['colours' => ['#0f6e84', '#f2b33d', '#7a2748']]),
        );
        $tile = Tile::of($scene, 'w1');
        $facts = $scene->parts()['w1']->facts;
        self::assertSame([$facts['wide'], $facts['high']], [$tile->width, $tile->height]);
        $proof = SeamProof::of($scene, $tile);
        self::assertSame(0, $proof->off, "$group: {$proof->off} of {$proof->compared} by up to {$proof->worst}");
    }

    public function test_a_rectangle_that_is_no_tile_shows_a_seam(): void
    {
        $scene = self::scene(self::MOTIF, self::pattern('p4'));
        $tile = Tile::of($scene, 'w1');
        self::assertTrue(SeamProof::of($scene, $tile)->holds());
        $proof = SeamProof::of($scene, $tile->withMargin(-1.0, 0.0));
        self::assertFalse($proof->holds());
        self::assertGreaterThan(100, $proof->worst);
    }

    public function test_the_parts_in_a_tile_have_the_area_of_orbit_times_motif(): void
    {
        foreach (PlaneGroup::names() as $group) {
            $motif = ['id' => 'a1', 'kind' => 'part.outline', 'points' => [[317, 304], [319, 304.5], [317.5, 306]]];
            $scene = self::scene($motif, self::pattern($group));
            $tile = Tile::of($scene, 'w1');
            $part = $scene->parts()['w1'];
            $spread = $part->spread;
            self::assertNotNull($spread);
            // What of all the copies around lies in the rectangle.
            $window = ['id' => 'x1', 'kind' => 'part.rectangle', 'origin' => [300, 300], 'size' => [$tile->width, $tile->height]];
            [$first, $last, $top, $bottom] = $spread->covering($tile->bounds());
            $shifted = self::scene(
                $motif,
                self::pattern($group, ['across' => $last - $first + 1, 'down' => $bottom - $top + 1]),
                [
                    'id' => 'm1',
                    'kind' => 'move',
                    'of' => ['w1'],
                    'by' => [
                        $first * $spread->lattice->a->x + $top * $spread->lattice->b->x,
                        $first * $spread->lattice->a->y + $top * $spread->lattice->b->y,
                    ],
                ],
                $window,
                ['id' => 'j1', 'kind' => 'join', 'of' => ['m1']],
                ['id' => 'k1', 'kind' => 'common', 'of' => ['j1', 'x1']],
            );
            $cells = ($tile->width * $tile->height) / $part->facts['area'];
            self::assertEqualsWithDelta(
                $cells * $part->facts['orbit'] * $scene->parts()['a1']->area(),
                $shifted->parts()['k1']->area(),
                1e-6,
                $group,
            );
        }
    }

    /** Euler's relation on the torus: what lies in one cell of the arrangement of all copies has vertices - edges + faces = 0. */
    public function test_the_arrangement_of_a_cell_is_one_of_a_torus(): void
    {
        foreach (['p1' => 48, 'p2' => 40, 'pg' => 40, 'p4' => 30, 'p3' => 34] as $group => $radius) {
            $scene = self::scene(
                ['id' => 'a1', 'kind' => 'part.circle', 'center' => [331, 317], 'radius' => $radius],
                self::pattern($group, ['across' => 5, 'down' => 5]),
                ['id' => 'o1', 'kind' => 'overlay', 'of' => ['w1']],
            );
            $lattice = $scene->parts()['w1']->spread?->lattice;
            self::assertNotNull($lattice);
            // Once around from a place where nothing lies by chance; what is off by a cell is the same on the torus.
            $start = $lattice->place(new Vec(2.1234, 2.0765));
            $isInside = static function (Vec $place) use ($lattice, $start): bool {
                $at = $lattice->coordinates($lattice->origin->plus($place->minus($start)));

                return $at->x >= 0.0 && $at->x < 1.0 && $at->y >= 0.0 && $at->y < 1.0;
            };
            $overlay = $scene->overlays()['o1'];
            $mesh = $overlay->mesh();
            $point = static fn (int $number): Vec => new Vec($mesh->x[$number], $mesh->y[$number]);
            $vertices = count(array_filter(array_keys($mesh->x), static fn (int $number): bool => $isInside($point($number))));
            $edges = count(
                array_filter(
                    array_keys($mesh->from),
                    static fn (int $edge): bool => $isInside($point($mesh->from[$edge])->towards($point($mesh->to[$edge]), 0.5)),
                ),
            );
            $faces = 0;
            foreach (array_keys($mesh->cells) as $cell) {
                $outlines = $overlay->cellOutlines($cell);
                self::assertCount(1, $outlines, 'Every face is a disc.');
                $faces += $isInside($outlines[0]->centroid()) ? 1 : 0;
            }
            self::assertGreaterThan(0, $vertices, $group);
            self::assertSame(0, $vertices - $edges + $faces, "$group: $vertices - $edges + $faces");
        }
    }

    public function test_every_grid_gives_its_lattice(): void
    {
        $area = static fn (array $grid, string $group, int $columns, int $rows): float => self::scene($grid, self::MOTIF, [
            'id' => 'w1',
            'kind' => 'pattern',
            'of' => ['a1'],
            'group' => $group,
            'on' => 'g1',
            'columns' => $columns,
            'rows' => $rows,
        ])->parts()['w1']->facts['area'];
        self::assertEqualsWithDelta(3 * 40 * 2 * 30, $area(Sample::rectangular(['cell' => [40, 30]]), 'pmm', 3, 2), 1e-9);
        self::assertEqualsWithDelta(
            4 * 400,
            $area(['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 20, 'rows' => 20, 'cell' => 20], 'p4m', 2, 2),
            1e-9,
        );
        // A rhomb of triangles spans its lattice at 60°; on rows that fill a rectangle the turned way is one of the grid's as well.
        foreach (['rhomb', 'rectangle'] as $field) {
            $triangles = [
                'id' => 'g1',
                'kind' => 'grid.triangular',
                'origin' => [100, 100],
                'side' => 20,
                'columns' => 12,
                'rows' => 12,
                'field' => $field,
            ];
            self::assertEqualsWithDelta((sqrt(3) / 2) * 80 ** 2, $area($triangles, 'p6', 4, 4), 1e-9, $field);
        }
        self::assertEqualsWithDelta(
            2 * 3 * 50 * 40 * sin(deg2rad(70)),
            $area(
                [
                    'id' => 'g1',
                    'kind' => 'grid.twoaxis',
                    'origin' => [100, 100],
                    'angles' => [0, 70],
                    'columns' => 8,
                    'rows' => 8,
                    'spacing' => [50, 40],
                ],
                'p2',
                2,
                3,
            ),
            1e-6,
        );
    }

    public function test_sizes_in_pixels_that_are_not_exact_are_told_with_the_nearest_that_are(): void
    {
        $tile = Tile::of(self::scene(self::MOTIF, self::pattern('p6m')), 'w1');
        self::assertEqualsWithDelta(90 * sqrt(3), $tile->height, 1e-9);
        self::assertFalse($tile->isExactAt(200));
        // 153 : 265 and 209 : 362 are convergents of 1 : √3 or next to them.
        self::assertSame([[153, 265], [209, 362]], $tile->exactNear(200));
        self::assertTrue(Tile::of(self::scene(self::MOTIF, self::pattern('pgg')), 'w1')->isExactAt(900));
        self::assertSame([[99, 77], [108, 84]], Tile::of(self::scene(self::MOTIF, self::pattern('pgg')), 'w1')->exactNear(100));
    }

    public function test_patterns_behind_one_another_have_a_tile_in_common(): void
    {
        $behind = ['id' => 'z1', 'kind' => 'resize', 'of' => ['w1'], 'about' => [300, 300], 'factor' => 1.5, 'copy' => true];
        $scene = self::scene(self::MOTIF, self::pattern('pgg', ['show' => 'sheet']), $behind);
        $tile = Tile::of($scene, 'w1', ['z1']);
        self::assertEqualsWithDelta([270.0, 210.0], [$tile->width, $tile->height], 1e-9);
        self::assertSame(0, SeamProof::of($scene, $tile)->off);
        try {
            Tile::of(self::scene(self::MOTIF, self::pattern('pgg'), [...$behind, 'factor' => M_PI]), 'w1', ['z1']);
            self::fail('Patterns that never meet again have no tile.');
        } catch (Unusable $fault) {
            self::assertStringContainsString('no tile in common', $fault->getMessage());
        }
        $this->expectException(Unusable::class);
        Tile::of(self::scene(self::MOTIF, self::pattern('p1', ['a' => [90, 1.2345], 'b' => [0.777, 70]])), 'w1');
    }
}
