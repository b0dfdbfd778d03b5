<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** An e-mail address, as text. */
class AddressRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => Email::RULES];
    }

    public function email(): string
    {
        return Email::of($this->input('email')) ?? '';
    }

    protected function prepareForValidation(): void
    {
        $this->merge(['email' => Email::of($this->input('email')) ?? $this->input('email')]);
    }
}
