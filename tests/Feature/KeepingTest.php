<?php

namespace Tests\Feature;

use App\Models\Sheet;
use App\Models\SheetRevision;
use App\Sheets\Thinning;
use App\Sheets\Tidy;
use Illuminate\Support\Facades\Queue;
use Sternbild\Core\Format\PlanJson;
use Tests\TestCase;

/** What is kept of people's work, in how much room, and for how long. */
final class KeepingTest extends TestCase
{
    public function test_every_revision_is_what_it_was_though_most_are_kept_as_differences(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $plans = [1 => PlanJson::compact($sheet->headRevision()->plan)];
        mt_srand(20261126);
        for ($round = 0; $round < 120; $round++) {
            $sheet->refresh();
            $head = $sheet->head;
            if ($round % 7 === 6) {
                $this->postJson("/api/sheets/$sheet->id/undo", ['base' => $head])->assertOk();

                continue;
            }
            $this->change($sheet, $head, match ($round % 3) {
                0 => [self::sectors(mt_rand(5, 30))],
                1 => [['op' => 'set', 'id' => 'p1', 'field' => 'name', 'value' => "petal $round"]],
                default => [['op' => 'add', 'step' => ['kind' => 'guide.circle', 'center' => 'g1@0', 'radius' => mt_rand(10, 300)]]],
            })->assertOk();
            $plans[$sheet->refresh()->head] = PlanJson::compact($sheet->headRevision()->plan);
        }
        foreach ($plans as $number => $plan) {
            self::assertSame($plan, PlanJson::compact($sheet->revision($number)->plan));
        }
        $whole = SheetRevision::query()->where('sheet_id', $sheet->id)->whereNotNull('whole')->count();
        self::assertGreaterThanOrEqual(2, $whole);
        self::assertLessThanOrEqual(6, $whole);
        $alone = SheetRevision::query()->where('sheet_id', $sheet->id)->whereNull('base')->pluck('number')->all();
        $bases = SheetRevision::query()->where('sheet_id', $sheet->id)->whereNotNull('base')->distinct()->pluck('base')->all();
        self::assertSame([], array_values(array_diff($bases, $alone)), 'A difference to a difference.');
        self::assertSame((int) SheetRevision::query()->where('sheet_id', $sheet->id)->sum('bytes'), $sheet->refresh()->bytes);
    }

    public function test_a_rename_in_a_large_plan_takes_some_bytes(): void
    {
        $this->actingAs($this->person());
        $plan = self::rosette();
        for ($k = 0; $k < 3000; $k++) {
            $plan['steps'][] = [
                'id' => "c$k",
                'kind' => 'guide.circle',
                'name' => "a circle that has a rather long name, number $k",
                'center' => [$k % 700, 300],
                'radius' => 20,
                'muted' => true,
            ];
        }
        $sheet = $this->sheet($plan);
        $before = $sheet->bytes;
        self::assertGreaterThan(400_000, $before);
        $this->change($sheet, 1, [['op' => 'set', 'id' => 'c1777', 'field' => 'name', 'value' => 'harbour light']])->assertOk();
        self::assertLessThan(300, $sheet->refresh()->bytes - $before);
        self::assertSame('harbour light', self::steps($sheet)['c1777']['name']);
    }

    public function test_older_revisions_are_thinned_and_the_way_to_the_head_never_within_thirty_days(): void
    {
        Queue::fake();
        $this->actingAs($this->person());
        $this->travelTo(now()->startOfDay()->addHours(8));
        $sheet = $this->sheet();
        $add = function () use ($sheet): int {
            $this->travel(1)->minutes();
            $this->change($sheet, $sheet->refresh()->head, [self::sectors(5 + $sheet->head % 20)])->assertOk();

            return $sheet->refresh()->head;
        };
        // A first day, a second one on which something is undone and done otherwise, and 35 days later a third.
        array_map($add, range(1, 5));
        $endOfFirst = $sheet->head;
        $this->travel(1)->days();
        array_map($add, range(1, 4));
        $this->postJson("/api/sheets/$sheet->id/undo", ['base' => $sheet->head])->assertOk();
        $undone = $sheet->head;
        array_map($add, range(1, 3));
        $endOfSecond = $sheet->refresh()->head;
        $this->travel(35)->days();
        $third = array_map($add, range(1, 6));
        $this->postJson("/api/sheets/$sheet->id/undo", ['base' => $sheet->head])->assertOk();
        $plans = SheetRevision::query()
            ->where('sheet_id', $sheet->id)
            ->pluck('number')
            ->mapWithKeys(static fn (mixed $number): array => [(int) $number => $sheet->revision((int) $number)->plan])
            ->all();

        self::assertSame(0, Thinning::thin($sheet, 1000, now()), 'Nothing goes before there are more than are kept.');
        Thinning::thin($sheet, 2, now());
        // The first is what others are written on.
        self::assertSame(
            [1, $endOfFirst, $endOfSecond, ...$third],
            SheetRevision::query()->where('sheet_id', $sheet->id)->orderBy('number')->pluck('number')->all(),
        );
        self::assertNotContains($undone, SheetRevision::query()->where('sheet_id', $sheet->id)->pluck('number')->all());
        foreach ([1, $endOfFirst, $endOfSecond, ...$third] as $number) {
            self::assertSame($plans[$number], $sheet->refresh()->revision($number)->plan);
        }
        self::assertSame((int) SheetRevision::query()->where('sheet_id', $sheet->id)->sum('bytes'), $sheet->refresh()->bytes);
        // Undo goes back over what is left, redo forward.
        $this->postJson("/api/sheets/$sheet->id/redo", ['base' => $sheet->head])->assertOk();
        foreach ([...array_reverse($third), $endOfSecond, $endOfFirst] as $number) {
            self::assertSame($number, $sheet->refresh()->head);
            $this->postJson("/api/sheets/$sheet->id/undo", ['base' => $number])->assertOk();
        }
        self::assertSame(1, $sheet->refresh()->head);
    }

