<?php

namespace App\Http\Requests;

/** Another password for one's own account. */
final class ChangePasswordRequest extends ConfirmedRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'password' => Password::rules()];
    }
}
