<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Signing in. */
final class SignInRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => Email::RULES, 'password' => ['bail', 'required', 'string', 'max:1000']];
    }

    protected function prepareForValidation(): void
    {
        $this->merge(['email' => Email::of($this->input('email')) ?? $this->input('email')]);
    }

    /** @return array{email: string, password: string} */
    public function credentials(): array
    {
        return ['email' => Email::of($this->input('email')) ?? '', 'password' => $this->string('password')->toString()];
    }
}
