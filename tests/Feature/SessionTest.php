<?php

namespace Tests\Feature;

use App\Models\User;
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
}
