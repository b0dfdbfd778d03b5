<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;

/** Motifs are drawn only where they are placed, and every copy follows. */
final class MotifTest extends TestCase
{
    private const FLAG = [
        ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[390, 100], [400, 140]]],
        ['id' => 'p2', 'kind' => 'part.outline', 'points' => [[400, 100], [430, 110], [400, 120]]],
        ['id' => 's1', 'kind' => 'style', 'of' => ['p2'], 'fill' => 'lagoon'],
        ['id' => 'f1', 'kind' => 'motif', 'of' => ['p1', 'p2'], 'anchor' => [400, 140]],
    ];

    /**
     * @param  list<array<string, mixed>>  $more
     * @param  list<array<string, mixed>>  $before
     */
    private static function scene(array $more, array $before = []): Scene
    {
        return Sample::scene(Sample::plan([...$before, ...self::FLAG, ...$more]));
    }

    /** @return list<string> */
    private static function drawn(Scene $scene): array
    {
        return array_map(static fn (DrawnPart $part): string => $part->id, $scene->drawing);
    }

    public function test_it_is_drawn_only_where_it_is_placed(): void
    {
        self::assertSame([], self::drawn(self::scene([])));
        $scene = self::scene([['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => [[100, 200], [300, 200]]]]);
        self::assertSame(['q1'], self::drawn($scene));
        self::assertSame(['p1', 'p2'], array_map(static fn (DrawnPart $part): string => $part->id, $scene->inside));
        self::assertStringNotContainsString('M390', SvgDrawing::write($scene), 'What it is made of is in no file.');
        $part = $scene->parts()['q1'];
        self::assertEqualsWithDelta(2 * (400 + 300), $part->area(), 1e-9);
        self::assertSame(
            ['#000000', '#0f6e84', '#000000', '#0f6e84'],
            array_map(static fn ($style): string => $style->fill ?? '', $scene->drawing[0]->styles),
            'Each part keeps its look.',
        );
    }

    public function test_it_is_flipped_then_resized_then_turned_about_its_anchor(): void
    {
        $scene = self::scene([
            ['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => [[200, 300]], 'flip' => true, 'resize' => 2, 'turn' => 90],
        ]);
        // The tip of the flag, 30 to the right of the anchor and 30 above: 30 to the left, twice as far, a quarter turn clockwise.
        $tip = new Vec(200 + 60, 300 - 60);
        $corners = $scene->parts()['q1']->corners();
        self::assertEqualsWithDelta(
            0.0,
            min([INF, ...array_map(static fn (Vec $corner): float => $corner->distanceTo($tip), $corners)]),
            1e-9,
        );
    }

    public function test_it_stands_as_the_grid_does_along_a_spoke(): void
    {
        $scene = self::scene([['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => ['g1#5,*'], 'with' => 'grid']], [Sample::polar()]);
        $part = $scene->parts()['q1'];
        self::assertSame(10, $part->copies()?->count());
        foreach (range(1, 10) as $copy) {
            $one = $part->copy($copy, null);
            self::assertNotNull($one);
            $anchor = $one->figures()[0]->map->apply(new Vec(400, 140));
            $away = $one->figures()[0]->map->apply(new Vec(400, 100))->minus($anchor);
            $spoke = $anchor->minus(new Vec(400, 400));
            self::assertEqualsWithDelta(0.0, $away->unit()->cross($spoke->unit()), 1e-9);
            self::assertGreaterThan(0.0, $away->dot($spoke));
        }
        $more = self::scene(
            [['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => ['g1#5,*'], 'with' => 'grid']],
            [Sample::polar(['sectors' => 14])],
        );
        self::assertSame(14, $more->parts()['q1']->copies()?->count(), 'A whole ring follows the number of sectors.');
    }

    public function test_it_stands_level_with_the_first_axis_of_other_grids(): void
    {
        $grid = [
            'id' => 'g1',
            'kind' => 'grid.twoaxis',
            'origin' => [400, 100],
            'angles' => [45, 135],
            'spacing' => [40, 40],
            'columns' => 6,
            'rows' => 6,
        ];
        $scene = self::scene([['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => ['g1@2,2', [10, 10]], 'with' => 'grid']], [$grid]);
        $part = $scene->parts()['q1'];
        $way = static fn (int $copy): Vec => ($part->copy($copy, null)?->figures()[0]->map->apply(new Vec(1, 0)) ?? Vec::zero())->minus(
            $part->copy($copy, null)?->figures()[0]->map->apply(new Vec(0, 0)) ?? Vec::zero(),
        );
        self::assertEqualsWithDelta(45.0, rad2deg($way(1)->angle()), 1e-9);
        self::assertEqualsWithDelta(0.0, rad2deg($way(2)->angle()), 1e-9, 'Off grids it stays upright.');
    }

    public function test_lost_places_are_left_out_and_said(): void
    {
        $scene = self::scene(
            [['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => ['g1#5,1', 'g1#9,1', 'g1@2,77']]],
            [Sample::polar()],
        );
        self::assertSame(1, $scene->parts()['q1']->copies()?->count());
        self::assertStringContainsString('2 placements are lost', $scene->findings[0]->message);
        $none = self::scene([['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => ['g1#9,1']]], [Sample::polar()]);
        self::assertSame(['at', true], [$none->findings[0]->field, $none->findings[0]->isError()]);
    }

    public function test_ten_thousand_placements_of_a_thousand_curves_are_refused_with_the_limit(): void
    {
        $points = array_map(
            static fn (int $k): array => [400 + (100 + ($k % 2)) * cos(($k * M_PI) / 500), 400 + (100 + ($k % 2)) * sin(($k * M_PI) / 500)],
            range(0, 999),
        );
        $scene = Sample::scene(
            Sample::plan([
                ['id' => 'p1', 'kind' => 'part.outline', 'points' => $points],
                ['id' => 'f1', 'kind' => 'motif', 'of' => ['p1'], 'anchor' => [400, 400]],
                [
                    'id' => 'q1',
                    'kind' => 'place',
                    'motif' => 'f1',
                    'at' => array_map(static fn (int $k): array => [$k % 100, intdiv($k, 100)], range(0, 9999)),
                ],
            ]),
        );
        $errors = array_values(array_filter($scene->findings, static fn (Finding $finding): bool => $finding->isError()));
        self::assertSame(['at', 'limit'], [$errors[0]->field, $errors[0]->code]);
        self::assertStringContainsString('200,000', $errors[0]->message);
    }

    public function test_a_motif_that_holds_itself_is_said_and_nothing_else_is_lost(): void
    {
        $disc = ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 9];
        foreach (
            [
                [['id' => 'f1', 'kind' => 'motif', 'of' => ['f1', 'p1'], 'anchor' => [0, 0]]],
                [
                    ['id' => 'f1', 'kind' => 'motif', 'of' => ['q1'], 'anchor' => [0, 0]],
                    ['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => [[9, 9]]],
                ],
            ] as $steps
        ) {
            try {
                Sample::scene(Sample::plan([$disc, ...$steps]));
                self::fail('It was let through.');
            } catch (Unusable $fault) {
                self::assertSame('/steps/1/of', substr($fault->pointer, 0, 11));
                self::assertStringContainsString('earlier', $fault->getMessage());
            }
        }
    }

    public function test_a_copy_can_be_a_part_of_its_own(): void
    {
        $scene = self::scene([
            ['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => [[100, 200], [300, 200], [500, 200]]],
            ['id' => 'v1', 'kind' => 'move', 'of' => ['q1[2]'], 'by' => [0, 0]],
            ['id' => 's2', 'kind' => 'style', 'of' => ['v1'], 'fill' => 'ink'],
        ]);
        self::assertSame(['q1', 'v1'], self::drawn($scene));
        self::assertSame(
            [true, true, false, false, true, true],
            array_map(static fn ($style): bool => $style !== null, $scene->drawing[0]->styles),
        );
        self::assertSame(['#1b2140', '#1b2140'], array_map(static fn ($style): string => $style->fill ?? '', $scene->drawing[1]->styles));
    }
}
