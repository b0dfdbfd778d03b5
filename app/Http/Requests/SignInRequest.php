<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Signing in. */
final class SignInRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => ['required', 'string'], 'password' => ['required', 'string']];
    }

    /** @return array{email: string, password: string} */
    public function credentials(): array
    {
        return ['email' => mb_strtolower(trim($this->string('email')->toString())), 'password' => $this->string('password')->toString()];
    }
}
