<?php

namespace Tests\Feature;

use Illuminate\Database\QueryException;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\TestWith;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Result\Memory;
use Sternbild\Core\Result\ShortMemory;
use Symfony\Component\Mailer\Exception\TransportException;
use Tests\TestCase;

/** How the application serves many: what it holds while it works, and what it says when something is the matter. */
final class ServingTest extends TestCase
{
    public function test_nothing_is_worked_out_while_a_row_is_locked(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $watch = new class implements Memory
        {
            /** @var list<int> how many transactions were open at each question */
            public array $levels = [];

            private ShortMemory $inner;

            public function __construct()
            {
                $this->inner = new ShortMemory;
            }

            public function recall(string $key): mixed
            {
                $this->levels[] = DB::transactionLevel();

                return $this->inner->recall($key);
            }

            public function keep(string $key, mixed $value, float $seconds, ?int $pieces): void
            {
                $this->inner->keep($key, $value, $seconds, $pieces);
            }
        };
        $this->app?->instance(Memory::class, $watch);
        $this->app?->forgetInstance(Evaluator::class);
        $outside = DB::transactionLevel();
        $this->change($sheet, 1, [self::sectors(12)])->assertOk();
        self::assertNotSame([], $watch->levels);
        self::assertSame([$outside], array_values(array_unique($watch->levels)));
    }

    public function test_the_database_is_never_held_for_long(): void
    {
        // As the connection began, not as the tests set it for their own.
        $those = ['statement_timeout' => '4000ms', 'lock_timeout' => '3000ms', 'idle_in_transaction_session_timeout' => '10000ms'];
        foreach ($those as $name => $limit) {
            self::assertSame(
                $limit,
                DB::selectOne("SELECT setting || unit AS raw, reset_val || unit AS value FROM pg_settings WHERE name = '$name'")->value,
            );
        }
    }

    public function test_the_application_is_no_superuser_and_its_pages_carry_checksums(): void
    {
        self::assertSame('off', DB::selectOne("SELECT current_setting('is_superuser') AS value")->value);
        self::assertSame('on', DB::selectOne("SELECT current_setting('data_checksums') AS value")->value);
    }

    #[TestWith(['2026_11_24_000001_create_users', 'users'])]
    #[TestWith(['2026_11_24_000002_create_sheets', 'sheets'])]
    #[TestWith(['2026_11_27_000001_keep_revisions_as_differences', 'sheet_revisions'])]
    public function test_no_step_back_drops_what_people_made(string $migration, string $table): void
    {
        $this->actingAs($this->person());
        $this->change($this->sheet(), 1, [self::sectors(12)])->assertOk();
        $back = require database_path("migrations/$migration.php");
        try {
            $back->down();
            self::fail("$table was dropped.");
        } catch (\LogicException $refused) {
            self::assertStringContainsString("table $table", $refused->getMessage());
        }
        self::assertTrue(DB::table($table)->exists());
    }

    public function test_a_database_in_trouble_is_said_as_such_and_when_to_come_back(): void
    {
        $this->actingAs($this->person());
        Route::get('trouble', static fn () => DB::select('SELECT pg_sleep(60)'))->middleware('web');
        DB::statement("SET LOCAL statement_timeout = '50ms'");
        $this->getJson('/trouble')->assertStatus(503)->assertHeader('Retry-After', '5')->assertJsonPath('problem', 'busy');
    }

    public function test_what_is_logged_holds_neither_plans_nor_addresses(): void
    {
        $said = [];
        Log::listen(static function (MessageLogged $log) use (&$said): void {
            $said[] = $log->message;
        });
        report(
            new QueryException(
                'pgsql',
                'insert into users values (?)',
                ['ada@sternbild.test'],
                new \PDOException('SQLSTATE[23505]: Key (email)=(ada@sternbild.test) already exists'),
            ),
        );
        report(new TransportException('550 ada@sternbild.test is unknown'));
        self::assertStringStartsWith('A statement was refused: 23505 at ', $said[0]);
        self::assertStringStartsWith('A letter could not be sent', $said[1]);
        self::assertStringNotContainsString('ada@', implode(' ', $said));
    }

    public function test_a_statement_that_is_wrong_is_no_trouble_of_the_database(): void
    {
        $this->withoutExceptionHandling();
        $this->expectException(QueryException::class);
        Route::get('wrong', static fn () => DB::select('SELECT nothing'))->middleware('web');
        $this->getJson('/wrong');
    }

    public function test_the_health_of_the_application_asks_the_database_and_names_nobody_else(): void
    {
        $asked = 0;
        DB::listen(static function () use (&$asked): void {
            $asked++;
        });
        $answer = $this->get('/up')->assertOk();
        self::assertSame(1, $asked);
        self::assertStringNotContainsString('http', (string) $answer->getContent());
    }

    public function test_pages_make_no_session_and_unknown_ones_are_not_found(): void
    {
        $this->withoutVite();
        foreach (
            [
                '/' => 200,
                '/sign-in' => 200,
                '/forgot' => 200,
                '/mailbox' => 200,
                '/confirm/x' => 200,
                '/reset/x' => 200,
                '/sheets/00000000-0000-4000-8000-000000000000' => 200,
                '/nowhere' => 404,
                '/sheets/x' => 404,
            ] as $path => $status
        ) {
            self::assertNull($this->get($path)->assertStatus($status)->getCookie('sternbild_session'), $path);
        }
    }

    public function test_every_route_is_closed_to_those_who_are_signed_out_and_to_other_people(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $export = self::text($this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'pdf'])->json('id'));
        $open = [
            'session.show',
            'session.register',
            'session.sign-in',
            'session.confirm',
            'session.forgot',
            'session.reset',
            'session.mailbox',
        ];
        $tried = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (! str_starts_with($route->uri(), 'api/') || in_array($route->getName(), $open, true) || $route->getName() === null) {
                continue;
            }
            $path =
                '/'.
                strtr($route->uri(), [
                    '{sheet}' => $sheet->id,
                    '{deleted}' => $sheet->id,
                    '{export}' => $export,
                    '{hash}' => str_repeat('0', 64),
                    '{scan}' => str_repeat('0', 16),
                    '{page}' => 'lamp',
                ]);
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                // The sheets in the tray are the same for everybody.
                if (str_contains($route->uri(), '{') && $route->getName() !== 'scanner.page') {
                    $this->actingAs($this->person("other-$tried@sternbild.test"));
                    $this->json($method, $path, ['within' => [1, 1]])->assertNotFound();
                }
                $this->app?->make('auth')->forgetGuards();
                $this->flushSession();
                $this->json($method, $path)->assertUnauthorized();
                $tried++;
            }
        }
        self::assertGreaterThan(20, $tried);
    }
}
