<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A new account. */
final class RegisterRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => Naming::RULES,
            'email' => [...Email::RULES, 'unique:users,email'],
            'password' => Password::rules(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...Naming::MESSAGES, 'email.unique' => 'There is an account with this e-mail address already. Sign in instead.'];
    }

    /** @return array{name: string, email: string, password: string} */
    public function account(): array
    {
        return ['name' => $this->string('name')->toString(), 'email' => $this->string('email')->toString(), 'password' => $this->string('password')->toString()];
    }

    protected function prepareForValidation(): void
    {
        $this->merge(['email' => Email::of($this->input('email')) ?? $this->input('email')]);
    }
}
