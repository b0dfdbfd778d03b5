<?php

namespace App\Http\Requests;

/** A new account. */
final class RegisterRequest extends AddressRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => Naming::RULES, ...parent::rules(), 'password' => Password::rules()];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return Naming::MESSAGES;
    }
}
