<?php

namespace Tests\Feature;

use App\Models\Sheet;
use App\Models\User;
use App\Sheets\SheetBook;
use Illuminate\Support\Str;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\Reading\PlanReader;
use Tests\TestCase;

final class ChangesTest extends TestCase
{
    private Sheet $sheet;

    private User $ada;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->ada = $this->person());
        $this->sheet = $this->sheet();
    }

    public function test_a_change_is_a_revision_and_everything_follows(): void
    {
        $page = $this->change($this->sheet, 1, [self::sectors(12)])->assertOk();
        $page
            ->assertJsonPath('revision', 2)
            ->assertJsonPath('undo', 'Change sectors of grid 1')
            ->assertJsonPath('plan.steps.0.sectors', 12);
        self::assertSame(12, $this->measures($page->json(), 'r1')['pieces']);
        self::assertSame([1, 2], $this->sheet->revisions()->get()->sortBy('number')->pluck('number')->all());
    }

    public function test_undo_and_redo_move_the_head_and_survive_a_reload(): void
    {
        $this->change($this->sheet, 1, [self::sectors(12)])->assertOk();
        $this->change($this->sheet, 2, [self::sectors(14)])->assertOk();
        $this->undo('undo', 3)->assertJsonPath('revision', 2)->assertJsonPath('redo', 'Change sectors of grid 1');
        $this->undo('undo', 2)->assertJsonPath('revision', 1)->assertJsonPath('undo', null);
        $this->undo('undo', 1)->assertJsonPath('revision', 1);
        $this->getJson("/api/sheets/{$this->sheet->id}")->assertJsonPath('revision', 1)->assertJsonPath('plan.steps.0.sectors', 10);
        $this->undo('redo', 1)->assertJsonPath('plan.steps.0.sectors', 12);
        $this->undo('redo', 2)->assertJsonPath('plan.steps.0.sectors', 14)->assertJsonPath('redo', null);
    }

    public function test_a_change_after_undo_is_redone_in_place_of_the_old_one_and_nothing_is_erased(): void
    {
        $this->change($this->sheet, 1, [self::sectors(12)])->assertOk();
        $this->undo('undo', 2);
        $this->change($this->sheet, 1, [self::sectors(7)])->assertOk()->assertJsonPath('revision', 3);
        $this->undo('undo', 3)->assertJsonPath('revision', 1);
        $this->undo('redo', 1)->assertJsonPath('plan.steps.0.sectors', 7);
        self::assertSame(3, $this->sheet->revisions()->count());
    }

    public function test_a_stale_change_gets_the_newer_plan_and_is_not_stored(): void
    {
        $this->change($this->sheet, 1, [self::sectors(12)])->assertOk();
        $late = $this->change($this->sheet, 1, [['op' => 'set', 'id' => 'g1', 'field' => 'rings', 'value' => 6]]);
        $late
            ->assertConflict()
            ->assertJsonPath('problem', 'stale')
            ->assertJsonPath('sheet.revision', 2)
            ->assertJsonPath('sheet.plan.steps.0.sectors', 12);
        // Made again on what is there now, both changes stand.
        $this->change($this->sheet, 2, [['op' => 'set', 'id' => 'g1', 'field' => 'rings', 'value' => 6]])->assertOk()
            ->assertJsonPath('plan.steps.0.sectors', 12)->assertJsonPath('plan.steps.0.rings', 6);
        $this->undo('undo', 2)->assertConflict();
    }

    public function test_a_repeated_request_is_made_once(): void
    {
        $body = [
            'base' => 1,
            'change' => (string) Str::uuid(),
            'operations' => [['op' => 'add', 'step' => ['id' => '+', 'kind' => 'part.cells', 'cells' => ['g1#5,1']]]],
        ];
        $this->postJson("/api/sheets/{$this->sheet->id}/changes", $body)
            ->assertOk()
            ->assertJsonPath('added', ['p2']);
        $this->postJson("/api/sheets/{$this->sheet->id}/changes", $body)
            ->assertOk()
            ->assertJsonPath('revision', 2);
        self::assertSame(2, $this->sheet->revisions()->count());
    }

    public function test_a_change_that_breaks_its_own_step_is_refused_at_the_field(): void
    {
        foreach (
            [
                [0, 'at least 1'],
                [-3, 'at least 1'],
                [2.5, 'whole number'],
                ['1/0', 'divides by zero'],
                ['nope', '“nope”'],
                [1e9, 'at most 100000'],
            ] as [$count, $message]
        ) {
            $answer = $this->change($this->sheet, 1, [self::sectors($count)])
                ->assertUnprocessable()
                ->assertJsonPath('problem', 'broken');
            $answer->assertJsonPath('findings.0.step', 'g1')->assertJsonPath('findings.0.field', 'sectors');
            self::assertStringContainsString($message, self::text($answer->json('message')));
            $this->postJson("/api/sheets/{$this->sheet->id}/preview", ['operations' => [self::sectors($count)]])->assertUnprocessable();
        }
        self::assertSame(1, Sheet::query()->findOrFail($this->sheet->id)->head);
    }

    public function test_a_change_that_costs_others_their_ground_is_the_designers_to_make(): void
    {
        $page = $this->change($this->sheet, 1, [['op' => 'set', 'id' => 'g1', 'field' => 'rings', 'value' => 3]])->assertOk();
        self::assertStringContainsString('ring 4 does not exist', self::text($page->json('scene.findings.0.message')));
        $page = $this->change($this->sheet, 2, [['op' => 'remove', 'ids' => ['g1']]])->assertOk();
        self::assertSame(['g1#2,1', 'g1#3,1', 'g1#4,1'], $page->json('plan.steps.0.cells'));
        self::assertSame('error', $page->json('scene.findings.0.level'));
        // A step that has lost its ground can still be worked on.
        $this->change($this->sheet, 3, [['op' => 'set', 'id' => 'p1', 'field' => 'name', 'value' => 'orphan']])->assertOk();
    }

    public function test_each_operation_of_a_change_works_on_what_the_one_before_left(): void
    {
        $outline = ['id' => 'p9', 'kind' => 'part.outline', 'points' => [[10, 20], [200, 30], [100, 300]]];
        $this->change($this->sheet, 1, [
            ['op' => 'add', 'step' => $outline],
            ['op' => 'set', 'id' => 'p9', 'field' => 'points', 'value' => [[10, 20], [200, 50], [100, 300]]],
            ['op' => 'arrange', 'points' => [[200, 50]], 'way' => 'shift', 'by' => [5, 0], 'of' => 'p9'],
            ['op' => 'arrange', 'points' => [[205, 50]], 'way' => 'shift', 'by' => [5, 0], 'of' => 'p9'],
        ])->assertOk();
        $steps = array_column($this->sheet->refresh()->headRevision()->plan['steps'], null, 'id');
        self::assertEquals([[10, 20], [210, 50], [100, 300]], $steps['p9']['points']);
    }

    public function test_what_is_drawn_in_the_sectors_of_a_repeat_that_is_made_in_the_same_change_comes_into_it(): void
    {
        $this->change($this->sheet, 1, [
            ['op' => 'add', 'step' => ['id' => 'p8', 'kind' => 'part.circle', 'center' => [400, 100], 'radius' => 9]],
            ['op' => 'add', 'step' => ['id' => 'r8', 'kind' => 'repeat.around', 'of' => ['p8'], 'center' => [400, 400], 'count' => 4]],
            ['op' => 'add', 'step' => ['id' => 'p9', 'kind' => 'part.circle', 'center' => [400, 700], 'radius' => 6], 'into' => 'r8'],
        ])->assertOk();
        $steps = array_column($this->sheet->refresh()->headRevision()->plan['steps'], null, 'id');
        self::assertSame(['p8', 'p9'], $steps['r8']['of']);
    }

    public function test_an_unusable_outcome_is_refused_with_its_place(): void
    {
        foreach (
            [
                [['op' => 'move', 'id' => 'g1', 'before' => null], '/steps/0/cells'],
                [['op' => 'set', 'id' => 'p1', 'field' => 'name', 'value' => '<b>'], '/steps/1/name'],
                [['op' => 'colour', 'name' => 'lagoon', 'value' => 'blue'], '/palette/lagoon'],
                [['op' => 'value', 'name' => 'a', 'value' => 'a+1'], '/values/a'],
                [['op' => 'sheet', 'field' => 'width', 'value' => 0], '/sheet/width'],
                [['op' => 'set', 'id' => 'g1', 'field' => 'radius', 'value' => "5\0 1"], '/steps/0/radius'],
                [['op' => 'fly'], '/operations/0/op'],
            ] as [$operation, $pointer]
        ) {
            $this->change($this->sheet, 1, [$operation])
                ->assertUnprocessable()
                ->assertJsonPath('problem', 'unusable')
                ->assertJsonPath('pointer', $pointer);
        }
        self::assertSame(1, $this->sheet->revisions()->count());
    }

    public function test_a_preview_shows_the_change_and_stores_nothing(): void
    {
        $preview = $this->postJson("/api/sheets/{$this->sheet->id}/preview", ['operations' => [self::sectors(16)]])->assertOk();
        self::assertSame(16, $this->measures($preview->json(), 'r1')['pieces']);
        self::assertSame(1, $this->sheet->revisions()->count());
    }

    public function test_an_answer_carries_only_the_geometry_that_is_not_there_yet(): void
    {
        $page = $this->getJson("/api/sheets/{$this->sheet->id}");
        $hashes = array_keys((array) $page->json('scene.geometry'));
        // A grid’s topology and places, two parts, and what the grid and the repeat are dragged by.
        self::assertCount(6, $hashes);
        $same = $this->change($this->sheet, 1, [['op' => 'set', 'id' => 's1', 'field' => 'fill', 'value' => 'ink']], ['has' => $hashes]);
        self::assertSame([], $same->json('scene.geometry'));
        $one = $this->change(
            $this->sheet,
            2,
            [['op' => 'add', 'step' => ['kind' => 'part.cells', 'cells' => ['g1#5,*']]]],
            ['has' => $hashes],
        );
        self::assertCount(1, (array) $one->json('scene.geometry'));
    }

    public function test_sentences_looks_and_steps_that_are_there_already_are_said_by_their_hash(): void
    {
        $page = $this->getJson("/api/sheets/{$this->sheet->id}");
        $steps = (array) $page->json('scene.steps');
        $drawing = (array) $page->json('scene.drawing');
        $written = (array) $page->json('written');
        $has = [
            ...array_keys((array) $page->json('scene.geometry')),
            ...array_column($steps, 'hash'),
            ...array_column($drawing, 'hash'),
            ...$written,
        ];
        $made = $this->change(
            $this->sheet,
            1,
            [['op' => 'set', 'id' => 'g1', 'field' => 'radius', 'value' => 280]],
            ['has' => $has],
        )->assertOk();
        // The grid is another sentence; the part and the look say the same as before, and the repeat draws another figure in the same look.
        self::assertSame('g1', $made->json('scene.steps.0.id'));
        self::assertNotSame($steps[0]['hash'], $made->json('scene.steps.0.hash'));
        $number = static fn (string $hash): int => (int) array_search($hash, $has, true);
        self::assertSame($number($steps[3]['hash']), $made->json('scene.steps.3'));
        self::assertSame(array_map($number, array_column($drawing, 'hash')), $made->json('scene.drawing'));
        self::assertSame(280, $made->json('plan.steps.0.radius'));
        self::assertSame(array_map($number, array_slice($written, 1)), array_slice((array) $made->json('plan.steps'), 1));
    }

    public function test_a_preview_of_one_number_in_a_long_plan_says_little_beyond_the_geometry_that_changed(): void
    {
        $plan = self::rosette();
        for ($k = 2; $k <= 90; $k++) {
            $ring = 1 + $k % 5;
            $plan['steps'][] = ['id' => "p$k", 'kind' => 'part.cells', 'cells' => ["g1#$ring,".(1 + $k % 10)]];
            $plan['steps'][] = ['id' => "s$k", 'kind' => 'style', 'of' => ["p$k"], 'fill' => 'ink'];
        }
        $plan['steps'][] = ['id' => 'p200', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 30];
        $sheet = $this->sheet($plan);
        $page = $this->getJson("/api/sheets/$sheet->id");
        $hashes = static fn (string $list): array => array_column((array) $page->json($list), 'hash');
        $has = [
            ...array_keys((array) $page->json('scene.geometry')),
            ...$hashes('scene.steps'),
            ...$hashes('scene.drawing'),
            ...(array) $page->json('written'),
            $page->json('scene.seams.hash'),
            $page->json('scene.said.hash'),
        ];
        $change = [['op' => 'set', 'id' => 'p200', 'field' => 'radius', 'value' => 31]];
        $preview = $this->postJson("/api/sheets/$sheet->id/preview", [
            'operations' => $change,
            'has' => $has,
            'handles' => ['p200'],
        ])->assertOk();
        $geometry = strlen(json_encode($preview->json('scene.geometry'), JSON_THROW_ON_ERROR));
        self::assertLessThan(5000, strlen((string) $preview->getContent()) - $geometry);
        self::assertLessThan(2000, $geometry);
    }

    public function test_chapters_are_named_and_moved_as_changes_of_the_plan(): void
    {
        $this->change($this->sheet, 1, [['op' => 'chapter', 'from' => 'p1', 'name' => 'Star']])->assertOk()
            ->assertJsonPath('plan.chapters', [['name' => 'Star', 'from' => 'p1']])
            ->assertJsonPath('scene.chapters.1', ['name' => 'Star', 'from' => 'p1', 'named' => true, 'steps' => 3]);
        // What stands before the grid it is built on is refused, and the chapter stays where it was.
        $this->change($this->sheet, 2, [['op' => 'move-chapter', 'from' => 'p1', 'before' => 'g1']])->assertUnprocessable();
        $this->getJson("/api/sheets/{$this->sheet->id}")
            ->assertJsonPath('plan.steps.0.id', 'g1')
            ->assertJsonPath('undo', 'Name chapter Star');
    }

    public function test_a_plan_brought_in_replaces_the_old_one_as_one_revision(): void
    {
        $plan = self::rosette();
        $plan['steps'][0]['sectors'] = 8;
        $put = fn (int $base, string $text) => $this->putJson("/api/sheets/{$this->sheet->id}/plan", [
            'base' => $base,
            'change' => (string) Str::uuid(),
            'plan' => $text,
        ]);
        $put(1, json_encode($plan, JSON_THROW_ON_ERROR))
            ->assertOk()
            ->assertJsonPath('plan.steps.0.sectors', 8)
            ->assertJsonPath('undo', 'Bring in a plan');
        $put(1, json_encode($plan, JSON_THROW_ON_ERROR))->assertConflict();
        $put(2, '{"format": "other"}')->assertUnprocessable()->assertJsonPath('pointer', '/format');
        $this->undo('undo', 2)->assertJsonPath('plan.steps.0.sectors', 10);
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function undo(string $way, int $base): \Illuminate\Testing\TestResponse
    {
        return $this->postJson("/api/sheets/{$this->sheet->id}/$way", ['base' => $base]);
    }

    /** @return array<string, mixed> */
    private function measures(mixed $answer, string $step): array
    {
        $ids = array_column((array) data_get($answer, 'scene.steps'), 'id');
        $hash = self::text(data_get($answer, 'scene.geometries.'.array_search($step, $ids, true)));

        return (array) data_get($answer, "scene.geometry.$hash.measures");
    }

    public function test_a_plan_that_grew_by_changes_is_held_to_the_size_of_a_file(): void
    {
        $line = static fn (int $number): array => [
            'id' => "c$number",
            'kind' => 'guide.run',
            'name' => str_repeat('quay ', 15).'x',
            'points' => array_fill(0, 40, [100.123456, 200.654321]),
            'muted' => true,
        ];
        $plan = [...self::rosette(), 'steps' => [$line(0)]];
        $bytes =
            strlen(PlanJson::pretty([...$plan, 'steps' => [$line(10_000), $line(10_001)]])) -
            strlen(PlanJson::pretty([...$plan, 'steps' => [$line(10_000)]]));
        $plan['steps'] = array_map($line, range(10_000, 9_999 + intdiv(PlanReader::LARGEST_FILE - 1000, $bytes)));
        $sheet = $this->sheet($plan);
        $lay = static fn (int $steps): array => array_map(
            static fn (int $number): array => ['op' => 'add', 'step' => array_diff_key($line($number), ['id' => true])],
            range(1, $steps),
        );
        $this->change($sheet, 1, $lay(10))
            ->assertUnprocessable()
            ->assertJsonPath('expected', static fn (string $expected): bool => str_starts_with($expected, 'at most 5 MB'));
        self::assertSame(1, $sheet->refresh()->head);
        $this->change($sheet, 1, [['op' => 'remove', 'ids' => ['c10000']]])->assertOk();
    }

    public function test_a_change_that_was_made_while_it_was_asked_for_again_is_answered_with_what_the_sheet_is_now(): void
    {
        $change = (string) Str::uuid();
        $read = Sheet::query()->findOrFail($this->sheet->id);
        $this->change($this->sheet, 1, [self::sectors(12)], ['change' => $change])->assertOk();
        self::assertNull(app(SheetBook::class)->change($read, $this->ada, 1, [self::sectors(12)], $change));
        self::assertSame(2, $read->head);
    }
}
