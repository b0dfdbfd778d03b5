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
        $this->getJson('/api/session')->assertExactJson(['person' => null, 'mailbox' => true]);
        $this->postJson('/api/register', self::ADA)->assertStatus(202);
        $this->getJson('/api/session')->assertJsonPath('person', null);
        self::assertFalse(User::query()->exists());
        $this->postJson('/api/confirm', ['token' => $this->letter('confirm')])
            ->assertCreated()
            ->assertJsonPath('person.email', 'ada@sternbild.test');
        $this->getJson('/api/session')->assertJsonPath('person.name', 'Ada');
        $this->postJson('/api/sign-out')->assertNoContent();
        $this->app?->make('auth')->forgetGuards();
        $this->getJson('/api/sheets')->assertUnauthorized();
        $this->postJson('/api/sign-in', ['email' => ' ADA@sternbild.test', 'password' => 'a long password'])->assertOk();
        $this->getJson('/api/sheets')->assertOk();
    }

    public function test_passwords_are_stored_hashed(): void
    {
        $this->postJson('/api/register', self::ADA)->assertStatus(202);
        self::assertStringStartsWith('$2y$', json_decode(DB::table('tickets')->value('holds'), true)['password']);
        $this->postJson('/api/confirm', ['token' => $this->letter('confirm')])->assertCreated();
        self::assertTrue(
            Hash::check(self::ADA['password'], User::query()->where('email', self::ADA['email'])->firstOrFail()->getAuthPassword()),
        );
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
    }

    public function test_registration_says_to_nobody_but_the_owner_of_the_address_that_it_is_taken(): void
    {
        $this->person();
        $taken = $this->postJson('/api/register', self::ADA)->assertStatus(202);
        $free = $this->postJson('/api/register', [...self::ADA, 'email' => 'bo@sternbild.test'])->assertStatus(202);
        self::assertSame($free->getContent(), $taken->getContent());
        self::assertSame(
            ['Open your account at Sternbild', 'Your account at Sternbild'],
            [self::subject('bo@sternbild.test'), self::subject('ada@sternbild.test')],
        );
        self::assertSame(['bo@sternbild.test'], DB::table('tickets')->pluck('email')->all());
    }

    public function test_a_link_is_good_once_for_a_while_and_for_its_purpose(): void
    {
        $this->postJson('/api/register', self::ADA)->assertStatus(202);
        $token = $this->letter('confirm');
        $refused = fn (string $path, string $token) => $this->postJson($path, ['token' => $token, 'password' => 'another password'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['token']);
        $refused('/api/reset', $token);
        $refused('/api/confirm', strrev($token));
        $this->postJson('/api/confirm', ['token' => $token])->assertCreated();
        $refused('/api/confirm', $token);
        $this->clearGuesses();
        $this->postJson('/api/forgot', ['email' => 'Ada@sternbild.test '])->assertStatus(202);
        $token = $this->letter('reset');
        $this->travel(61)->minutes();
        $refused('/api/reset', $token);
    }

    public function test_another_password_by_letter_signs_everybody_else_out(): void
    {
        $person = $this->person();
        DB::table('sessions')->insert(['id' => 'another device', 'user_id' => $person->id, 'payload' => '', 'last_activity' => time()]);
        $unknown = $this->postJson('/api/forgot', ['email' => 'nobody@sternbild.test'])->assertStatus(202);
        self::assertSame(
            $unknown->getContent(),
            $this->postJson('/api/forgot', ['email' => 'ada@sternbild.test'])
                ->assertStatus(202)
                ->getContent(),
        );
        self::assertSame(['ada@sternbild.test'], DB::table('letters')->pluck('recipient')->all());
        $token = $this->letter('reset');
        $this->postJson('/api/reset', ['token' => $token, 'password' => 'short'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['password']);
        $this->postJson('/api/reset', ['token' => $token, 'password' => 'another password'])
            ->assertOk()
            ->assertJsonPath('person.name', 'Ada');
        self::assertTrue(Hash::check('another password', $person->refresh()->getAuthPassword()));
        self::assertFalse(DB::table('sessions')->where('id', 'another device')->exists());
    }

    public function test_letters_are_read_here_only_while_they_are_not_sent(): void
    {
        $this->postJson('/api/register', self::ADA)->assertStatus(202);
        $this->getJson('/api/mailbox?email=ADA@sternbild.test')
            ->assertOk()
            ->assertJsonPath('letters.0.subject', 'Open your account at Sternbild');
        $this->getJson('/api/mailbox?email=bo@sternbild.test')
            ->assertOk()
            ->assertExactJson(['letters' => []]);
        config()->set('mail.default', 'smtp');
        $this->getJson('/api/mailbox?email=ada@sternbild.test')->assertNotFound();
        $this->getJson('/api/session')->assertJsonPath('mailbox', false);
    }

    /** What the link in the newest letter holds. */
    private function letter(string $purpose): string
    {
        self::assertSame(
            1,
            preg_match("~/$purpose/(\w{48})\\b~", self::text(DB::table('letters')->orderByDesc('id')->value('body')), $found),
        );

        return $found[1];
    }

    private static function subject(string $recipient): string
    {
        return self::text(DB::table('letters')->where('recipient', $recipient)->value('subject'));
    }

    public function test_guessing_is_slowed_down(): void
    {
        for ($guess = 1; $guess <= 6; $guess++) {
            $this->postJson('/api/sign-in', ['email' => 'ada@sternbild.test', 'password' => "guess $guess"])->assertUnprocessable();
        }
        $this->postJson('/api/sign-in', ['email' => 'ada@sternbild.test', 'password' => 'guess 7'])
            ->assertTooManyRequests()
            ->assertJsonPath('problem', 'waiting')
            ->assertJsonPath('message', 'That was asked for too often within a minute. Please wait a moment, and try again.');
    }

    public function test_an_address_that_is_none_is_refused_before_anything_is_done_with_it(): void
    {
        $this->person();
        foreach (
            [
                "ada\0@sternbild.test",
                "ada@sternbild.test\0",
                "\x01ada@sternbild.test",
                ['ada@sternbild.test'],
                ['a' => 1],
                5,
                null,
                true,
                str_repeat('a', 300).'@sternbild.test',
            ] as $email
        ) {
            $this->postJson('/api/sign-in', ['email' => $email, 'password' => 'a long password'])
                ->assertUnprocessable()
                ->assertJsonValidationErrors(['email']);
            $this->postJson('/api/register', ['name' => 'Bo', 'email' => $email, 'password' => 'a long password'])
                ->assertUnprocessable()
                ->assertJsonValidationErrors(['email']);
            $this->clearGuesses();
        }
        foreach (['/api/sign-in', '/api/register'] as $path) {
            $this->post(
                $path,
                ['name' => "\xff", 'email' => "ada\xff@sternbild.test", 'password' => "\xff\xfe12345678"],
                ['Accept' => 'application/json'],
            )->assertUnprocessable();
        }
        $this->assertGuest();
    }

    public function test_guesses_are_counted_for_the_account_however_its_address_is_written(): void
    {
        foreach (
            [
                ' ada@sternbild.test',
                'ADA@sternbild.test',
                'Ada@Sternbild.test ',
                "\tada@sternbild.test",
                'ada@sternbild.test',
                'aDa@sternbild.test',
                'ada@STERNBILD.test',
            ] as $email
        ) {
            $this->postJson('/api/sign-in', ['email' => $email, 'password' => 'guess']);
        }
        $this->postJson('/api/sign-in', ['email' => 'ada@sternbild.test', 'password' => 'guess'])->assertTooManyRequests();
    }

    public function test_passwords_are_counted_in_bytes(): void
    {
        $this->postJson('/api/register', [...self::ADA, 'password' => str_repeat('ä', 37)])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['password']);
        $this->postJson('/api/register', [...self::ADA, 'password' => str_repeat('ä', 36)])->assertStatus(202);
    }

    public function test_a_session_that_was_signed_out_never_comes_back(): void
    {
        config(['session.driver' => 'database']);
        $this->postJson('/api/register', self::ADA)->assertStatus(202);
        $this->postJson('/api/confirm', ['token' => $this->letter('confirm')])->assertCreated();
        $store = $this->app?->make('session')->driver();
        self::assertInstanceOf(\Illuminate\Session\Store::class, $store);
        // A request that is still on its way has read the session.
        $late = new \Illuminate\Session\Store(
            'late',
            new \Illuminate\Session\DatabaseSessionHandler(DB::connection(), 'sessions', 60),
            $store->getId(),
        );
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
