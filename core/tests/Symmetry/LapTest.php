<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Symmetry;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;

/** Copies that lie over one another all the way round. */
final class LapTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function scene(float $radius, int $count, array $more, float $off = 150.0): Scene
    {
        return Sample::scene(Sample::plan([
            ['id' => 'a1', 'kind' => 'part.circle', 'center' => [400, 400 - $off], 'radius' => $radius],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['a1'], 'center' => [400, 400], 'count' => $count, ...$more],
        ]));
    }

    /** The area of all that any figure covers. */
    private static function union(Part $part): float
    {
        $operands = array_map(static fn ($figure): array => $figure->outlines(), $part->figures());

        return $operands === []
            ? 0.0
            : self::area(Combination::join(array_values($operands), Sample::scene(Sample::plan([]))->plan->tolerance()));
    }

    /** @param  list<Outline>  $outlines */
    private static function area(array $outlines): float
    {
        return array_sum(
            array_map(static fn (Outline $outline): float => ($outline->isHole() ? -1 : 1) * abs($outline->area()), $outlines),
        );
    }

    public function test_neighbours_are_cut_by_the_lens_that_they_have_in_common(): void
    {
        foreach (['clockwise', 'counterclockwise'] as $lap) {
            $part = self::scene(90, 6, ['lap' => $lap])->parts()['r1'];
            // Lens of two circles of radius r, centres d apart: 2r²·acos(d/2r) − (d/2)·√(4r² − d²) (handbook formula).
            $lens = 2 * 90 ** 2 * acos(150 / 180) - 75 * sqrt(4 * 90 ** 2 - 150 ** 2);
            self::assertEqualsWithDelta(6 * (M_PI * 90 ** 2 - $lens), $part->area(), 1e-6);
            self::assertSame(6, $part->pieces());
        }
    }

    public function test_each_lies_over_the_next_one_in_the_sense_that_is_said(): void
    {
        // The lens of the first disc, above the centre, and the second, to the right of it, belongs to the one over.
        $place = (new Vec(400, 400))->plus(Vec::heading(30)->times(150 * cos(M_PI / 6)));
        foreach (['clockwise' => 1, 'counterclockwise' => 2] as $lap => $over) {
            $part = self::scene(90, 6, ['lap' => $lap])->parts()['r1'];
            foreach ([1, 2] as $copy) {
                $isThere = $part->copy($copy, null)?->pieceAt($place) !== null;
                self::assertSame($copy === $over, $isThere, "$lap, copy $copy");
            }
        }
    }

    /** @return iterable<string, array{float, int, array<string, mixed>, float}> */
    public static function rings(): iterable
    {
        yield 'neighbours' => [90, 6, [], 150.0];
        yield 'more than neighbours' => [140, 8, [], 170.0];
        yield 'an odd number' => [130, 7, [], 150.0];
        yield 'all share the centre' => [200, 6, [], 120.0];
        yield 'two, opposite' => [150, 2, [], 100.0];
        yield 'with mirror images' => [60, 5, ['mirror' => true], 100.0];
        yield 'sixty' => [60, 60, [], 150.0];
        yield 'sixty, that share the centre' => [120, 60, [], 100.0];
        yield 'not all the way round' => [90, 4, ['angle' => 35], 150.0];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('rings')]
    public function test_nothing_is_lost_and_nothing_lies_twice(float $radius, int $count, array $more, float $off): void
    {
        $stack = self::scene($radius, $count, $more, $off)->parts()['r1'];
        $lapped = self::scene($radius, $count, ['lap' => 'clockwise', ...$more], $off);
        $part = $lapped->parts()['r1'];
        self::assertEqualsWithDelta(self::union($stack), self::union($part), 1e-4, 'The union is that of the copies.');
        // With mirror images the two of a pair lie on one another as they did.
        if (! isset($more['mirror'])) {
            self::assertEqualsWithDelta(self::union($part), $part->area(), 1e-4, 'What is seen of each lies on nothing else.');
        }
    }

    public function test_what_is_turned_from_one_copy_to_the_others_is_what_each_would_come_to(): void
    {
        $petal = [
            'id' => 'a1',
            'kind' => 'part.outline',
            'points' => [[400, 330], [450, 200], [400, 100]],
            'bends' => [['bulge' => 0.2], ['bulge' => 0.3], ['bulge' => -0.2]],
        ];
        foreach (
            [
                [['gap' => 0], 330],
                [['gap' => 3], 330],
                [['gap' => 0, 'mirror' => true], 330],
                [['gap' => 2, 'mirror' => true], 330],
                [['gap' => 0], 440],
                [['gap' => 2], 440],
            ] as [$more, $y]
        ) {
            $petal['points'][0][1] = $y;
            $around = static fn (array $said): Part => Sample::scene(
                Sample::unchecked(
                    Sample::plan([
                        $petal,
                        [
                            'id' => 'r1',
                            'kind' => 'repeat.around',
                            'of' => ['a1'],
                            'center' => [400, 400],
                            'count' => 12,
                            'lap' => 'clockwise',
                            ...$more,
                            ...$said,
                        ],
                    ]),
                ),
            )->parts()['r1'];
            // A hair smaller from copy to copy, so that each is worked out by itself.
            [$turned, $each] = [$around([]), $around(['factor' => 1 - 1e-8])];
            self::assertSame($each->count(), $turned->count());
            foreach ($each->figures() as $number => $figure) {
                self::assertEqualsWithDelta($figure->area(), $turned->figures()[$number]->area(), 1e-6 * $figure->area() + 1e-3);
                self::assertEqualsWithDelta($figure->bounds()->toArray(), $turned->figures()[$number]->bounds()->toArray(), 1e-3);
            }
        }
    }

    public function test_sixty_with_mirror_images_are_within_a_small_share_of_the_budget(): void
    {
        foreach ([0, 3] as $gap) {
            $budget = Budget::large();
            $scene = Sample::scene(
                Sample::unchecked(
                    Sample::plan([
                        [
                            'id' => 'a1',
                            'kind' => 'part.outline',
                            'points' => [[400, 380], [440, 120], [400, 60]],
                            'bends' => [['bulge' => 0.2], ['bulge' => 0.2], ['bulge' => -0.1]],
                        ],
                        [
                            'id' => 'r1',
                            'kind' => 'repeat.around',
                            'of' => ['a1'],
                            'center' => [400, 400],
                            'count' => 60,
                            'mirror' => true,
                            'lap' => 'clockwise',
                            'gap' => $gap,
                        ],
                    ]),
                ),
                budget: $budget,
            );
            self::assertSame(120, $scene->parts()['r1']->count());
            self::assertLessThan(1e5, $budget->spent());
        }
    }

    public function test_turned_by_a_step_the_drawing_is_itself(): void
    {
        foreach ([[90.0, 6, 150.0], [140.0, 9, 170.0]] as [$radius, $count, $off]) {
            $part = self::scene($radius, $count, ['lap' => 'clockwise'], $off)->parts()['r1'];
            $turned = $part->mapped(Affine::turn(360 / $count, new Vec(400, 400)));
            for ($copy = 1; $copy <= $count; $copy++) {
                $next = $part->copy($copy % $count + 1, null)?->allOutlines() ?? [];
                $this->assertSameOutlines($next, $turned->copy($copy, null)?->allOutlines() ?? []);
            }
        }
    }

    public function test_a_clearance_is_left_beside_what_lies_over(): void
    {
        $part = self::scene(90, 6, ['lap' => 'clockwise', 'gap' => 12])->parts()['r1'];
        // What is cut off is the lens with a disc of 102.
        [$r, $s, $d] = [90.0, 102.0, 150.0];
        $angle = static fn (float $a, float $b): float => acos(($d * $d + $a * $a - $b * $b) / (2 * $d * $a));
        $lens = $r ** 2 * $angle($r, $s) + $s ** 2 * $angle($s, $r) - $d * $r * sin($angle($r, $s));
        self::assertEqualsWithDelta(6 * (M_PI * $r ** 2 - $lens), $part->area(), 1e-3);
    }

    public function test_copies_can_be_named_and_looks_reach_them(): void
    {
        $scene = Sample::scene(
            Sample::plan([
                ['id' => 'a1', 'kind' => 'part.circle', 'center' => [400, 250], 'radius' => 90],
                ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['a1'], 'center' => [400, 400], 'count' => 6, 'lap' => 'clockwise'],
                ['id' => 's1', 'kind' => 'style', 'of' => ['a1'], 'fill' => 'lagoon'],
                ['id' => 's2', 'kind' => 'style', 'of' => ['r1[3]'], 'fill' => 'ink'],
            ]),
        );
        self::assertSame(
            ['#0f6e84', '#0f6e84', '#1b2140', '#0f6e84', '#0f6e84', '#0f6e84'],
            array_map(static fn ($style): string => $style->fill ?? '', $scene->drawing[0]->styles),
        );
    }

    public function test_guides_do_not_lie_over_one_another(): void
    {
        $scene = Sample::scene(Sample::plan([
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 250], 'radius' => 90],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['c1'], 'center' => [400, 400], 'count' => 6, 'lap' => 'clockwise'],
        ]));
        self::assertSame(['lap', 'choice'], [$scene->findings[0]->field, $scene->findings[0]->code]);
    }

    /**
     * @param  list<Outline>  $expected
     * @param  list<Outline>  $given
     */
    private function assertSameOutlines(array $expected, array $given): void
    {
        self::assertEqualsWithDelta(self::area($expected), self::area($given), 1e-6);
        $tolerance = Sample::scene(Sample::plan([]))->plan->tolerance();
        self::assertEqualsWithDelta(0.0, self::area(Combination::either([$expected, $given], $tolerance)), 1e-5);
    }
}
