<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Command\FolderPictures;
use Sternbild\Core\Edit\SceneOperations;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Edit\Operation;
use Sternbild\Core\Plan\Edit\Operations;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;

/**
 * Plans as they were stored, of every kind and with every form of address there was, and every operation: they read and mean the same for
 * ever.
 */
final class StoredPlansTest extends TestCase
{
    private const FIXTURE = __DIR__.'/../fixtures/stored-plans.json';

    private const OPERATIONS = __DIR__.'/../fixtures/stored-operations.json';

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
        $now = json_decode(
            json_encode(SceneNumbers::list($made = self::scene($plan)), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
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
            array_values(
                array_filter(
                    is_array($findings) ? $findings : [],
                    static fn (mixed $finding): bool => is_array($finding) && $finding['level'] !== 'note',
                ),
            ),
        );
        self::assertSame($told($scene['findings']), $told($now['findings']));
    }

    public function test_every_kind_there_is_stands_in_a_stored_plan(): void
    {
        $stored = [];
        foreach (self::stored() as [$plan]) {
            /** @var list<array{kind: string}> $steps */
            $steps = $plan['steps'];
            array_push($stored, ...array_column($steps, 'kind'));
        }
        self::assertEqualsCanonicalizing(Kinds::all()->names(), array_values(array_unique($stored)));
    }

    /** @return iterable<string, array{array<string, mixed>, list<array<string, mixed>>, array<string, mixed>, string, list<string>}> */
    public static function storedOperations(): iterable
    {
        /** @var list<array{name: string, plan: array<string, mixed>, operations: list<array<string, mixed>>, after: array<string, mixed>, label: string, added: list<string>}> $all */
        $all = json_decode((string) file_get_contents(self::OPERATIONS), true, flags: JSON_THROW_ON_ERROR);
        foreach ($all as $one) {
            yield $one['name'] => [$one['plan'], $one['operations'], $one['after'], $one['label'], $one['added']];
        }
    }

    /**
     * @param  array<string, mixed>  $plan
     * @param  list<array<string, mixed>>  $operations
     * @param  array<string, mixed>  $after
     * @param  list<string>  $added
     */
    #[DataProvider('storedOperations')]
    public function test_an_operation_does_what_it_did(array $plan, array $operations, array $after, string $label, array $added): void
    {
        $edit = PlanEdit::apply($plan, $operations, Kinds::all(), self::known());
        self::assertSame(json_encode($after, JSON_THROW_ON_ERROR), json_encode($edit->plan(), JSON_THROW_ON_ERROR));
        self::assertSame([$label, $added], [$edit->label(), $edit->added()]);
        self::assertSame($edit->plan(), PlanEdit::apply($edit->plan(), [], Kinds::all())->plan());
    }

    public function test_every_operation_there_is_is_stored(): void
    {
        $known = array_map(static fn (Operation $operation): string => $operation->name(), self::known()->list());
        self::assertEqualsCanonicalizing([...$known, 'add into'], array_keys(iterator_to_array(self::storedOperations())));
    }

    private static function known(): Operations
    {
        return SceneOperations::all(static fn (array $plan): Scene => Sample::scene($plan));
    }

    /** @param  array<string, mixed>  $plan */
    private static function scene(array $plan): Scene
    {
        $kinds = Kinds::all()->withPictures(new FolderPictures(__DIR__.'/../fixtures'));

        return (new Evaluator(new ShortMemory))->evaluate((new PlanReader($kinds))->fromArray($plan));
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
