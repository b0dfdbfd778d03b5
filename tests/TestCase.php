<?php

namespace Tests;

use App\Models\Sheet;
use App\Models\User;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase as Base;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** A test of the application, against a real PostgreSQL that bin/test has started and migrated. */
abstract class TestCase extends Base
{
    use DatabaseTransactions;

    protected function setUp(): void
    {
        parent::setUp();
        // A test is one transaction over all of its requests, which none of them holds open by itself.
        DB::statement('SET LOCAL idle_in_transaction_session_timeout = 0');
    }

    protected function person(string $email = 'ada@sternbild.test'): User
    {
        return User::factory()->createOne(['email' => $email]);
    }

    /**
     * A sheet with a petal repeated around, made over the API by the person who is signed in.
     *
     * @param  array<string, mixed>|null  $plan
     */
    protected function sheet(?array $plan = null): Sheet
    {
        $id = $this->postJson('/api/sheets', ['name' => 'Rosette', 'plan' => json_encode($plan ?? self::rosette(), JSON_THROW_ON_ERROR)])
            ->assertCreated()
            ->json('id');

        return Sheet::query()->findOrFail(is_string($id) ? $id : '');
    }

    /** @return array<string, mixed> */
    protected static function rosette(): array
    {
        return [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px', 'background' => null],
            'palette' => ['lagoon' => '#0f6e84', 'ink' => '#1b2140'],
            'steps' => [
                [
                    'id' => 'g1',
                    'kind' => 'grid.polar',
                    'center' => [400, 400],
                    'radius' => 300,
                    'rings' => 5,
                    'sectors' => 10,
                    'axis' => 'sector',
                ],
                ['id' => 'p1', 'kind' => 'part.cells', 'name' => 'petal', 'cells' => ['g1#2,1', 'g1#3,1', 'g1#4,1']],
                ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 'g1.sectors'],
                ['id' => 's1', 'kind' => 'style', 'of' => ['r1'], 'fill' => 'lagoon'],
            ],
        ];
    }

    /**
     * A polar grid, a circle that just misses a line, and an overlay with a part of it.
     *
     * @return array<string, mixed>
     */
    protected static function guided(): array
    {
        return [...self::rosette(), 'steps' => [
            self::rosette()['steps'][0],
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => 'g1@0', 'radius' => 150],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[100, 250.5], [700, 250.5]]],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'c1', 'c2']],
            ['id' => 'p1', 'kind' => 'part.cells', 'cells' => ['o1~g1:2.2,3.5']],
        ]];
    }

    /**
     * @param  list<array<string, mixed>>  $operations
     * @param  array<string, mixed>  $more
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function change(Sheet $sheet, int $base, array $operations, array $more = []): TestResponse
    {
        return $this->postJson("/api/sheets/$sheet->id/changes", [
            'base' => $base,
            'change' => (string) Str::uuid(),
            'operations' => $operations,
            ...$more,
        ]);
    }

    /** @return array<string, mixed> */
    protected static function sectors(int|float|string $count): array
    {
        return ['op' => 'set', 'id' => 'g1', 'field' => 'sectors', 'value' => $count];
    }

    protected static function text(mixed $given): string
    {
        return is_string($given) ? $given : '';
    }
}
