<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Storage;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Storage\Difference;

final class DifferenceTest extends TestCase
{
    private const SEED = 20261126;

    public function test_it_turns_one_value_into_another_also_after_a_stay_in_a_database(): void
    {
        $dice = new Randomizer(new Mt19937(self::SEED));
        for ($round = 0; $round < 2000; $round++) {
            $from = self::value($dice, 4);
            $to = $round % 4 === 0 ? self::value($dice, 4) : self::changed($from, $dice);
            self::assertEquals($to, Difference::apply($from, self::stored(Difference::between($from, $to))), "round $round");
        }
    }

    public function test_a_rename_in_a_plan_of_megabytes_takes_some_bytes(): void
    {
        $plan = self::plan(4000);
        self::assertGreaterThan(1_000_000, self::bytes($plan));
        $renamed = $plan;
        $renamed['steps'][1777]['name'] = 'harbour light';
        self::assertSmall(160, $plan, $renamed);
    }

    public function test_steps_that_are_put_in_taken_out_and_moved_take_little(): void
    {
        $plan = self::plan(400);
        $steps = $plan['steps'];
        self::assertSmall(400, $plan, [
            ...$plan,
            'steps' => [...array_slice($steps, 0, 100), ['id' => 'new', 'kind' => 'circle', 'name' => 'new'], ...array_slice($steps, 100)],
        ]);
        self::assertSmall(120, $plan, [...$plan, 'steps' => [...array_slice($steps, 0, 100), ...array_slice($steps, 130)]]);
        self::assertSmall(200, $plan, [
            ...$plan,
            'steps' => [...array_slice($steps, 200, 100), ...array_slice($steps, 0, 200), ...array_slice($steps, 300)],
        ]);
        self::assertSmall(300, $plan, [
            ...$plan,
            'steps' => [
                ...array_slice($steps, 0, 7),
                [...$steps[7], 'radius' => 3],
                ...array_slice($steps, 8, 200),
                [...$steps[208], 'muted' => true],
                ...array_slice($steps, 209),
            ],
        ]);
    }

    public function test_the_order_of_fields_says_nothing(): void
    {
        $plan = self::plan(3);
        $plan['steps'][1] = array_reverse($plan['steps'][1], true);
        self::assertSame(['fields' => [], 'gone' => []], Difference::between(self::plan(3), array_reverse($plan, true)));
    }

    /** @return iterable<string, array{mixed, array<array-key, mixed>}> */
    public static function foreign(): iterable
    {
        yield 'to a text, not a list' => ['text', ['items' => [[0, 1]]]];
        yield 'to a longer list' => [[1, 2], ['items' => [[1, 2]]]];
        yield 'with a field that is none' => [['a' => 1], ['gone' => [[]]]];
        yield 'with a text for a change' => [['a' => 1], ['fields' => ['a' => 'b']]];
    }

    /** @param  array<array-key, mixed>  $difference */
    #[DataProvider('foreign')]
    public function test_what_is_no_difference_to_it_is_refused(mixed $from, array $difference): void
    {
        $this->expectException(\UnexpectedValueException::class);
        Difference::apply($from, $difference);
    }

    /**
     * @param  array<string, mixed>  $from
     * @param  array<string, mixed>  $to
     */
    private static function assertSmall(int $bytes, array $from, array $to): void
    {
        $difference = self::stored(Difference::between($from, $to));
        self::assertLessThan($bytes, self::bytes($difference));
        self::assertEquals($to, Difference::apply($from, $difference));
    }

    /** @return array<string, mixed> */
    private static function plan(int $steps): array
    {
        return [
            'format' => 'sternbild-plan',
            'steps' => array_map(
                static fn (int $at): array => [
                    'id' => "c$at",
                    'kind' => 'circle',
                    'name' => "rail $at",
                    'center' => ['x' => $at, 'y' => $at / 3],
                    'radius' => 7.5,
                    'note' => str_repeat('a rail of the harbour line ', 8),
                ],
                range(0, $steps - 1),
            ),
        ];
    }

    /**
     * @param  array<array-key, mixed>  $value
     * @return array<array-key, mixed>
     */
    private static function stored(array $value): array
    {
        $back = json_decode(json_encode($value, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);

        return is_array($back) ? $back : self::fail('It was a list or an object.');
    }

    /** @param  array<array-key, mixed>  $value */
    private static function bytes(array $value): int
    {
        return strlen(json_encode($value, JSON_THROW_ON_ERROR));
    }

    private static function value(Randomizer $dice, int $depth): mixed
    {
        $items = range(1, $dice->getInt(1, 5));

        return match ($dice->getInt(0, $depth > 0 ? 7 : 4)) {
            0 => null,
            1 => $dice->getInt(0, 1) === 1,
            2 => $dice->getInt(-5, 5),
            3 => $dice->getInt(-5, 5) / 4 + 0.1,
            4 => 'text '.$dice->getInt(0, 5),
            5 => array_map(static fn (): mixed => self::value($dice, $depth - 1), $items),
            6 => array_map(static fn (int $at): array => ['id' => "s$at", 'in' => self::value($dice, $depth - 1)], $items),
            default => array_combine(
                array_map(static fn (int $at): string => "field$at", $items),
                array_map(static fn (): mixed => self::value($dice, $depth - 1), $items),
            ),
        };
    }

    private static function changed(mixed $value, Randomizer $dice): mixed
    {
        if (! is_array($value) || $value === []) {
            return self::value($dice, 2);
        }
        $at = $dice->pickArrayKeys($value, 1)[0];
        if (! array_is_list($value) || $dice->getInt(0, 2) === 0) {
            $value[$at] = self::changed($value[$at], $dice);

            return $value;
        }
        if ($dice->getInt(0, 1) === 0) {
            return array_values($dice->shuffleArray($value));
        }

        return array_values(array_diff_key($value, [$at => true]));
    }
}