    public function test_it_is_looked_after_every_fifty_changes_whether_some_can_go(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        Queue::fake();
        for ($k = 1; $k < 50; $k++) {
            Queue::assertNotPushed(Tidy::class);
            $this->change($sheet, $k, [self::sectors(5 + $k % 2)])->assertOk();
        }
        Queue::assertPushed(Tidy::class, 1);
    }

    public function test_a_person_sees_what_is_kept_and_how_much_there_may_be(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $this->change($sheet, 1, [self::sectors(12)])->assertOk();
        config()->set('sternbild.quotas.sheets', 2);
        $this->getJson('/api/account')
            ->assertOk()
            ->assertExactJson([
                'sheets' => 1,
                'most_sheets' => 2,
                'bytes' => $sheet->refresh()->bytes,
                'most_bytes' => 200_000_000,
                'pictures' => 0,
                'picture_bytes' => 0,
                'revisions' => 1000,
                'days' => 30,
            ]);
    }

    public function test_beyond_the_number_of_sheets_there_is_none_more_until_one_is_deleted(): void
    {
        $this->actingAs($this->person());
        config()->set('sternbild.quotas.sheets', 2);
        $sheet = $this->sheet();
        $this->sheet();
        $this->postJson("/api/sheets/$sheet->id/duplicate")
            ->assertUnprocessable()
            ->assertJsonPath('problem', 'quota');
        $this->postJson('/api/sheets', ['name' => 'Third', 'width' => 8, 'height' => 8, 'unit' => 'px'])
            ->assertUnprocessable()
            ->assertJsonPath('message', 'You have 2 sheets, and there may be no more. Delete one that is not needed, then try again.');
        $this->deleteJson("/api/sheets/$sheet->id")->assertNoContent();
        $this->sheet();
        $this->postJson("/api/sheets/$sheet->id/restore")->assertUnprocessable()->assertJsonPath('problem', 'quota');
        // Other people have room of their own.
        $this->actingAs($this->person('bo@sternbild.test'));
        $this->sheet();
    }

    public function test_beyond_the_bytes_no_change_is_taken_and_nothing_of_the_sheet_is_lost(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        config()->set('sternbild.quotas.bytes', $sheet->bytes + 100);
        $this->change($sheet, 1, [['op' => 'set', 'id' => 'p1', 'field' => 'name', 'value' => str_repeat('leaf ', 15)]])
            ->assertUnprocessable()
            ->assertJsonPath('problem', 'quota')
            ->assertJsonPath(
                'message',
                'Your plans with all their revisions, and your pictures, take 0.0 MB of 0 MB; there is no room for this. Delete a sheet that is not needed, or pictures that no sheet has, then try again.',
            );
        self::assertSame(1, $sheet->refresh()->head);
        self::assertSame('petal', self::steps($sheet)['p1']['name']);
    }

    public function test_deleted_sheets_can_be_fetched_back_for_thirty_days(): void
    {
        $this->actingAs($this->person());
        [$first, $second] = [$this->sheet(), $this->sheet()];
        $this->deleteJson("/api/sheets/$first->id")->assertNoContent();
        $this->travel(29)->days();
        $this->deleteJson("/api/sheets/$second->id")->assertNoContent();
        self::assertSame(2, Sheet::onlyTrashed()->count());
        $this->travel(2)->days();
        $this->deleteJson('/api/sheets/'.$this->sheet()->id)->assertNoContent();
        self::assertNull(Sheet::withTrashed()->find($first->id));
        $this->postJson("/api/sheets/$second->id/restore")->assertOk();
    }

    /** @return array<string, array<string, mixed>> by their ids */
    private static function steps(Sheet $sheet): array
    {
        /** @var list<array<string, mixed>> $steps */
        $steps = $sheet->headRevision()->plan['steps'];

        return array_column($steps, null, 'id');
    }
}
