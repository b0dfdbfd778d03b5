<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What a link in a letter holds. */
class TokenRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['token' => ['bail', 'required', 'string', 'max:100']];
    }

    public function token(): string
    {
        return $this->string('token')->toString();
    }
}
