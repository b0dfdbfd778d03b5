<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;

/** Outlines, shapes, operations, transforms and copies, by what a handbook has of them. */
final class ConstructionKindsTest extends TestCase
{
    public function test_a_bulge_of_one_is_a_half_circle_to_the_left_of_the_way(): void
    {
        $part = self::part([
            'id' => 'p1',
            'kind' => 'part.outline',
            'points' => [[100, 400], [300, 400]],
            'bends' => [['bulge' => 1], null],
        ]);
        self::assertEqualsWithDelta(M_PI * 5000, $part->area(), 1e-9);
        self::assertEqualsWithDelta(300.0, $part->bounds()->top, 1e-9);
    }

    public function test_an_outline_is_a_piece_whichever_way_round_it_is_said(): void
    {
        $points = [[100, 100], [300, 120], [280, 300], [90, 260]];
        $one = self::part(['id' => 'p1', 'kind' => 'part.outline', 'points' => $points]);
        $other = self::part(['id' => 'p1', 'kind' => 'part.outline', 'points' => array_reverse($points)]);
        self::assertEqualsWithDelta($one->area(), $other->area(), 1e-9);
        self::assertSame([1, 0, 4], [$other->pieces(), $other->holes(), $other->nodes()]);
    }

    public function test_a_tangent_arc_leaves_what_came_before_without_a_corner(): void
    {
        $scene = self::scene([
            [
                'id' => 'p1',
                'kind' => 'part.outline',
                'points' => [[100, 100], [300, 140], [360, 300], [120, 330]],
                'bends' => [null, ['tangent' => true], ['tangent' => true], null],
            ],
        ]);
        $curves = $scene->parts()['p1']->allCurves();
        foreach ([0, 1] as $k) {
            self::assertEqualsWithDelta(0.0, $curves[$k]->tangentAt(1.0)->cross($curves[$k + 1]->tangentAt(0.0)), 1e-12);
            self::assertGreaterThan(0.0, $curves[$k]->tangentAt(1.0)->dot($curves[$k + 1]->tangentAt(0.0)));
        }
    }

    public function test_an_outline_that_crosses_itself_is_filled_where_it_winds_and_says_so(): void
    {
        // The star polygon {5/2} winds around all its parts: with the nonzero rule it is filled throughout.
        $points = array_map(
            static fn (int $k): array => [400 + 200 * sin(deg2rad(144 * $k)), 400 - 200 * cos(deg2rad(144 * $k))],
            range(0, 4),
        );
        $scene = self::scene([['id' => 'p1', 'kind' => 'part.outline', 'points' => $points]]);
        self::assertSame(['crosses-itself'], self::codes($scene));
        // 10·tan(π/10)/(3 − tan²(π/10))·R² (handbook formula of the pentagram).
        $tan = tan(M_PI / 10);
        self::assertEqualsWithDelta(10 * $tan / (3 - $tan ** 2) * 40_000, $scene->parts()['p1']->area(), 1e-6);
        self::assertSame([1, 0, 10], [$scene->parts()['p1']->pieces(), $scene->parts()['p1']->holes(), $scene->parts()['p1']->nodes()]);
    }

