<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Shape;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Covered;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;

/** An area is what is covered, once. */
final class CoveredTest extends TestCase
{
    private const DISC = ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 300], 'radius' => 100];

    public function test_what_copies_overlap_counts_once(): void
    {
        $area = static fn (int $count, float $away): float => Sample::scene(
            Sample::unchecked(
                Sample::plan([
                    [...self::DISC, 'center' => [400, 400 - $away]],
                    ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => $count],
                ]),
            ),
        )
            ->parts()['r1']->area();
        $disc = M_PI * 100 ** 2;
        // Two discs of radius r, d apart, have 2r²·acos(d/2r) − d/2·√(4r² − d²) in common.
        $lens = static fn (float $d): float => 2 * 100 ** 2 * acos($d / 200) - $d / 2 * sqrt(4 * 100 ** 2 - $d ** 2);
        self::assertEqualsWithDelta(2 * $disc - $lens(100), $area(2, 50), 1e-6);
        self::assertEqualsWithDelta(2 * $disc, $area(2, 150), 1e-6, 'They are apart.');
        self::assertEqualsWithDelta($disc, $area(5, 0), 1e-6, 'They are one.');
        // Four around in a ring, each overlapping only those beside it.
        self::assertEqualsWithDelta(4 * $disc - 4 * $lens(120 * M_SQRT2), $area(4, 120), 1e-6);
    }

    public function test_of_copies_in_cells_without_end_it_is_that_of_the_cells(): void
    {
        $pattern = static fn (float $radius, int $cells): array => SceneNumbers::list(
            Sample::scene(
                Sample::unchecked(
                    Sample::plan([
                        [...self::DISC, 'center' => [10, 10], 'radius' => $radius],
                        [
                            'id' => 'w1',
                            'kind' => 'pattern',
                            'of' => ['p1'],
                            'a' => [10, 0],
                            'b' => [0, 10],
                            'across' => $cells,
                            'down' => $cells,
                        ],
                    ]),
                ),
            ),
        );
        $codes = static fn (array $numbers): array => array_map(static fn (Finding $one): string => $one->code, $numbers['findings']);
        $few = $pattern(4, 6);
        self::assertEqualsWithDelta(36 * M_PI * 16, ((array) $few['parts'])['w1']['area'], 1e-6);
        $apart = $pattern(4, 60);
        self::assertGreaterThan(Covered::MOST_FIGURES, 3600);
        self::assertEqualsWithDelta(3600 * M_PI * 16, ((array) $apart['parts'])['w1']['area'], 1e-6);
        self::assertSame([], $codes($apart));
        // Overlapping ones, as many, count for each, and that is said.
        $over = $pattern(6, 60);
        self::assertEqualsWithDelta(3600 * M_PI * 36, ((array) $over['parts'])['w1']['area'], 1e-6);
        self::assertSame(['overlaps'], $codes($over));
        $lens = 2 * 36 * acos(10 / 12) - 5 * sqrt(4 * 36 - 100);
        self::assertEqualsWithDelta(36 * M_PI * 36 - 2 * 6 * 5 * $lens, ((array) $pattern(6, 6)['parts'])['w1']['area'], 1e-6);
    }

    public function test_who_takes_an_area_that_is_not_known_whole_is_told(): void
    {
        $scene = Sample::scene(
            Sample::unchecked(
                Sample::plan([
                    [...self::DISC, 'center' => [10, 10], 'radius' => 6],
                    ['id' => 'w1', 'kind' => 'pattern', 'of' => ['p1'], 'a' => [10, 0], 'b' => [0, 10], 'across' => 60, 'down' => 60],
                    ['id' => 'p2', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 'w1.area / 10000'],
                ]),
            ),
        );
        self::assertSame(
            [['p2', 'radius', 'overlaps']],
            array_map(static fn (Finding $one): array => [$one->step, $one->field, $one->code], $scene->findings),
        );
    }
}
