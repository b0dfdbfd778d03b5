<?php

namespace App\Http\Requests;

/** Signing in. */
final class SignInRequest extends AddressRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'password' => ['bail', 'required', 'string', 'max:1000']];
    }
}
