<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Edit\SceneOperations;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Edit\Operation;
use Sternbild\Core\Plan\Edit\Operations;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Edit\StepList;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Sample;

final class OperationsTest extends TestCase
{
    private const SEQUENCES = 60;

    private const LENGTH = 12;

    public function test_all_at_once_they_do_what_they_do_one_by_one(): void
    {
        $lot = new Randomizer(new Mt19937(2701));
        $done = [];
        for ($round = 0; $round < self::SEQUENCES; $round++) {
            $plan = $first = self::plan();
            $all = $added = [];
            for ($number = 0; $number < self::LENGTH; $number++) {
                $operation = self::operation($lot, $plan);
                try {
                    $edit = PlanEdit::apply($plan, [$operation], Kinds::all(), self::known());
                    // As whoever keeps a change does: what the reader does not let through is not kept.
                    Sample::scene($edit->plan());
                } catch (Unusable) {
                    continue;
                }
                $all[] = $operation;
                array_push($added, ...$edit->added());
                $plan = $edit->plan();
                $done[$operation['op'].(isset($operation['into']) ? ' into' : '')] = true;
            }
            $once = PlanEdit::apply($first, $all, Kinds::all(), self::known());
            self::assertSame(
                json_encode($plan, JSON_THROW_ON_ERROR),
                json_encode($once->plan(), JSON_THROW_ON_ERROR),
                json_encode($all, JSON_THROW_ON_ERROR),
            );
            self::assertSame($added, $once->added());
        }
        // Every sort of them was among those that went through.
        $names = array_map(static fn (Operation $operation): string => $operation->name(), self::known()->list());
        self::assertEqualsCanonicalizing([...$names, 'add into'], array_keys($done));
    }

    public function test_a_number_is_read_by_the_names_that_the_operations_before_it_gave(): void
    {
        $rename = ['op' => 'set', 'id' => 'p2', 'field' => 'name', 'value' => 'beam'];
        $number = ['op' => 'set', 'id' => 'v1', 'field' => 'by', 'value' => ['beam.wide', 0]];
        $steps = PlanEdit::apply(self::plan(), [$number, $rename, $number], Kinds::all())->plan()['steps'];
        self::assertIsArray($steps);
        self::assertContains(['id' => 'v1', 'kind' => 'move', 'of' => ['p2'], 'by' => ['p2.wide', 0], 'copy' => true], $steps);
    }

    /** @return iterable<string, array{Operation}> */
    public static function sorts(): iterable
    {
        foreach (self::known()->list() as $operation) {
            yield $operation->name() => [$operation];
        }
    }

    #[DataProvider('sorts')]
    public function test_what_it_has_to_say_is_one_of_its_properties_and_is_missed_with_a_pointer(Operation $operation): void
    {
        self::assertSame([], array_diff($operation->required(), array_keys($operation->properties())));
        try {
            PlanEdit::apply(
                self::plan(),
                [['op' => 'sheet', 'field' => 'light', 'value' => 45], ['op' => $operation->name()]],
                Kinds::all(),
                self::known(),
            );
            self::fail('It says nothing.');
        } catch (Unusable $fault) {
            self::assertStringStartsWith('/operations/1', $fault->pointer);
        }
    }

    public function test_one_that_is_not_known_is_refused_with_those_that_are(): void
    {
        foreach ([['op' => 'arrange'], ['op' => ['add']], [], 'add'] as $unknown) {
            try {
                PlanEdit::apply(self::plan(), [$unknown], Kinds::all());
                self::fail('There is none without a scene.');
            } catch (Unusable $fault) {
                self::assertSame('/operations/0/op', $fault->pointer);
                self::assertStringStartsWith('one of add, set, remove', $fault->expected);
            }
        }
    }

    private static function known(): Operations
    {
        return SceneOperations::all(static fn (array $plan): Scene => Sample::scene($plan));
    }

