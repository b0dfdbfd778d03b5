<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Snap;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Snap\Candidate;
use Sternbild\Core\Snap\Settling;
use Sternbild\Core\Snap\Snapper;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\CloseUp;

final class SnapTest extends TestCase
{
    private static function sheet(): Scene
    {
        return Sample::scene(Sample::plan(self::steps()));
    }

    /**
     * @param  list<string>  $kinds
     * @return list<Candidate>
     */
    private static function near(float $x, float $y, float $reach, array $kinds = Snapper::KINDS): array
    {
        return self::sheet()->snapper()->near(new Vec($x, $y), $reach, $kinds);
    }

    public function test_an_intersection_goes_before_what_lies_right_beside_it_and_along_a_line(): void
    {
        // The line passes at 3, the intersection lies at 12.
        $found = self::near(300, 408, 13, ['intersection', 'edge']);
        self::assertSame(['intersection', 'g1@2,3'], [$found[0]->kind, $found[0]->raw]);
        self::assertGreaterThan(
            min([INF, ...array_map(static fn (Candidate $candidate): float => $candidate->distance, $found)]),
            $found[0]->distance,
        );
        self::assertSame('a point goes before a place along an edge', Snapper::why($found));
        // A corner within 2 of 14 of an intersection, and one further off, each under the pointer.
        $scene = Sample::scene(Sample::plan([
            ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 4, 'rows' => 4, 'cell' => [100, 100]],
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[101.9, 100], [207, 207]]],
        ]));
        $at = static fn (float $x, float $y): array => $scene->snapper()->near(new Vec($x, $y), 14, Snapper::KINDS);
        self::assertSame('g1@1,1', $at(101.9, 100)[0]->raw);
        self::assertSame('an intersection goes before what lies right beside it', Snapper::why($at(101.9, 100)));
        self::assertSame([207.0, 207.0], [$at(207, 207)[0]->at->x, $at(207, 207)[0]->at->y]);
        self::assertSame('corner', $at(204, 204)[0]->kind, 'The nearest, though an intersection is within reach.');
        self::assertSame('g1@2,2', $at(203, 203)[0]->raw);
    }

    public function test_of_other_points_the_nearest_wins_and_an_edge_comes_last(): void
    {
        $found = self::near(326, 409, 8, ['crossing', 'midpoint', 'edge', 'tangent']);
        self::assertSame(['crossing', 'c3*c2/1'], [$found[0]->kind, $found[0]->raw]);
        self::assertSame('edge', $found[count($found) - 1]->kind);
        self::assertSame(
            ['edge'],
            array_unique(
                array_map(static fn (Candidate $candidate): string => $candidate->kind, self::near(640, 413, 5, ['edge', 'crossing'])),
            ),
        );
    }

    public function test_every_kind_is_found_where_it_is_and_only_when_allowed(): void
    {
        foreach (
            [
                'tangent' => [350, 410],
                'circle-centre' => [350, 350],
                'cell-centre' => [450, 150],
                'midpoint' => [400, 410],
                'end' => [680, 410],
                'crossing' => [325.8, 410],
                'intersection' => [200, 200],
                'edge' => [222, 200],
                'quadrant' => [350, 290],
            ] as $kind => [$x, $y]
        ) {
            $found = self::near($x + 0.2, $y - 0.1, 3, [$kind]);
            self::assertNotSame([], $found, $kind);
            self::assertSame($kind, $found[0]->kind);
            self::assertLessThan(0.5, $found[0]->at->distanceTo(new Vec($x, $y)));
            self::assertNotContains(
                $kind,
                array_map(
                    static fn (Candidate $candidate): string => $candidate->kind,
                    self::near($x, $y, 3, array_values(array_diff(Snapper::KINDS, [$kind]))),
                ),
            );
        }
        self::assertSame([], self::near(60, 60, 5));
        self::assertSame('nothing within reach', Snapper::why([]));
    }

    public function test_a_circle_and_a_disc_have_a_highest_and_a_lowest_place_that_follow_them(): void
    {
        $steps = static fn (float $radius): array => [
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [200, 200], 'radius' => $radius],
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [500, 300], 'radius' => $radius],
            ['id' => 'p2', 'kind' => 'part.ellipse', 'center' => [600, 600], 'radii' => [40, 20]],
        ];
        $found = Sample::scene(Sample::plan($steps(60)))
            ->snapper()
            ->near(new Vec(400, 300), 2000, ['quadrant']);
        $at = array_combine(array_map(static fn (Candidate $one): string => $one->name, $found), $found);
        self::assertCount(8, $at, 'An ellipse has none.');
        foreach (
            [
                'the highest place of circle 1' => [200, 140],
                'the lowest place of circle 1' => [200, 260],
                'the leftmost place of disc 1' => [440, 300],
                'the lowest place of disc 1' => [500, 360],
            ] as $name => [$x, $y]
        ) {
            self::assertEqualsWithDelta([$x, $y], [$at[$name]->at->x, $at[$name]->at->y], 1e-9);
            $larger = Sample::scene(
                Sample::plan([...$steps(90), ['id' => 'c9', 'kind' => 'guide.circle', 'center' => $at[$name]->raw, 'radius' => 5]]),
            );
            $center = str_contains($name, 'disc') ? new Vec(500, 300) : new Vec(200, 200);
            self::assertEqualsWithDelta(90.0, $larger->guides()['c9']->center()->distanceTo($center), 1e-6);
        }
    }

    public function test_what_a_candidate_writes_leads_back_to_its_place(): void
    {
        foreach (
            [
                [350, 410],
                [350, 350],
                [450, 150],
                [400, 410],
                [680, 410],
                [326, 410],
                [200, 200],
                [222, 200],
                [293, 371],
                [150, 200],
                [331, 298],
            ] as [$x, $y]
        ) {
            foreach (self::near($x, $y, 9) as $candidate) {
                $plan = Sample::plan([
                    ...self::steps(),
                    ['id' => 'c9', 'kind' => 'guide.circle', 'center' => $candidate->raw, 'radius' => 7],
                ]);
                $scene = Sample::scene($plan);
                self::assertArrayHasKey('c9', $scene->guides(), json_encode($candidate->raw, JSON_THROW_ON_ERROR));
                self::assertLessThan(1e-5, $scene->guides()['c9']->center()->distanceTo($candidate->at));
            }
        }
    }

    public function test_of_a_motif_its_copies_have_places_and_where_it_was_drawn_there_are_none(): void
    {
        $plan = (new PlanReader(Kinds::all()))
            ->fromArray(
                Sample::plan([
                    ['id' => 'p1', 'kind' => 'part.circle', 'center' => [60, 60], 'radius' => 20],
                    ['id' => 'f1', 'kind' => 'motif', 'of' => ['p1'], 'anchor' => 'p1!'],
                    ['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => [[400, 300]]],
                ]),
            )
            ->withLinesOnly();
        $found = (new Evaluator(new ShortMemory))
            ->evaluate($plan)
            ->snapper()
            ->near(new Vec(400, 300), 2000, ['part-centre', 'circle-centre']);
        self::assertSame([['q1!', 400.0, 300.0]], array_map(static fn ($one): array => [$one->raw, $one->at->x, $one->at->y], $found));
    }

    public function test_the_list_of_all_places_holds_what_any_question_finds_and_nothing_else(): void
    {
        $scene = Sample::scene(
            Sample::plan([...self::steps(), ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[120, 120], [260, 230]]]]),
        );
        $listed = [];
        foreach ($scene->snapPlaces([])->known as $groups) {
            foreach ($groups as $group) {
                foreach ($group['raws'] as $k => $raw) {
                    $listed[json_encode([$group['kind'], $raw, $group['name']], JSON_THROW_ON_ERROR)] = [
                        $group['places'][2 * $k],
                        $group['places'][2 * $k + 1],
                    ];
                }
            }
        }
        $found = [];
        $kinds = array_values(array_diff(Snapper::KINDS, ['edge', 'intersection', 'cell-centre']));
        foreach ($scene->snapper()->near(new Vec(400, 400), 2000, $kinds) as $candidate) {
            if ($candidate->kind !== 'midpoint' || ! is_string($candidate->raw) || ! str_starts_with($candidate->raw, 'g1')) {
                $found[json_encode([$candidate->kind, $candidate->raw, $candidate->name], JSON_THROW_ON_ERROR)] = [
                    $candidate->at->x,
                    $candidate->at->y,
                ];
            }
        }
        ksort($listed);
        ksort($found);
        self::assertGreaterThan(20, count($found));
        self::assertSame($found, $listed);
    }

    public function test_of_the_list_of_places_only_what_changed_is_said_again(): void
    {
        $before = self::sheet()->snapPlaces([]);
        self::assertTrue($before->complete);
        $steps = self::steps();
        $steps[3]['through'] = [[320, 200], [340, 560]];
        $after = Sample::scene(Sample::plan($steps))->snapPlaces($before->groups);
        $again = array_merge(...array_values($after->known));
        self::assertNotSame([], $again);
        foreach ($again as $group) {
            self::assertContains('c3', $group['of']);
        }
        self::assertSame([], array_diff($after->groups, $before->groups, array_keys($after->known)));
    }

    public function test_lines_by_the_thousand_are_not_all_met_with_one_another(): void
    {
        $lines = [];
        for ($k = 0; $k < 300; $k++) {
            $lines[] = ['id' => "c$k", 'kind' => 'guide.line', 'through' => [[0, 2 * $k], [800, 800 - 2 * $k]]];
        }
        self::assertFalse(Sample::scene(Sample::plan($lines))->snapPlaces([])->complete);
    }

    public function test_hidden_grids_and_those_left_out_offer_nothing(): void
    {
        $steps = self::steps();
        $steps[0]['hidden'] = true;
        self::assertSame([], Sample::scene(Sample::plan($steps))->snapper()->near(new Vec(200, 200), 5, Snapper::KINDS));
        self::assertSame([], self::sheet()->snapper()->near(new Vec(200, 200), 5, Snapper::KINDS, ['g1']));
    }

    public function test_a_dragged_circle_settles_where_it_touches_and_says_what(): void
    {
        $circle = static fn (string $id, float $x, float $y, float $radius): array => [
            'id' => $id,
            'kind' => 'guide.circle',
            'center' => [$x, $y],
            'radius' => $radius,
        ];
        $scene = Sample::scene(
            Sample::plan([
                $circle('c1', 200, 400, 100),
                $circle('c2', 600, 200, 50),
                ['id' => 'c3', 'kind' => 'guide.line', 'through' => [[0, 560], [800, 560]]],
                ['id' => 'c4', 'kind' => 'guide.circle', 'touching' => ['c2'], 'near' => [700, 100]],
            ]),
        );
        $beside = self::settled($scene, new Vec(352, 401));
        self::assertEqualsWithDelta(150.0, $beside->center->distanceTo(new Vec(200, 400)), 1e-9);
        self::assertSame(['c1'], array_column($beside->touches, 'id'));
        self::assertEqualsWithDelta(100.0, $beside->touches[0]['at']->distanceTo(new Vec(200, 400)), 1e-9);
        $both = self::settled($scene, new Vec(312, 508));
        self::assertSame(['c1', 'c3'], array_column($both->touches, 'id'));
        self::assertEqualsWithDelta(510.0, $both->center->y, 1e-9);
        $free = self::settled($scene, new Vec(420, 401));
        self::assertSame([[420.0, 401.0], []], [[$free->center->x, $free->center->y], $free->touches]);
    }

    public function test_a_close_up_tells_a_millionth_from_nothing(): void
    {
        $gap = 1e-6;
        $scene = static fn (float $gap): Scene => Sample::scene(Sample::plan([
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 300], 'radius' => 100],
            ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [400, 450 + $gap], 'radius' => 50],
        ]));
        $window = new Bounds(400 - 4e-6, 400 - 3e-6, 400 + 4e-6, 400 + 3e-6);
        $apart = CloseUp::look($scene($gap), $window);
        self::assertEqualsWithDelta($gap, $apart['gaps'][0]['distance'], 1e-12);
        self::assertSame(['circle 1', 'circle 2'], $apart['gaps'][0]['labels']);
        self::assertCount(2, $apart['curves']);
        // In shares of the window's width: the first circle passes through the middle, the other an eighth of the width below it.
        [$first, $second] = array_map(static fn (array $curve): array => $curve['points'], $apart['curves']);
        self::assertEqualsWithDelta(0.375, $first[count($first) >> 1 | 1], 1e-4);
        self::assertEqualsWithDelta(0.5, $second[count($second) >> 1 | 1], 1e-4);
        self::assertSame(0.0, CloseUp::look($scene(0.0), $window)['gaps'][0]['distance']);
        self::assertSame([], CloseUp::look($scene(0.0), new Bounds(10, 10, 20, 20))['curves']);
    }

    public function test_a_disc_settles_where_it_touches_another_and_not_on_what_is_made_of_it(): void
    {
        $scene = Sample::scene(Sample::plan([
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [300, 300], 'radius' => 100],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [600, 300], 'radius' => 50],
            ['id' => 'p3', 'kind' => 'part.rectangle', 'corners' => [[440, 100], [460, 500]]],
            ['id' => 'v1', 'kind' => 'move', 'of' => ['p2'], 'by' => [0, 10], 'copy' => true],
        ]));
        $settled = $scene->settle('p2', new Vec(452, 300), 8);
        self::assertNotNull($settled);
        self::assertEqualsWithDelta(150.0, $settled->center->distanceTo(new Vec(300, 300)), 1e-9);
        self::assertSame(['p1'], array_column($settled->touches, 'id'));
        self::assertNull($scene->settle('p3', new Vec(0, 0), 8), 'What is no circle touches nothing by itself.');
        self::assertSame([], $scene->settle('p2', new Vec(600, 304), 8)?->touches);
    }

    /** @return list<array<string, mixed>> */
    private static function steps(): array
    {
        return [
            Sample::rectangular(['origin' => [100, 100], 'cell' => [100, 100]]),
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [350, 350], 'radius' => 60],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[120, 410], [680, 410]]],
            ['id' => 'c3', 'kind' => 'guide.line', 'through' => [[320, 200], [330, 560]]],
        ];
    }

    private static function settled(Scene $scene, Vec $center): Settling
    {
        return $scene->settle('c2', $center, 8) ?? self::fail('c2 is no circle.');
    }

    public function test_the_middle_of_copies_all_the_way_around_is_their_centre_not_that_of_their_bounds(): void
    {
        foreach ([7 => [400.0, 400.0], 5 => [400.0, 400.0]] as $count => $centre) {
            $scene = Sample::scene(Sample::plan([
                ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => 3, 'sectors' => $count],
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 200], 'radius' => 30],
                ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 'g1.sectors'],
            ]));
            $bounds = $scene->parts()['r1']->bounds()->center();
            self::assertGreaterThan(
                1.0,
                $bounds->distanceTo(new Vec(...$centre)),
                'An odd number of copies is not bounded about its centre.',
            );
            $found = $scene->snapper()->near(new Vec(...$centre), 8.0, ['part-centre']);
            self::assertSame(
                [['g1@0', 'the centre of repeat 1']],
                array_map(static fn (Candidate $one): array => [$one->raw, $one->name], $found),
            );
            self::assertSame($centre, [$found[0]->at->x, $found[0]->at->y]);
        }
    }
}
