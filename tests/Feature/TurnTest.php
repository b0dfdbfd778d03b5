<?php

namespace Tests\Feature;

use App\Http\Turns;
use App\Models\Sheet;
use App\Models\User;
use App\Sheets\Planning;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Sternbild\Core\Geometry\Budget;
use Tests\TestCase;

/** How the machine is shared out among people. */
final class TurnTest extends TestCase
{
    private User $person;

    private Sheet $sheet;

    protected function setUp(): void
    {
        parent::setUp();
        config()->set('database.connections.elsewhere', [...config()->array('database.connections.pgsql'), 'options' => []]);
        $this->actingAs($this->person = $this->person());
        $this->sheet = $this->sheet();
    }

    protected function tearDown(): void
    {
        DB::select('SELECT pg_advisory_unlock_all()');
        DB::connection('elsewhere')->select('SELECT pg_advisory_unlock_all()');
        DB::purge('elsewhere');
        parent::tearDown();
    }

    public function test_a_turn_ends_with_its_request_also_where_that_fails(): void
    {
        $this->preview()->assertOk();
        $this->postJson("/api/sheets/{$this->sheet->id}/preview", ['operations' => 'none'])->assertUnprocessable();
        foreach (range(0, Turns::AT_ONCE - 1) as $turn) {
            self::assertTrue($this->takeElsewhere($turn), "turn $turn");
        }
    }

    public function test_two_requests_of_a_person_are_worked_on_at_once_and_the_third_is_told_to_come_back(): void
    {
        $this->takeElsewhere(0);
        $this->preview()->assertOk();
        $this->takeElsewhere(1);
        $this->change($this->sheet, 1, [self::sectors(12)])
            ->assertTooManyRequests()
            ->assertHeader('Retry-After', '1')
            ->assertJsonPath('problem', 'waiting');
        self::assertSame(1, $this->sheet->refresh()->head);
        // Other people have turns of their own.
        $this->actingAs($this->person('bo@sternbild.test'));
        $this->sheet();
    }

    public function test_one_that_waits_goes_on_when_a_turn_is_free(): void
    {
        $this->takeElsewhere(0);
        $this->takeElsewhere(1);
        $looks = 0;
        DB::listen(function (QueryExecuted $query) use (&$looks): void {
            if (str_starts_with($query->sql, 'SELECT previews') && ++$looks === 5) {
                DB::connection('elsewhere')->select('SELECT pg_advisory_unlock(8420, ?)', [$this->person->id * Turns::AT_ONCE + 1]);
            }
        });
        $this->change($this->sheet, 1, [self::sectors(12)])->assertOk();
        self::assertSame(6, $looks);
    }

    public function test_a_preview_that_waits_is_dropped_when_a_newer_one_comes(): void
    {
        $this->takeElsewhere(0);
        $this->takeElsewhere(1);
        $looks = 0;
        DB::listen(function (QueryExecuted $query) use (&$looks): void {
            if (str_starts_with($query->sql, 'SELECT previews') && ++$looks === 3) {
                Turns::lineUp($this->person->id);
            }
        });
        $this->preview()->assertTooManyRequests()->assertHeaderMissing('Retry-After');
        self::assertSame(4, $looks);
    }

    public function test_what_a_person_had_of_the_machine_is_counted_and_forgotten_in_time(): void
    {
        $this->preview()->assertOk();
        $spent = fn (): float => (float) DB::table('turns')->where('user_id', $this->person->id)->value('spent');
        $before = $spent();
        self::assertGreaterThan(0.0, $before);
        Turns::end($this->person->id, null, 3.0);
        self::assertEqualsWithDelta($before + 3.0, $spent(), 0.1);
        DB::table('turns')->decrement('at', 1000);
        self::assertSame(0.0, Turns::begin($this->person->id)['spent']);
    }

    public function test_what_is_under_way_counts_and_so_does_what_ended_without_a_word(): void
    {
        Turns::begin($this->person->id);
        DB::table('turns')->update(['began0' => microtime(true) - 3]);
        DB::select('SELECT pg_advisory_unlock_all()');
        $this->takeElsewhere(0);
        $second = Turns::begin($this->person->id);
        self::assertSame([1, 1], [$second['turn'], $second['open']]);
        self::assertEqualsWithDelta(3.0, $second['spent'], 0.5);
        // Its worker was killed: the lock is free, and nobody said what it had.
        DB::select('SELECT pg_advisory_unlock_all()');
        DB::connection('elsewhere')->select('SELECT pg_advisory_unlock_all()');
        $third = Turns::begin($this->person->id);
        self::assertSame(0, $third['turn']);
        self::assertGreaterThan(4.9, (float) DB::table('turns')->value('spent'), 'All that a request may have.');
        // One that began long ago is not under way any more, whichever turn comes next.
        DB::table('turns')->update(['began1' => microtime(true) - 60, 'spent' => 0]);
        DB::select('SELECT pg_advisory_unlock_all()');
        Turns::begin($this->person->id);
        self::assertNull(DB::table('turns')->value('began1'));
    }

