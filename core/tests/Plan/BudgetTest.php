<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Sample;

/** Plans that would take minutes, or a gigabyte, end as a finding on the step, and the rest is worked out. */
final class BudgetTest extends TestCase
{
    private const MEGABYTES = 200;

    public function test_what_is_spent_within_a_share_is_spent_of_the_whole(): void
    {
        $whole = new Budget(100);
        $share = $whole->share(0.6);
        self::assertSame(5, Budget::within($share, static function (): int {
            Budget::spend(50);

            return 5;
        }));
        $whole->add($share);
        self::assertSame(50.0, $whole->spent());
        $rest = $whole->share(0.6);
        $this->expectException(OverBudget::class);
        Budget::within($rest, static function (): void {
            Budget::spend(40);
            Budget::spend(11);
        });
    }

    public function test_outside_of_a_budget_nothing_is_counted(): void
    {
        try {
            Budget::within(new Budget(1), static fn () => Budget::spend(2));
        } catch (OverBudget) {
            // It is over with the budget.
        }
        Budget::spend(1e12);
        $this->addToAssertionCount(1);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, string}> steps, and the one that takes too much */
    public static function worst(): iterable
    {
        yield 'thousands of rings under an overlay' => [
            [
                ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 390, 'rings' => 9999, 'sectors' => 1],
                ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [300, 300], 'radius' => 100],
                ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'c1']],
            ],
            'o1',
        ];
        yield 'two fine grids over one another' => [
            [
                ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 300, 'rows' => 300, 'cell' => [2.6, 2.6]],
                [
                    'id' => 'g2',
                    'kind' => 'grid.rectangular',
                    'origin' => [1, 1],
                    'columns' => 300,
                    'rows' => 300,
                    'cell' => [2.57, 2.57],
                    'angle' => 7,
                ],
                ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'g2']],
            ],
            'o1',
        ];
        yield 'thousands of discs that all meet, joined' => [
            [
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 50],
                ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [0.5, 0.1], 'count' => 3000],
                ['id' => 'j1', 'kind' => 'join', 'of' => ['r1']],
            ],
            'j1',
        ];
        yield 'copies of copies' => [
            [
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 5],
                ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [1, 0], 'count' => 9000, 'keep' => true],
                ['id' => 'j1', 'kind' => 'common', 'of' => ['r1', 'p1']],
            ],
            'j1',
        ];
    }

    /** @param  list<array<string, mixed>>  $steps */
    #[DataProvider('worst')]
    public function test_what_takes_too_much_is_a_finding_on_its_step(array $steps, string $over): void
    {
        $steps[] = ['id' => 'p99', 'kind' => 'part.rectangle', 'corners' => [[10, 10], [20, 20]]];
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $scene = self::evaluate($steps, Budget::large());
        $limits = array_values(
            array_filter($scene->findings, static fn (Finding $finding): bool => $finding->code === 'limit' && $finding->isError()),
        );
        self::assertSame([$over], array_column($limits, 'step'));
        self::assertArrayHasKey('p99', $scene->known);
        self::assertLessThan(self::MEGABYTES, (memory_get_peak_usage() - $before) / 1e6);
    }

    public function test_the_same_plan_spends_the_same_and_more_of_it_more(): void
    {
        $spent = static function (int $count): float {
            $budget = Budget::ample();
            self::evaluate([
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [200, 400], 'radius' => 50],
                ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [9, 0], 'count' => $count],
                ['id' => 'j1', 'kind' => 'join', 'of' => ['r1']],
            ], $budget);

            return $budget->spent();
        };
        self::assertSame($spent(20), $spent(20));
        self::assertGreaterThan(1.8 * $spent(20), $spent(40));
    }

    /** @param  list<array<string, mixed>>  $steps */
    private static function evaluate(array $steps, Budget $budget): Scene
    {
        return (new Evaluator(new ShortMemory))->evaluate((new PlanReader(Kinds::all()))->fromArray(Sample::plan($steps)), $budget);
    }
}
