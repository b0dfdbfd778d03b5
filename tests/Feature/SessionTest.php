<?php

namespace Tests\Feature;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Tests\TestCase;

final class SessionTest extends TestCase
{
    private const ADA = ['name' => 'Ada', 'email' => 'ada@sternbild.test', 'password' => 'a long password'];

    public function test_a_person_registers_signs_out_and_signs_in_again(): void
    {
        $this->getJson('/api/session')->assertExactJson(['person' => null]);
        $this->postJson('/api/register', self::ADA)->assertCreated()->assertJsonPath('person.email', 'ada@sternbild.test');
        $this->getJson('/api/session')->assertJsonPath('person.name', 'Ada');
        $this->postJson('/api/sign-out')->assertNoContent();
        $this->app?->make('auth')->forgetGuards();
        $this->getJson('/api/sheets')->assertUnauthorized();
        $this->postJson('/api/sign-in', ['email' => ' ADA@sternbild.test', 'password' => 'a long password'])->assertOk();
        $this->getJson('/api/sheets')->assertOk();
    }

    public function test_passwords_are_stored_hashed(): void
    {
        $this->postJson('/api/register', self::ADA)->assertCreated();
        self::assertStringStartsWith('$2y$', User::query()->where('email', self::ADA['email'])->firstOrFail()->getAuthPassword());
    }

    public function test_a_wrong_password_says_neither_which_of_both_was_wrong_nor_that_there_is_an_account(): void
    {
        $this->person();
        $wrong = $this->postJson('/api/sign-in', ['email' => 'ada@sternbild.test', 'password' => 'guess'])->assertUnprocessable()->json();
        $unknown = $this->postJson('/api/sign-in', ['email' => 'bo@sternbild.test', 'password' => 'guess'])->assertUnprocessable()->json();
        self::assertSame($wrong, $unknown);
    }

    public function test_what_is_missing_or_wrong_is_named_by_field(): void
    {
        $this->postJson('/api/register', ['name' => '<b>', 'email' => 'nowhere', 'password' => 'short'])
            ->assertUnprocessable()->assertJsonValidationErrors(['name', 'email', 'password']);
        $this->person();
        $this->postJson('/api/register', self::ADA)->assertUnprocessable()->assertJsonValidationErrors(['email']);
    }

    public function test_guessing_is_slowed_down(): void
    {
        for ($guess = 1; $guess <= 6; $guess++) {
            $this->postJson('/api/sign-in', ['email' => 'ada@sternbild.test', 'password' => "guess $guess"])->assertUnprocessable();
        }
        $this->postJson('/api/sign-in', ['email' => 'ada@sternbild.test', 'password' => 'guess 7'])->assertTooManyRequests();
    }

    public function test_an_address_that_is_none_is_refused_before_anything_is_done_with_it(): void
    {
        $this->person();
        foreach (["ada\0@sternbild.test", "ada@sternbild.test\0", "\x01ada@sternbild.test", ['ada@sternbild.test'], ['a' => 1], 5, null, true, str_repeat('a', 300).'@sternbild.test'] as $email) {
            $this->postJson('/api/sign-in', ['email' => $email, 'password' => 'a long password'])->assertUnprocessable()->assertJsonValidationErrors(['email']);
            $this->postJson('/api/register', ['name' => 'Bo', 'email' => $email, 'password' => 'a long password'])->assertUnprocessable()->assertJsonValidationErrors(['email']);
            $this->clearGuesses();
        }
        foreach (['/api/sign-in', '/api/register'] as $path) {
            $this->post($path, ['name' => "\xff", 'email' => "ada\xff@sternbild.test", 'password' => "\xff\xfe12345678"], ['Accept' => 'application/json'])->assertUnprocessable();
        }
        $this->assertGuest();
    }

    public function test_guesses_are_counted_for_the_account_however_its_address_is_written(): void
    {
        foreach ([' ada@sternbild.test', 'ADA@sternbild.test', 'Ada@Sternbild.test ', "\tada@sternbild.test", 'ada@sternbild.test', 'aDa@sternbild.test', 'ada@STERNBILD.test'] as $email) {
            $this->postJson('/api/sign-in', ['email' => $email, 'password' => 'guess']);
        }
        $this->postJson('/api/sign-in', ['email' => 'ada@sternbild.test', 'password' => 'guess'])->assertTooManyRequests();
    }

    public function test_passwords_are_counted_in_bytes(): void
    {
        $this->postJson('/api/register', [...self::ADA, 'password' => str_repeat('ä', 37)])->assertUnprocessable()->assertJsonValidationErrors(['password']);
        $this->postJson('/api/register', [...self::ADA, 'password' => str_repeat('ä', 36)])->assertCreated();
    }

    public function test_a_session_that_was_signed_out_never_comes_back(): void
    {
        config(['session.driver' => 'database']);
        $this->postJson('/api/register', self::ADA)->assertCreated();
        $store = $this->app?->make('session')->driver();
        self::assertInstanceOf(\Illuminate\Session\Store::class, $store);
        // A request that is still on its way has read the session.
        $late = new \Illuminate\Session\Store('late', new \Illuminate\Session\DatabaseSessionHandler(DB::connection(), 'sessions', 60), $store->getId());
        $store->save();
        $late->start();
        self::assertNotNull($late->get($this->guardKey()));
        $this->withCredentials()->withCookie('sternbild_session', $late->getId())->postJson('/api/sign-out')->assertNoContent();
        // It answers, and writes what it has.
        $late->save();
        self::assertSame(0, DB::table('sessions')->where('id', $late->getId())->count());
    }

    public function test_unknown_accounts_take_as_long_as_known_ones(): void
    {
        $this->person();
        Hash::spy();
        Hash::shouldReceive('make')->andReturn('x');
        Hash::shouldReceive('isHashed')->andReturn(true);
        Hash::shouldReceive('check')->twice()->andReturn(false);
        $this->postJson('/api/sign-in', ['email' => 'ada@sternbild.test', 'password' => 'guess'])->assertUnprocessable();
        $this->postJson('/api/sign-in', ['email' => 'bo@sternbild.test', 'password' => 'guess'])->assertUnprocessable();
    }

    private function guardKey(): string
    {
        return 'login_web_'.sha1(\Illuminate\Auth\SessionGuard::class);
    }

    private function clearGuesses(): void
    {
        $this->app?->make('cache')->flush();
    }
}
