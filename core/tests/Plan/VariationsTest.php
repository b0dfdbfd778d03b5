<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Edit\Variations;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;

/** The same plan with other numbers, by lot. */
final class VariationsTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function plan(): array
    {
        return Sample::plan([
            Sample::polar(['sectors' => 12]),
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => 'g1@4,1', 'radius' => 'bead'],
            ['id' => 'f1', 'kind' => 'inset', 'of' => ['p1'], 'distance' => 9],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['f1'], 'center' => 'g1@0', 'count' => 'g1.sectors'],
        ], ['bead' => 40]);
    }

    /**
     * @param  list<string>|null  $chosen
     * @return list<array<array-key, mixed>>
     */
    private static function drawn(int $seed, int $count = 12, ?array $chosen = null): array
    {
        return Variations::drawnFrom(self::plan(), $seed, $count, Kinds::all(), $chosen);
    }

    public function test_a_seed_gives_the_same_ones_again_and_another_gives_others(): void
    {
        self::assertSame(self::drawn(7), self::drawn(7));
        self::assertNotSame(self::drawn(7), self::drawn(8));
        self::assertSame(array_slice(self::drawn(7), 0, 5), self::drawn(7, 5), 'Fewer of them are the first of them.');
    }

    public function test_each_number_stays_about_what_it_is_and_nothing_fails(): void
    {
        $all = self::drawn(3, 40);
        self::assertCount(40, $all);
        self::assertGreaterThan(5, count(array_unique(array_map(static fn (array $plan): int => $plan['steps'][0]['sectors'], $all))));
        foreach ($all as $plan) {
            self::assertEqualsWithDelta(12, $plan['steps'][0]['sectors'], 12 * 0.35);
            self::assertIsInt($plan['steps'][0]['sectors']);
            self::assertEqualsWithDelta(40, $plan['values']['bead'], 40 * 0.351);
            self::assertSame('g1.sectors', $plan['steps'][3]['count'], 'What is worked out stays so.');
            self::assertSame([], array_filter(Sample::scene($plan)->findings, static fn (Finding $finding): bool => $finding->isError()));
        }
    }

    public function test_those_with_errors_are_drawn_anew(): void
    {
        // A disc of 10 drawn in by 9: smaller ones, by more than a tenth, would leave nothing.
        $plan = self::plan();
        $plan['values']['bead'] = 10.5;
        $all = Variations::drawnFrom($plan, 5, 12, Kinds::all());
        self::assertCount(12, $all);
        foreach ($all as $one) {
            self::assertGreaterThan(9, $one['values']['bead']);
        }
    }

    public function test_where_much_has_to_fit_together_they_come_nearer_until_they_do(): void
    {
        // Ten discs of 10 drawn in by 9: of plans that vary by a third in everything, one in a hundred has all ten left.
        $steps = [];
        for ($k = 0; $k < 10; $k++) {
            $steps[] = ['id' => "p$k", 'kind' => 'part.circle', 'center' => [40 + 60 * $k, 40], 'radius' => 10];
            $steps[] = ['id' => "f$k", 'kind' => 'inset', 'of' => ["p$k"], 'distance' => 9];
        }
        $all = Variations::drawnFrom(Sample::plan($steps), 5, 12, Kinds::all());
        self::assertCount(12, $all);
        self::assertCount(12, array_unique(array_map(json_encode(...), $all)), 'Nearer, and still no two the same.');
    }

    public function test_only_what_was_chosen_varies(): void
    {
        foreach (self::drawn(2, 6, ['g1.sectors']) as $plan) {
            self::assertSame(40, $plan['values']['bead']);
            self::assertSame(300, $plan['steps'][0]['radius']);
        }
    }

    public function test_what_cannot_vary_is_said_with_what_can(): void
    {
        $this->expectException(Unusable::class);
        $this->expectExceptionMessage('bead, g1.radius');
        self::drawn(1, 3, ['r1.count']);
    }

    public function test_only_what_counts_something_becomes_a_whole_number_and_nought_stays(): void
    {
        $plan = Sample::plan([Sample::polar(['radius' => 'size'])], ['turn' => -15, 'none' => 0, 'size' => 200, 'folds' => 5]);
        self::assertSame(['turn', 'size', 'folds'], array_slice(array_column(Variations::names($plan, Kinds::all()), 'name'), 0, 3));
        foreach (Variations::drawnFrom($plan, 2, 20, Kinds::all()) as $one) {
            ['turn' => $turn, 'none' => $none, 'folds' => $folds] = $one['values'];
            self::assertEqualsWithDelta(-15, $turn, 15 * 0.351);
            self::assertSame(0, $none);
            self::assertIsInt($folds);
            self::assertGreaterThanOrEqual(1, $folds);
        }
    }

    public function test_a_plan_without_numbers_has_no_variations(): void
    {
        self::assertSame(
            [],
            Variations::drawnFrom(
                Sample::plan([['id' => 'c1', 'kind' => 'guide.line', 'through' => [[0, 0], [9, 9]]]]),
                1,
                3,
                Kinds::all(),
            ),
        );
    }
}
