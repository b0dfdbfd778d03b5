<?php

namespace Tests\Feature;

use App\Models\Sheet;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

final class SheetsTest extends TestCase
{
    public function test_a_new_sheet_is_empty_and_has_its_size(): void
    {
        $this->actingAs($this->person());
        $id = $this->postJson('/api/sheets', ['name' => 'Poster', 'width' => '210', 'height' => 297.5, 'unit' => 'mm'])
            ->assertCreated()
            ->assertJsonPath('revision', 1)
            ->json('id');
        $page = $this->getJson("/api/sheets/$id")->assertOk();
        $page->assertJsonPath('plan.sheet', ['width' => 210, 'height' => 297.5, 'unit' => 'mm', 'background' => null]);
        $page->assertJsonPath('plan.steps', [])->assertJsonPath('undo', null)->assertJsonPath('redo', null);
        self::assertSame([], $page->json('scene.findings'));
    }

    public function test_sheets_are_listed_renamed_duplicated_deleted_and_brought_back(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $this->patchJson("/api/sheets/$sheet->id", ['name' => 'Floor'])->assertOk()->assertJsonPath('name', 'Floor');
        $copy = $this->postJson("/api/sheets/$sheet->id/duplicate")->assertCreated()->assertJsonPath('name', 'Floor, copy')->json('id');
        self::assertEquals($this->getJson("/api/sheets/$sheet->id")->json('plan'), $this->getJson("/api/sheets/$copy")->json('plan'));
        self::assertCount(2, (array) $this->getJson('/api/sheets')->json('sheets'));

        $this->deleteJson("/api/sheets/$sheet->id")->assertNoContent();
        $this->getJson("/api/sheets/$sheet->id")->assertNotFound();
        self::assertCount(1, (array) $this->getJson('/api/sheets')->json('sheets'));
        $this->postJson("/api/sheets/$sheet->id/restore")->assertOk();
        $this->getJson("/api/sheets/$sheet->id")->assertOk()->assertJsonPath('scene.findings', []);
    }

    public function test_sheets_are_listed_page_by_page_each_once_last_changed_first_or_by_name(): void
    {
        $person = $this->person();
        foreach (range(1, 130) as $number) {
            // Of many changed at once the names decide.
            Sheet::factory()->create([
                'user_id' => $person->id,
                'name' => sprintf('%03d', 131 - $number),
                'updated_at' => now()->subMinutes(intdiv($number, 50)),
            ]);
        }
        Sheet::factory()->create(['name' => 'of somebody else']);
        $this->actingAs($person);
        foreach (['changed' => ['082', '083', '031'], 'name' => ['001', '002', '130']] as $sort => [$first, $second, $last]) {
            $names = [];
            $next = null;
            $pages = 0;
            do {
                $page = $this->getJson('/api/sheets?'.http_build_query(array_filter(['sort' => $sort, 'cursor' => $next])))->assertOk();
                array_push($names, ...array_column((array) $page->json('sheets'), 'name'));
                $next = $page->json('next');
                $pages++;
            } while ($next !== null);
            self::assertSame([3, 130, 130], [$pages, count($names), count(array_unique($names))]);
            self::assertSame([$first, $second, $last], [$names[0], $names[1], $names[129]], $sort);
        }
        $this->getJson('/api/sheets?sort=size')->assertUnprocessable()->assertJsonValidationErrorFor('sort');
    }

    public function test_an_index_serves_the_list_in_its_order(): void
    {
        $person = $this->person();
        DB::statement('SET LOCAL enable_seqscan = off');
        DB::statement('SET LOCAL enable_sort = off');
        foreach (['changed' => 'sheets_by_change', 'name' => 'sheets_by_name'] as $order => $index) {
            $query = $person->listedSheets($order)->limit(61);
            $explained = implode(
                "\n",
                array_map(static fn (object $row): string => implode(' ', (array) $row), DB::select('EXPLAIN '.$query->toRawSql())),
            );
            self::assertStringContainsString($index, $explained);
            self::assertStringNotContainsString('Sort', $explained, $order);
        }
    }