    public function test_a_polygon_by_its_first_corner_is_the_one_by_radius_and_turn(): void
    {
        foreach ([3, 4, 7] as $corners) {
            foreach ([0.0, 37.0, 215.5] as $heading) {
                $on = Vec::heading($heading)->times(120.0)->plus(new Vec(400.0, 380.0));
                $byCorner = self::part([
                    'id' => 'p1',
                    'kind' => 'part.polygon',
                    'center' => [400, 380],
                    'on' => [$on->x, $on->y],
                    'corners' => $corners,
                ]);
                $byTurn = self::part([
                    'id' => 'p1',
                    'kind' => 'part.polygon',
                    'center' => [400, 380],
                    'radius' => 120,
                    'turn' => $heading,
                    'corners' => $corners,
                ]);
                self::assertEqualsWithDelta(0.0, $byCorner->places[0]->distanceTo($on), 1e-9);
                // Handbook: n/2·r²·sin(2π/n).
                self::assertEqualsWithDelta($corners / 2 * 120 ** 2 * sin(2 * M_PI / $corners), $byCorner->area(), 1e-6);
                foreach ($byTurn->places as $number => $place) {
                    self::assertEqualsWithDelta(0.0, $byCorner->places[$number]->distanceTo($place), 1e-9);
                }
            }
        }
        self::assertSame(
            ['choice'],
            self::codes(self::scene([['id' => 'p1', 'kind' => 'part.polygon', 'center' => [400, 380], 'corners' => 5]])),
        );
        self::assertSame(
            ['choice'],
            self::codes(
                self::scene([
                    ['id' => 'p1', 'kind' => 'part.polygon', 'center' => [400, 380], 'on' => [1, 2], 'radius' => 4, 'corners' => 5],
                ]),
            ),
        );
        self::assertSame(
            ['degenerate'],
            self::codes(
                self::scene([['id' => 'p1', 'kind' => 'part.polygon', 'center' => [400, 380], 'on' => [400, 380], 'corners' => 5]]),
            ),
        );
    }

    public function test_an_ellipse_by_a_corner_of_its_box_reaches_its_sides(): void
    {
        $ellipse = self::part(['id' => 'p1', 'kind' => 'part.ellipse', 'center' => [400, 380], 'corner' => [300, 440]]);
        self::assertEqualsWithDelta(M_PI * 100 * 60, $ellipse->area(), 1e-4 * M_PI * 6000);
        self::assertEqualsWithDelta(320.0, $ellipse->bounds()->top, 1e-2);
        self::assertEqualsWithDelta(500.0, $ellipse->bounds()->right, 1e-2);
        foreach (
            [['corner' => [300, 380]], ['corner' => [300, 440], 'angle' => 10], ['corner' => [300, 440], 'radii' => [5, 6]], []] as $said
        ) {
            self::assertCount(1, self::scene([['id' => 'p1', 'kind' => 'part.ellipse', 'center' => [400, 380], ...$said]])->findings);
        }
    }

    public function test_places_of_a_rectangle_count_clockwise_from_the_first_corner(): void
    {
        foreach ([[[20, 30], [140, 80]], [[140, 80], [20, 30]], [[20, 80], [140, 30]], [[140, 30], [20, 80]]] as $corners) {
            $places = self::part(['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => $corners])->places;
            self::assertEquals($corners, [[$places[0]->x, $places[0]->y], [$places[2]->x, $places[2]->y]]);
            // Clockwise on the screen each corner lies to the right of the way.
            self::assertGreaterThan(0, $places[1]->minus($places[0])->cross($places[2]->minus($places[1])));
        }
        $turned = self::part(['id' => 'p1', 'kind' => 'part.rectangle', 'origin' => [200, 200], 'size' => [100, 50], 'angle' => 90]);
        self::assertEqualsWithDelta([150.0, 200.0, 200.0, 300.0], $turned->bounds()->toArray(), 1e-9);
    }

    public function test_a_star_has_as_many_corners_between_its_rays(): void
    {
        $star = self::part([
            'id' => 'p1',
            'kind' => 'part.polygon',
            'center' => [400, 400],
            'radius' => 100,
            'inner' => 50,
            'corners' => 5,
        ]);
        self::assertCount(10, $star->places);
        self::assertEqualsWithDelta([400.0, 300.0], [$star->places[0]->x, $star->places[0]->y], 1e-9);
        self::assertEqualsWithDelta(50.0, $star->places[1]->distanceTo(new Vec(400, 400)), 1e-9);
        self::assertEqualsWithDelta(5 * 100 * 50 * sin(M_PI / 5), $star->area(), 1e-9);
    }

    public function test_an_ellipse_keeps_within_a_hundred_thousandth_of_its_larger_radius(): void
    {
        $part = self::part(['id' => 'p1', 'kind' => 'part.ellipse', 'center' => [0, 0], 'radii' => [90, 60]]);
        foreach ($part->allCurves() as $curve) {
            for ($k = 0; $k <= 40; $k++) {
                $place = $curve->pointAt($k / 40);
                self::assertEqualsWithDelta(1.0, hypot($place->x / 90, $place->y / 60), 1e-5);
            }
        }
    }

    public function test_a_line_touches_two_circles_from_the_side_that_is_asked_for(): void
    {
        $circles = [
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [200, 400], 'radius' => 100],
            ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [600, 400], 'radius' => 100],
        ];
        $scene = self::scene([
            ...$circles,
            ['id' => 'c3', 'kind' => 'guide.line', 'touching' => ['c1', 'c2'], 'near' => [400, 290]],
            ['id' => 'c4', 'kind' => 'guide.line', 'touching' => ['c1'], 'through' => [[200, 0]]],
        ]);
        self::assertEqualsWithDelta([200.0, 300.0, 600.0, 300.0], $scene->guides()['c3']->bounds()->toArray(), 1e-9);
        // Tangent from a place at distance d: √(d² − r²) (handbook formula).
        self::assertEqualsWithDelta(sqrt(400 ** 2 - 100 ** 2), $scene->guides()['c4']->length(), 1e-9);
    }