    public function test_the_last_workers_are_for_whoever_had_little(): void
    {
        $here = ['STERNBILD_LINE' => 'none', 'REQUEST_ARRIVED' => (string) microtime(true)];
        foreach ([1, 2, 3, 4] as $other) {
            DB::table('turns')->insert([
                'user_id' => $this->person->id + $other,
                'minute' => 1,
                'asked' => 1,
                'at' => microtime(true),
                'began0' => microtime(true),
            ]);
        }
        $this->withServerVariables($here)->preview()->assertOk()->assertHeaderMissing('X-Accel-Redirect');
        // Its first request is still under way.
        $this->takeElsewhere(0);
        DB::table('turns')->where('user_id', $this->person->id)->update(['began0' => microtime(true)]);
        $this->withServerVariables($here)->preview()->assertHeader('X-Accel-Redirect', '@line');
    }

    public function test_work_ends_as_a_finding_when_its_time_is_up(): void
    {
        Budget::setClock(static fn (): bool => true);
        try {
            $plan = self::rosette();
            $plan['steps'][1]['cells'] = ['g1#*,*'];
            $plan['steps'][0] = [...$plan['steps'][0], 'rings' => 60, 'sectors' => 120];
            $scene = app(Planning::class)->scene($plan);
            self::assertContains('limit', array_column($scene->findings, 'code'));
        } finally {
            Budget::setClock(null);
        }
    }

    public function test_whoever_had_much_goes_on_in_a_line_of_their_own_while_others_are_at_work(): void
    {
        $this->preview()->assertOk();
        Turns::end($this->person->id, null, 3.0);
        // Where there is no such line, all goes on as before.
        $this->preview()->assertOk()->assertHeaderMissing('X-Accel-Redirect');
        $here = ['STERNBILD_LINE' => 'none', 'REQUEST_ARRIVED' => (string) microtime(true)];
        // Nor is there anybody to make room for.
        $this->withServerVariables($here)->preview()->assertOk()->assertHeaderMissing('X-Accel-Redirect');
        $lock = fn (int $other) => DB::connection('elsewhere')
            ->select('SELECT pg_advisory_lock(8420, ?)', [($this->person->id + $other) * Turns::AT_ONCE]);
        $lock(1);
        $this->withServerVariables($here)->preview()->assertOk()->assertHeader('X-Accel-Redirect', '@line')->assertContent('');
        // A machine that is slow, but has few to serve, is no reason to stand back.
        $late = [...$here, 'REQUEST_ARRIVED' => (string) (microtime(true) - 1)];
        $this->withServerVariables($late)->preview()->assertHeader('X-Accel-Redirect', '@line');
        $lock(2);
        $lock(3);
        $this->withServerVariables($late)->preview()->assertHeader('X-Accel-Redirect', '@stands-back');
        $this->withServerVariables(['STERNBILD_LINE' => 'moves'])->preview()->assertOk()->assertJsonStructure(['scene']);
        // The change that is sent on is made there, and once.
        $this->withServerVariables([...$here, 'REQUEST_ARRIVED' => (string) microtime(true)])
            ->change($this->sheet, 1, [self::sectors(12)])
            ->assertHeader('X-Accel-Redirect', '@line');
        self::assertSame(1, $this->sheet->refresh()->head);
    }

    public function test_of_those_who_stand_back_one_goes_on_at_a_time_after_a_pause(): void
    {
        $lock = fopen(storage_path('framework/line.lock'), 'c');
        self::assertIsResource($lock);
        flock($lock, LOCK_EX);
        $this->withServerVariables(['STERNBILD_LINE' => 'stands back'])
            ->preview()
            ->assertTooManyRequests()
            ->assertHeader('Retry-After', '2');
        flock($lock, LOCK_UN);
        $start = hrtime(true);
        $this->preview()->assertOk();
        self::assertGreaterThan(2.0, (hrtime(true) - $start) / 1e9);
        self::assertTrue(flock($lock, LOCK_EX | LOCK_NB), 'It was given back.');
    }

    public function test_beyond_so_many_requests_in_a_minute_a_person_is_told_to_wait(): void
    {
        $this->preview()->assertOk();
        DB::table('turns')->update(['asked' => 1800, 'minute' => intdiv(time(), 60)]);
        $this->preview()->assertTooManyRequests();
        DB::table('turns')->decrement('minute');
        $this->preview()->assertOk();
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function preview(): \Illuminate\Testing\TestResponse
    {
        return $this->postJson("/api/sheets/{$this->sheet->id}/preview", ['operations' => [self::sectors(12)]]);
    }

    private function takeElsewhere(int $turn): bool
    {
        return (bool) DB::connection('elsewhere')->selectOne('SELECT pg_try_advisory_lock(8420, ?) AS taken', [
            $this->person->id * Turns::AT_ONCE + $turn,
        ])->taken;
    }
}
