<?php

namespace Tests\Feature;

use App\Models\Sheet;
use App\Models\User;
use App\Quotas\OverQuota;
use App\Quotas\Quotas;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Sternbild\Core\Plan\Reading\PlanReader;
use Tests\TestCase;

/** Requests that no editor of ours sends. */
final class UnfriendlyTest extends TestCase
{
    public function test_somebody_elses_sheet_and_none_are_told_alike(): void
    {
        $this->actingAs($this->person());
        $theirs = Sheet::factory()->createOne(['name' => 'theirs']);
        $none = (string) Str::uuid();
        foreach (['', '/thumbnail.svg'] as $path) {
            $told = array_map(
                fn (string $id): string => (string) $this->getJson("/api/sheets/$id$path")
                    ->assertNotFound()
                    ->getContent(),
                [$theirs->id, $none],
            );
            self::assertSame($told[0], $told[1]);
            self::assertStringNotContainsString('model', strtolower($told[0]));
        }
        self::assertSame(
            $this->postJson("/api/sheets/$theirs->id/preview", ['operations' => []])->assertNotFound()->getContent(),
            $this->postJson("/api/sheets/$none/preview", ['operations' => []])->assertNotFound()->getContent(),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function cursors(): iterable
    {
        yield 'no cursor' => ['x'];
        yield 'of no list' => [base64_encode('{"nothing":1}')];
        yield 'no JSON' => [base64_encode('{"name":')];
        yield 'of numbers' => [base64_encode('{"updated_at":1,"name":2,"id":3,"_pointsToNextItems":true}')];
        yield 'no date' => [
            base64_encode('{"updated_at":"never","name":"a","id":"00000000-0000-4000-8000-000000000000","_pointsToNextItems":true}'),
        ];
        yield 'no id' => [base64_encode('{"updated_at":"2026-01-01 00:00:00","name":"a","id":"1","_pointsToNextItems":true}')];
        yield 'of another order' => [base64_encode('{"name":"a","id":"00000000-0000-4000-8000-000000000000","_pointsToNextItems":true}')];
    }

    #[DataProvider('cursors')]
    public function test_a_broken_cursor_is_refused_by_its_field(string $cursor): void
    {
        $this->actingAs($this->person());
        $this->sheet();
        $this->getJson('/api/sheets?'.http_build_query(['cursor' => $cursor]))
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('cursor');
    }

    public function test_numbers_that_are_none_are_refused_by_their_fields(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $ask = fn (string $path, string $body) => $this->call(
            'POST',
            "/api/sheets/$sheet->id/$path",
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $body,
        );
        foreach (
            [
                ['close-up', '{"left":1e999,"top":0,"right":1,"bottom":1}', 'left'],
                ['snap', '{"x":1,"y":-1e999,"reach":5}', 'y'],
                ['settle', '{"id":"c1","x":1,"y":1,"reach":1e999}', 'reach'],
                ['variations', '{"seed":1e999,"count":2}', 'seed'],
                ['tile', '{"of":"w1","width":1e999}', 'width'],
            ] as [$path, $body, $field]
        ) {
            $ask($path, $body)->assertUnprocessable()->assertJsonValidationErrorFor($field);
        }
        $ask('corners', '{"step":[]}')->assertUnprocessable()->assertJsonValidationErrorFor('step');
    }

    public function test_thousands_of_kinds_are_refused_as_a_whole(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $question = ['x' => 1, 'y' => 1, 'reach' => 5];
        $answer = $this->postJson("/api/sheets/$sheet->id/snap", [
            ...$question,
            'kinds' => array_fill(0, 20_000, 'corner'),
        ])->assertUnprocessable();
        self::assertSame(['kinds'], array_keys((array) $answer->json('errors')), 'No error for each of them.');
        $this->postJson("/api/sheets/$sheet->id/snap", [...$question, 'kinds' => ['corner', 'nothing']])
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('kinds');
        $this->postJson("/api/sheets/$sheet->id/snap", [...$question, 'without' => ['g1', 7]])
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('without');
        $this->postJson("/api/sheets/$sheet->id/snap", [...$question, 'kinds' => ['corner'], 'without' => ['g1']])->assertOk();
    }

    public function test_two_sheets_made_at_once_are_counted_one_after_the_other(): void
    {
        $person = $this->person();
        config()->set('sternbild.quotas.sheets', 1);
        $seen = [];
        DB::listen(static function ($query) use (&$seen): void {
            $seen[] = $query->sql;
        });
        Quotas::holdSheet($person, 10);
        $locked = array_keys(
            array_filter($seen, static fn (string $sql): bool => str_contains($sql, 'for update') && str_contains($sql, '"users"')),
        );
        $counted = array_keys(array_filter($seen, static fn (string $sql): bool => str_contains($sql, 'count(*) AS sheets')));
        self::assertNotSame([], $locked, 'Whoever counts has the person’s row to itself.');
        self::assertLessThan($counted[0], $locked[0]);
        $this->actingAs($person);
        $this->sheet();
        $this->expectException(OverQuota::class);
        Quotas::holdSheet(User::query()->findOrFail($person->id), 10);
    }

    public function test_a_sheet_of_as_many_steps_as_there_may_be_opens_and_one_more_is_refused_in_words(): void
    {
        $this->actingAs($this->person());
        $plan = self::rosette();
        $plan['steps'] = array_map(
            static fn (int $k): array => [
                'id' => "p$k",
                'kind' => 'part.circle',
                'center' => [($k % 100) * 8, intdiv($k, 100) * 8],
                'radius' => 3,
            ],
            range(1, PlanReader::MOST_STEPS + 1),
        );
        $this->postJson('/api/sheets', ['name' => 'Too many', 'plan' => json_encode($plan)])
            ->assertUnprocessable()
            ->assertJsonPath('pointer', '/steps')
            ->assertJsonPath('expected', 'a list of at most 9000 steps');
        array_pop($plan['steps']);
        $sheet = $this->postJson('/api/sheets', ['name' => 'Many', 'plan' => json_encode($plan)])->assertCreated()->json('id');
        $this->getJson("/api/sheets/$sheet")->assertOk()->assertJsonCount(PlanReader::MOST_STEPS, 'plan.steps');
    }
}