    public function test_a_line_lies_beside_another_on_its_left_stands_square_to_it_and_halves_an_angle(): void
    {
        $scene = self::scene([
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[100, 300], [500, 300]]],
            ['id' => 'c2', 'kind' => 'guide.line', 'beside' => 'c1', 'distance' => 40],
            ['id' => 'c3', 'kind' => 'guide.line', 'square' => 'c1', 'at' => [220, 100]],
            ['id' => 'c4', 'kind' => 'guide.line', 'halves' => [[300, 100], [100, 100], [100, 500]]],
            ['id' => 'c5', 'kind' => 'guide.line', 'at' => [100, 100], 'angle' => 90],
        ]);
        self::assertEqualsWithDelta([100.0, 260.0, 500.0, 260.0], $scene->guides()['c2']->bounds()->toArray(), 1e-9);
        self::assertEqualsWithDelta([220.0, 100.0, 220.0, 300.0], $scene->guides()['c3']->bounds()->toArray(), 1e-9);
        // The bisector of a right angle with arms 200 and 400 meets the opposite side at a third (angle bisector theorem).
        self::assertEqualsWithDelta([100.0, 100.0, 100 + 400 / 3, 100 + 400 / 3], $scene->guides()['c4']->bounds()->toArray(), 1e-9);
        self::assertEqualsWithDelta([100.0, 0.0, 100.0, 800.0], $scene->guides()['c5']->bounds()->toArray(), 1e-9);
    }

    public function test_the_spiral_through_golden_squares_runs_on_without_a_corner(): void
    {
        $scene = self::scene([
            ['id' => 'g1', 'kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [800, 800], 'form' => 'squares', 'depth' => 8],
            ['id' => 'c1', 'kind' => 'guide.spiral', 'on' => 'g1'],
        ]);
        $arcs = $scene->guides()['c1']->curves();
        self::assertCount(8, $arcs);
        $length = 0.0;
        for ($k = 0; $k < 8; $k++) {
            // Quarter circles, each smaller by 1/φ (OEIS A001622).
            $length += M_PI / 2 * 800 / 1.6180339887498949 ** ($k + 1);
            if ($k > 0) {
                self::assertEqualsWithDelta(0.0, $arcs[$k - 1]->end()->distanceTo($arcs[$k]->start()), 1e-9);
                self::assertEqualsWithDelta(1.0, $arcs[$k - 1]->tangentAt(1.0)->dot($arcs[$k]->tangentAt(0.0)), 1e-9);
            }
        }
        self::assertEqualsWithDelta($length, $scene->guides()['c1']->length(), 1e-6);
    }

    public function test_what_a_join_is_made_of_is_used_up_and_the_join_lies_and_looks_as_the_topmost_did(): void
    {
        $steps = [
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [300, 300], 'radius' => 80],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [350, 300], 'radius' => 80],
            ['id' => 'p3', 'kind' => 'part.rectangle', 'corners' => [[0, 0], [100, 100]]],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'ink'],
            ['id' => 's2', 'kind' => 'style', 'of' => ['p2'], 'fill' => 'lagoon'],
            ['id' => 'j1', 'kind' => 'join', 'of' => ['p1', 'p2']],
        ];
        $scene = self::scene($steps);
        self::assertSame(['j1', 'p3'], self::drawn($scene));
        self::assertSame('#0f6e84', $scene->drawing[0]->styles[0]?->fill);
        self::assertSame(
            ['p1', 'p2', 'p3', 'j1'],
            self::drawn(self::scene([...array_slice($steps, 0, 5), [...$steps[5], 'keep' => true]])),
        );
        $restyled = self::scene([...$steps, ['id' => 's3', 'kind' => 'style', 'of' => ['j1'], 'fill' => '#112233']]);
        self::assertSame('#112233', $restyled->drawing[0]->styles[0]?->fill);
        // Of a cut the first decides how it looks.
        $cut = self::scene([...array_slice($steps, 0, 5), ['id' => 'k1', 'kind' => 'cut', 'from' => 'p1', 'with' => ['p2']]]);
        self::assertSame(['k1', 'p3'], self::drawn($cut));
        self::assertSame('#1b2140', $cut->drawing[0]->styles[0]?->fill);
    }

    public function test_splits_keep_the_area_and_each_piece_its_look(): void
    {
        $scene = self::scene([
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [300, 300]]],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'lagoon'],
            ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [100, 100], 'columns' => 4, 'rows' => 2, 'size' => [200, 200]],
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[150, 150], [180, 150]]],
            ['id' => 's2', 'kind' => 'split', 'of' => ['p1'], 'by' => ['g1', 'c1']],
            ['id' => 'p2', 'kind' => 'part.piece', 'of' => 's2', 'at' => [[110, 110], [290, 290]]],
            ['id' => 'j1', 'kind' => 'join', 'of' => ['s2'], 'keep' => true],
        ]);
        // A line that ends inside a piece cuts nothing.
        self::assertSame(8, $scene->parts()['s2']->pieces());
        self::assertEqualsWithDelta(40_000.0, $scene->parts()['s2']->area(), 1e-9);
        self::assertSame('#0f6e84', $scene->drawing[0]->styles[7]?->fill);
        self::assertEqualsWithDelta(10_000.0, $scene->parts()['p2']->area(), 1e-9);
        self::assertSame([1, 4], [$scene->parts()['j1']->pieces(), $scene->parts()['j1']->nodes()]);
    }

    public function test_n_turns_by_360_over_n_and_two_mirrors_are_the_identity(): void
    {
        $leaf = [
            'id' => 'p0',
            'kind' => 'part.outline',
            'points' => [[300, 300], [420, 340], [330, 410]],
            'bends' => [['bulge' => 0.4], ['handles' => [[440, 400], [380, 430]]], null],
        ];
        foreach ([3, 7, 12] as $n) {
            $steps = [$leaf];
            for ($k = 1; $k <= $n; $k++) {
                $steps[] = [
                    'id' => "v$k",
                    'kind' => 'turn',
                    'of' => [$k === 1 ? 'p0' : 'v'.($k - 1)],
                    'about' => [400, 400],
                    'angle' => "360/$n",
                ];
            }
            $parts = self::scene($steps)->parts();
            self::assertSameOutline($parts['p0'], $parts["v$n"]);
        }
        $parts = self::scene([
            $leaf,
            ['id' => 'v1', 'kind' => 'mirror', 'of' => ['p0'], 'axis' => [[10, 20], [500, 371]]],
            ['id' => 'v2', 'kind' => 'mirror', 'of' => ['v1'], 'axis' => [[10, 20], [500, 371]]],
        ])->parts();
        self::assertSameOutline($parts['p0'], $parts['v2']);
        self::assertSame([1, 0], [$parts['v1']->pieces(), $parts['v1']->holes()]);
    }

    public function test_copies_grow_about_their_own_centre_along_and_about_the_centre_around(): void
    {
        $disc = ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 100], 'radius' => 40];
        $along = self::scene([
            $disc,
            ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [100, 0], 'count' => 3, 'factor' => 0.5],
        ])->parts()['r1'];
        self::assertEqualsWithDelta(M_PI * (1600 + 400 + 100), $along->area(), 1e-9);
        $second = $along->copy(2, null)?->bounds()->center();
        self::assertEqualsWithDelta([200.0, 100.0], [$second?->x, $second?->y], 1e-9);
        $around = self::scene([
            $disc,
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 100], 'count' => 4, 'factor' => 0.5],
        ])->parts()['r1'];
        $third = $around->copy(3, null)?->bounds()->center();
        self::assertEqualsWithDelta([475.0, 100.0], [$third?->x, $third?->y], 1e-9);
    }

    public function test_copies_share_one_shape_and_are_written_as_uses_of_it_where_they_are_many(): void
    {
        $steps = [
            ['id' => 'p1', 'kind' => 'part.polygon', 'center' => [10, 10], 'radius' => 6, 'corners' => 3],
            ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [20, 0], 'count' => 30, 'across' => [0, 20], 'rows' => 30],
        ];
        $part = self::scene($steps)->parts()['r1'];
        self::assertCount(1, array_unique(array_map(static fn (object $figure): int => spl_object_id($figure->shape), $part->figures())));
        $svg = \Sternbild\Core\Format\SvgDrawing::write(self::scene($steps));
        self::assertSame([1, 900], [substr_count($svg, '<path'), substr_count($svg, '<use')]);
        $steps[1]['rows'] = 10;
        $svg = \Sternbild\Core\Format\SvgDrawing::write(self::scene($steps));
        self::assertSame([300, 0], [substr_count($svg, '<path'), substr_count($svg, '<use')]);
        $svg = \Sternbild\Core\Format\SvgDrawing::writeWithUses(self::scene($steps));
        self::assertSame([1, 300], [substr_count($svg, '<path'), substr_count($svg, '<use')]);
    }

    public function test_a_copy_that_is_used_by_itself_is_not_drawn_with_the_others_any_more(): void
    {
        $scene = self::scene([
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 200], 'radius' => 60],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => 6],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [400, 200], 'radius' => 30],
            ['id' => 'k1', 'kind' => 'cut', 'from' => 'r1[1]', 'with' => ['p2']],
        ]);
        self::assertSame(['r1', 'k1'], self::drawn($scene));
        self::assertSame([true, false, false, false, false, false], array_map(is_null(...), $scene->drawing[0]->styles));
        self::assertEqualsWithDelta(M_PI * (3600 - 900), $scene->parts()['k1']->area(), 1e-9);
    }

    public function test_guides_are_moved_and_repeated_and_give_guides(): void
    {
        $scene = self::scene([
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[400, 400], [400, 100]]],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['c1'], 'center' => [400, 400], 'count' => 5],
            ['id' => 'v1', 'kind' => 'move', 'of' => ['r1[2]'], 'by' => [10, 0], 'copy' => true],
        ]);
        self::assertEqualsWithDelta(1500.0, $scene->guides()['r1']->length(), 1e-9);
        self::assertEqualsWithDelta(300.0, $scene->guides()['v1']->length(), 1e-9);
        self::assertTrue(isset($scene->usedUp['c1']));
    }

    public function test_sizes_of_parts_are_numbers_with_names(): void
    {
        $scene = self::scene([
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[20, 30], [140, 80]]],
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => ['p1.wide', 'p1.high'], 'radius' => 'sqrt(p1.area)'],
        ]);
        self::assertEqualsWithDelta([120.0, 50.0], [$scene->guides()['c1']->center()->x, $scene->guides()['c1']->center()->y], 1e-9);
        self::assertEqualsWithDelta(sqrt(6000), $scene->guides()['c1']->quantities()['radius'] ?? 0.0, 1e-9);
    }

    /**
     * @return iterable<string, array{list<array<string, mixed>>, string, string, string}> steps, and step, field and words of the finding
     */
    public static function faults(): iterable
    {
        $square = ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [300, 300]]];
        yield 'two points without a bend' => [
            [['id' => 'p1', 'kind' => 'part.outline', 'points' => [[0, 0], [100, 0]]]],
            'p1',
            'bends',
            'two points enclose nothing',
        ];
        yield 'more bends than ways' => [
            [['id' => 'p1', 'kind' => 'part.outline', 'points' => [[0, 0], [100, 0], [0, 100]], 'bends' => [null, null, null, null]]],
            'p1',
            'bends',
            '4 bends for 3 ways',
        ];
        yield 'a tangent arc straight back' => [
            [
                [
                    'id' => 'p1',
                    'kind' => 'part.outline',
                    'points' => [[0, 0], [100, 0], [50, 0], [50, 90]],
                    'bends' => [null, ['tangent' => true]],
                ],
            ],
            'p1',
            'bends.1',
            'straight back',
        ];
        yield 'every arc tangent' => [
            [
                [
                    'id' => 'p1',
                    'kind' => 'part.outline',
                    'points' => [[0, 0], [100, 0], [50, 90]],
                    'bends' => array_fill(0, 3, ['tangent' => true]),
                ],
            ],
            'p1',
            'bends.0',
            'none says where to begin',
        ];
        yield 'an arc through a line' => [
            [['id' => 'p1', 'kind' => 'part.outline', 'points' => [[0, 0], [100, 0], [50, 90]], 'bends' => [['through' => [50, 0]]]]],
            'p1',
            'bends.0',
            'in a line',
        ];
        yield 'all points in a line' => [
            [['id' => 'p1', 'kind' => 'part.outline', 'points' => [[0, 0], [100, 0], [50, 0]]]],
            'p1',
            'points',
            'encloses nothing',
        ];
        yield 'a run with a bend too many' => [
            [['id' => 'c1', 'kind' => 'guide.run', 'points' => [[0, 0], [100, 0]], 'bends' => [null, null]]],
            'c1',
            'bends',
            'one way fewer',
        ];
        yield 'resized by nothing' => [
            [$square, ['id' => 'v1', 'kind' => 'resize', 'of' => ['p1'], 'about' => [0, 0], 'factor' => 0]],
            'v1',
            'factor',
            'leaves nothing',
        ];
        yield 'resized to a line' => [
            [$square, ['id' => 'v1', 'kind' => 'resize', 'of' => ['p1'], 'about' => [0, 0], 'factors' => [2, 0]]],
            'v1',
            'factors',
            'leaves nothing',
        ];
        yield 'an axis of one place' => [
            [$square, ['id' => 'v1', 'kind' => 'mirror', 'of' => ['p1'], 'axis' => [[50, 50], [50, 50]]]],
            'v1',
            'axis',
            'are the same',
        ];
        yield 'onto a line' => [
            [
                $square,
                ['id' => 'v1', 'kind' => 'onto', 'of' => ['p1'], 'from' => [[0, 0], [1, 0], [0, 1]], 'to' => [[0, 0], [1, 1], [2, 2]]],
            ],
            'v1',
            'to',
            'in a line',
        ];
        yield 'parts and guides together' => [
            [
                $square,
                ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [0, 0], 'radius' => 9],
                ['id' => 'v1', 'kind' => 'move', 'of' => ['p1', 'c1'], 'by' => [1, 1]],
            ],
            'v1',
            'of',
            'parts and guides',
        ];
        yield 'a copy that does not exist' => [
            [
                $square,
                ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [9, 9], 'count' => 3],
                ['id' => 'v1', 'kind' => 'move', 'of' => ['r1[4]'], 'by' => [1, 1]],
            ],
            'v1',
            'of',
            'copy 4 does not exist: repeat 1 has 3',
        ];
        yield 'a part of a copy that does not exist' => [
            [
                $square,
                ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [9, 9], 'count' => 3],
                ['id' => 'v1', 'kind' => 'move', 'of' => ['r1[2].2'], 'by' => [1, 1]],
            ],
            'v1',
            'of',
            'part 2 does not exist',
        ];
        yield 'copies of what has none' => [
            [$square, ['id' => 'v1', 'kind' => 'move', 'of' => ['p1[1]'], 'by' => [1, 1]]],
            'v1',
            'of',
            'has no copies',
        ];
        yield 'a piece where there is none' => [
            [$square, ['id' => 'p2', 'kind' => 'part.piece', 'of' => 'p1', 'at' => [[200, 200], [500, 500]]]],
            'p2',
            'at.1',
            'no piece of the part encloses place 2',
        ];
        yield 'a corner that does not exist' => [
            [$square, ['id' => 'c1', 'kind' => 'guide.circle', 'center' => 'p1@5', 'radius' => 9]],
            'c1',
            'center',
            'place 5 does not exist: there are 1 to 4',
        ];
        yield 'a spiral without squares' => [
            [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 2, 'rows' => 2, 'cell' => 9],
                ['id' => 'c1', 'kind' => 'guide.spiral', 'on' => 'g1'],
            ],
            'c1',
            'on',
            'cut into squares',
        ];
        yield 'a line in two ways' => [
            [['id' => 'c1', 'kind' => 'guide.line', 'through' => [[0, 0], [1, 1]], 'halves' => [[0, 0], [1, 1], [2, 0]]]],
            'c1',
            'through',
            'one way',
        ];
        yield 'rows without a way' => [
            [$square, ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [9, 9], 'count' => 3, 'rows' => 2]],
            'r1',
            'across',
            'from one to the next',
        ];
    }

    /** @param  list<array<string, mixed>>  $steps */
    #[DataProvider('faults')]
    public function test_what_cannot_be_says_where_and_why_and_the_rest_stands(
        array $steps,
        string $step,
        string $field,
        string $words,
    ): void {
        $scene = self::scene($steps);
        $found = array_values(array_filter($scene->findings, static fn (Finding $finding): bool => $finding->isError()));
        self::assertCount(1, $found);
        self::assertSame([$step, $field], [$found[0]->step, $found[0]->field]);
        self::assertStringContainsString($words, $found[0]->message);
        self::assertCount(count($steps) - 1, $scene->known);
    }

    public function test_a_hundred_thousand_points_are_refused_at_their_field(): void
    {
        $this->expectException(Unusable::class);
        $this->expectExceptionMessage('/steps/0/points: expected 2 to 10000 places');
        self::scene([
            ['id' => 'p1', 'kind' => 'part.outline', 'points' => array_map(static fn (int $k): array => [$k % 317, $k], range(1, 100_000))],
        ]);
    }

    public function test_an_outline_of_ten_thousand_points_is_read(): void
    {
        $points = array_map(
            static fn (int $k): array => [
                400 + (200 + ($k % 2)) * sin(($k / 5000) * M_PI),
                400 - (200 + ($k % 2)) * cos(($k / 5000) * M_PI),
            ],
            range(1, 10_000),
        );
        self::assertSame(10_000, self::part(['id' => 'p1', 'kind' => 'part.outline', 'points' => $points])->nodes());
    }

    private static function assertSameOutline(Part $one, Part $other): void
    {
        foreach ($one->allCurves() as $number => $curve) {
            foreach ([0.0, 0.3, 1.0] as $t) {
                self::assertEqualsWithDelta(0.0, $curve->pointAt($t)->distanceTo($other->allCurves()[$number]->pointAt($t)), 1e-9);
            }
        }
    }

    /** @return list<string> */
    private static function drawn(Scene $scene): array
    {
        return array_column($scene->drawing, 'id');
    }

    /** @return list<string> */
    private static function codes(Scene $scene): array
    {
        return array_map(static fn (Finding $finding): string => $finding->code, $scene->findings);
    }

    /** @param  array<string, mixed>  $step */
    private static function part(array $step): Part
    {
        $scene = self::scene([$step]);
        self::assertSame([], $scene->findings);

        return $scene->parts()['p1'];
    }

    /** @param  list<array<string, mixed>>  $steps */
    private static function scene(array $steps): Scene
    {
        return Sample::scene(Sample::plan($steps));
    }
}
