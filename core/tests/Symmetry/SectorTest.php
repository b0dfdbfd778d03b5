<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Symmetry;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Edit\DrawingIn;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Sample;

/** What is drawn in any sector of a repeat is drawn in the first one, and so in all. */
final class SectorTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function plan(array $more): array
    {
        return Sample::plan([
            Sample::polar(['sectors' => 12, 'axis' => 'spoke']),
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [440, 200], 'radius' => 8],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 6, ...$more],
        ]);
    }

    /**
     * What a step becomes that is drawn into the repeat.
     *
     * @param  array<string, mixed>  $plan
     * @param  array<string, mixed>  $step
     * @return array<string, mixed>
     */
    private static function drawn(array $plan, array $step): array
    {
        $edit = PlanEdit::apply($plan, [['op' => 'add', 'step' => $step]], Kinds::all());
        $operations = DrawingIn::operations(
            Sample::scene($edit->plan()),
            $edit->added()[0],
            ['op' => 'add', 'step' => $step, 'into' => 'r1'],
            '/operations/0',
        );

        return PlanEdit::apply($plan, $operations, Kinds::all())->plan();
    }

    /** @param  array<string, mixed>  $plan */
    private static function sceneOf(array $plan): Scene
    {
        $scene = Sample::scene(Sample::unchecked($plan));
        self::assertSame([], $scene->findings);

        return $scene;
    }

    /** @return iterable<string, array{array<string, mixed>, Affine}> */
    public static function sectors(): iterable
    {
        $center = new Vec(400.0, 400.0);
        foreach (range(0, 5) as $k) {
            yield "turned, sector $k" => [[], Affine::turn(60.0 * $k, $center)];
            yield "mirrored, sector $k" => [['mirror' => true], Affine::turn(60.0 * $k, $center)];
            yield "mirrored, the image in sector $k" => [
                ['mirror' => true],
                Affine::mirrorUpright($center)->then(Affine::turn(60.0 * $k, $center)),
            ];
        }
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('sectors')]
    public function test_a_drawing_in_any_sector_lands_in_the_first(array $more, Affine $there): void
    {
        $points = [new Vec(420.0, 260.0), new Vec(470.0, 250.0), new Vec(450.0, 320.0)];
        $drawn = self::drawn(self::plan($more), [
            'kind' => 'part.outline',
            'points' => array_map(static fn (Vec $at): array => [$there->apply($at)->x, $there->apply($at)->y], $points),
            'bends' => [null, ['bulge' => $there->isMirrored() ? -0.3 : 0.3], null],
        ]);
        self::assertSame(['g1', 'p1', 'p2', 'r1'], array_column($drawn['steps'], 'id'));
        self::assertSame(['p1', 'p2'], $drawn['steps'][3]['of']);
        foreach ($points as $number => $at) {
            self::assertEqualsWithDelta([$at->x, $at->y], $drawn['steps'][2]['points'][$number], 1e-3);
        }
        self::assertSame([null, ['bulge' => 0.3], null], $drawn['steps'][2]['bends'] ?? null);
        $scene = self::sceneOf($drawn);
        self::assertCount(2 * 6 * (isset($more['mirror']) ? 2 : 1), $scene->parts()['r1']->figures());
    }

    public function test_intersections_stay_intersections_and_cells_stay_cells(): void
    {
        $drawn = self::drawn(self::plan(['count' => 12]), ['kind' => 'part.outline', 'points' => ['g1@2,5', 'g1@3,5', 'g1@3,6']]);
        self::assertSame(['g1@2,1', 'g1@3,1', 'g1@3,2'], $drawn['steps'][2]['points']);
        $cells = self::drawn(self::plan(['count' => 12]), ['kind' => 'part.cells', 'cells' => ['g1#4,7', 'g1#5,7']]);
        self::assertSame(['g1#4,1', 'g1#5,1'], $cells['steps'][2]['cells']);
        // Mirrored about the upright line, the left half of a sector is the right half of the first one.
        $mirrored = self::drawn(self::plan(['count' => 6, 'mirror' => true]), ['kind' => 'part.cells', 'cells' => ['g1#4,12']]);
        self::assertSame(['g1#4,1'], $mirrored['steps'][2]['cells']);
    }

    public function test_outlines_that_reach_the_edge_close_with_their_neighbours(): void
    {
        // A field that reaches from spoke to spoke: twelve of them are a ring without a gap.
        $drawn = self::drawn(self::plan(['count' => 12]), ['kind' => 'part.outline', 'points' => ['g1@2,7', 'g1@4,7', 'g1@4,8', 'g1@2,8']]);
        $drawn['steps'][] = ['id' => 'j1', 'kind' => 'join', 'of' => ['r1']];
        $part = self::sceneOf($drawn)->parts()['j1'];
        self::assertSame(1, $part->holes());
        self::assertSame(1, $part->pieces());
        self::assertEqualsWithDelta(12 * 0.5 * (240 ** 2 - 120 ** 2) * sin(deg2rad(30)), $part->area(), 0.1);
    }

    public function test_looks_and_what_is_made_of_other_steps_stay_as_they_are(): void
    {
        $plan = self::plan([]);
        $plan['steps'][] = ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'ink'];
        $inset = ['kind' => 'inset', 'of' => ['p1'], 'distance' => 2];
        $edit = PlanEdit::apply($plan, [['op' => 'add', 'step' => $inset]], Kinds::all());
        self::assertSame(
            [['op' => 'add', 'step' => $inset]],
            DrawingIn::operations(
                Sample::scene($edit->plan()),
                $edit->added()[0],
                ['op' => 'add', 'step' => $inset, 'into' => 'r1'],
                '/operations/0',
            ),
        );
    }

    public function test_only_a_repeat_all_the_way_around_has_sectors(): void
    {
        foreach ([['angle' => 20], ['factor' => 0.9], ['count' => 1]] as $more) {
            try {
                self::drawn(self::plan($more), ['kind' => 'part.circle', 'center' => [420, 260], 'radius' => 5]);
                self::fail('It was drawn in.');
            } catch (Unusable $fault) {
                self::assertSame('/operations/0/into', $fault->pointer);
            }
        }
    }

    public function test_places_of_the_repeat_itself_become_places_before_it(): void
    {
        $drawn = self::drawn(self::plan([]), ['kind' => 'part.circle', 'center' => 'r1[1]!', 'radius' => 20]);
        self::assertEqualsWithDelta([440, 200], $drawn['steps'][2]['center'], 1e-6);
    }
}
