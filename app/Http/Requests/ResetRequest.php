<?php

namespace App\Http\Requests;

/** Another password, by a link in a letter. */
final class ResetRequest extends TokenRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'password' => Password::rules()];
    }
}
