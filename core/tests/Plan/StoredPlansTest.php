<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;

/** Plans as they were stored before the format grew, with every form of address there was: they read and mean the same for ever. */
final class StoredPlansTest extends TestCase
{
    private const FIXTURE = __DIR__.'/../fixtures/stored-plans.json';

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function stored(): iterable
    {
        /** @var list<array{name: string, plan: array<string, mixed>, scene: array<string, mixed>}> $plans */
        $plans = json_decode((string) file_get_contents(self::FIXTURE), true, flags: JSON_THROW_ON_ERROR);
        foreach ($plans as $one) {
            yield $one['name'] => [$one['plan'], $one['scene']];
        }
    }

    /**
     * @param  array<string, mixed>  $plan
     * @param  array<string, mixed>  $scene
     */
    #[DataProvider('stored')]
    public function test_a_stored_plan_comes_to_what_it_came_to(array $plan, array $scene): void
    {
        /** @var array{grids: mixed, guides: mixed, overlays: mixed, parts: array<string, array<string, mixed>>, findings: mixed} $now */
        $now = json_decode(json_encode(SceneNumbers::list($made = Sample::scene($plan)), JSON_THROW_ON_ERROR), true, flags: JSON_THROW_ON_ERROR);
        foreach ($made->parts() as $id => $part) {
            // Then what several figures cover counted for each of them.
            $each = array_sum(array_map(static fn (Figure $figure): float => $figure->area(), $part->figures()));
            self::assertLessThanOrEqual($each * (1 + 1e-9), $now['parts'][$id]['area']);
            $now['parts'][$id]['area'] = $each;
        }
        foreach (['grids', 'guides', 'overlays', 'parts'] as $sort) {
            self::assertSameFigures($scene[$sort], $now[$sort], $sort);
        }
        $told = static fn (mixed $findings): array => array_map(
            static fn (mixed $finding): array => is_array($finding) ? [$finding['step'], $finding['level'], $finding['code']] : [],
            // More may be noted.
            array_values(array_filter(is_array($findings) ? $findings : [], static fn (mixed $finding): bool => is_array($finding) && $finding['level'] !== 'note')),
        );
        self::assertSame($told($scene['findings']), $told($now['findings']));
    }

    /** All that was said is said, to the last digits; more may be. */
    private static function assertSameFigures(mixed $then, mixed $now, string $where): void
    {
        if (is_array($then)) {
            self::assertIsArray($now, $where);
            foreach ($then as $key => $value) {
                self::assertArrayHasKey($key, $now, $where);
                self::assertSameFigures($value, $now[$key], "$where.$key");
            }
        } elseif (is_float($then) || is_int($then)) {
            self::assertIsNumeric($now, $where);
            self::assertEqualsWithDelta($then, $now, 1e-9 * max(1.0, abs($then)), $where);
        } else {
            self::assertSame($then, $now, $where);
        }
    }
}