    /** @return array<string, mixed> */
    private static function plan(): array
    {
        return Sample::plan([
            Sample::rectangular(),
            ['id' => 'p1', 'kind' => 'part.outline', 'points' => ['g1@1,1', 'g1@3,1', [230, 180], 'g1@1,3']],
            ['id' => 'p2', 'kind' => 'part.circle', 'name' => 'lamp', 'center' => [500, 400], 'radius' => 'wide'],
            ['id' => 'v1', 'kind' => 'move', 'of' => ['p2'], 'by' => [40, 0], 'copy' => true],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => 5],
            ['id' => 's1', 'kind' => 'style', 'of' => ['r1', 'p2'], 'fill' => 'lagoon'],
            ['id' => 'g2', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 10, 'rows' => 10, 'cell' => 8],
        ], ['wide' => 20, 'row1' => 130]);
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @return array<string, mixed>&array{op: string}
     */
    private static function operation(Randomizer $lot, array $plan): array
    {
        /** @var list<array<string, mixed>> $steps */
        $steps = $plan['steps'];
        $ids = array_map(StepList::idOf(...), $steps);
        $any = static fn (array $of): mixed => $of === [] ? null : array_values($of)[$lot->getInt(0, count($of) - 1)];
        $palette = array_keys(is_array($plan['palette'] ?? null) ? $plan['palette'] : []);
        $circle = ['kind' => 'part.circle', 'center' => [$lot->getInt(300, 380), $lot->getInt(200, 300)], 'radius' => $lot->getInt(5, 30)];
        $chapters = is_array($plan['chapters'] ?? null) ? array_column($plan['chapters'], 'from') : [];

        return match ($lot->getInt(0, 17)) {
            0 => [
                'op' => 'add',
                'step' => [...$circle, ...$lot->getInt(0, 1) === 1 ? ['name' => 'beam'] : []],
                'before' => $any([null, ...$ids]),
            ],
            1 => [
                'op' => 'set',
                'id' => $any($ids),
                'field' => $any(['name', 'radius', 'hidden', 'count']),
                'value' => $any([null, 7, true, 'wide*2', 'lamp', 'beam', 'lamp.wide/4', 'beam.wide/4']),
            ],
            2 => ['op' => 'remove', 'ids' => [$any($ids)]],
            3 => ['op' => 'again', 'id' => $any(array_intersect($ids, ['v1', 'r1']))],
            4 => ['op' => 'move', 'id' => $any($ids), 'before' => $any([null, ...$ids]), 'leads' => $lot->getInt(0, 1) === 1],
            5 => ['op' => 'chapter', 'from' => $any($ids), 'name' => $any(['Frame', 'Lamps', null])],
            6 => ['op' => 'move-chapter', 'from' => $any([...$chapters, 'p1']), 'before' => $any([null, ...$chapters])],
            7 => ['op' => 'sheet', 'field' => $any(['light', 'checks.miss', 'background', 'glow']), 'value' => $any([null, 45, 'ink'])],
            8 => ['op' => 'value', 'name' => $any(['wide', 'gap']), 'value' => $lot->getInt(1, 40)],
            9 => ['op' => 'colour', 'name' => $any(['brick', ...$palette]), 'value' => sprintf('#%06x', $lot->getInt(0, 0xFFFFFF))],
            10 => ['op' => 'rename-colour', 'name' => $any($palette), 'to' => $any(['sea', 'night'])],
            11 => ['op' => 'ramp', 'of' => $any($palette), 'to' => $any(['lighter', 'darker', 'ink']), 'steps' => 2],
            12 => [
                'op' => 'lay',
                'name' => 'Lamps',
                'steps' => [['id' => 'p1', ...$circle], ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => 'glow']],
                'palette' => ['glow' => '#ffe0a0'],
            ],
            13, 14 => [
                'op' => 'paint',
                'kind' => 'paint',
                'field' => 'cells',
                'on' => 'g2',
                'cells' => [(string) ($any($palette) ?? 'ink') => $lot->getInt(1, 5).','.$lot->getInt(1, 9).'+3'],
            ],
            15 => ['op' => 'recolour', 'map' => [(string) ($any($palette) ?? 'ink') => (string) ($any($palette) ?? 'ink')]],
            16 => ['op' => 'arrange', 'points' => ['g1@1,1', [230, 180]], 'way' => $any(['row', 'column', 'shift']), 'by' => [10, 5]],
            default => ['op' => 'add', 'step' => $circle, 'into' => 'r1'],
        };
    }
}