    public function test_nobody_else_can_see_or_change_a_sheet(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $before = $sheet->headRevision()->plan;
        $this->actingAs($this->person('bo@sternbild.test'));
        foreach (
            [
                ['GET', ''],
                ['PATCH', '', ['name' => 'Mine']],
                ['DELETE', ''],
                ['POST', '/duplicate'],
                ['POST', '/restore'],
                ['GET', '/thumbnail.svg'],
                ['GET', '/file?format=svg'],
                ['GET', '/forms'],
                ['POST', '/estimate', ['format' => 'svg']],
                ['POST', '/prove', ['format' => 'svg']],
                ['POST', '/changes', ['base' => 1, 'change' => '7b6e3b1e-0000-4000-8000-000000000000', 'operations' => [self::sectors(3)]]],
                ['POST', '/preview', ['operations' => [self::sectors(3)]]],
                ['POST', '/undo', ['base' => 1]],
                ['POST', '/redo', ['base' => 1]],
                ['PUT', '/plan', ['base' => 1, 'change' => '7b6e3b1e-0000-4000-8000-000000000001', 'plan' => '{}']],
            ] as $request
        ) {
            [$method, $path] = $request;
            $this->json($method, "/api/sheets/$sheet->id$path", $request[2] ?? [])->assertNotFound();
        }
        self::assertSame([], $this->getJson('/api/sheets')->json('sheets'));
        $now = Sheet::query()->findOrFail($sheet->id);
        self::assertSame(['Rosette', 1], [$now->name, $now->head]);
        self::assertEquals($before, $now->headRevision()->plan);
    }

    public function test_without_signing_in_there_is_nothing(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $this->app?->make('auth')->forgetGuards();
        $this->flushSession();
        $this->getJson("/api/sheets/$sheet->id")->assertUnauthorized();
        $this->get("/api/sheets/$sheet->id/thumbnail.svg", ['Accept' => 'application/json'])->assertUnauthorized();
    }

    public function test_bad_names_and_sizes_are_refused_by_field(): void
    {
        $this->actingAs($this->person());
        foreach ([
            ['name' => '', 'width' => 5, 'height' => 5, 'unit' => 'px'],
            ['name' => '<i>', 'width' => 5, 'height' => 5, 'unit' => 'px'],
            ['name' => str_repeat('x', 81), 'width' => 5, 'height' => 5, 'unit' => 'px'],
        ] as $given) {
            $this->postJson('/api/sheets', $given)->assertJsonValidationErrors(['name']);
        }
        foreach ([0, -5, 'wide', 1e9] as $width) {
            $this->postJson('/api/sheets', ['name' => 'x', 'width' => $width, 'height' => 5, 'unit' => 'px'])->assertJsonValidationErrors([
                'width',
            ]);
        }
        $this->postJson('/api/sheets', ['name' => 'x', 'width' => 5, 'height' => 5, 'unit' => 'league'])->assertJsonValidationErrors([
            'unit',
        ]);
        $this->postJson('/api/sheets', ['name' => 'x', 'width' => 1e-5, 'height' => 5, 'unit' => 'px'])
            ->assertUnprocessable()
            ->assertJsonPath('pointer', '/sheet/width');
        self::assertSame([], $this->getJson('/api/sheets')->json('sheets'));
    }

    public function test_an_unusable_plan_is_not_brought_in(): void
    {
        $this->actingAs($this->person());
        $bring = fn (string $plan) => $this->postJson('/api/sheets', ['name' => 'x', 'plan' => $plan])
            ->assertUnprocessable()
            ->assertJsonPath('problem', 'unusable');
        $bring('no plan')->assertJsonPath('pointer', '');
        $bring('{"format": "sternbild-plan", "version": 9}')->assertJsonPath('pointer', '/version');
        $bring(str_repeat('x', 5 * 1024 * 1024 + 1))->assertJsonPath('expected', 'at most 5 MB; it has 5.0 MB');
        $plan = self::rosette();
        $plan['palette'] = ['lagoon' => 'blue'];
        $bring(json_encode($plan, JSON_THROW_ON_ERROR))->assertJsonPath('pointer', '/palette/lagoon');
        self::assertSame([], $this->getJson('/api/sheets')->json('sheets'));
    }
}
