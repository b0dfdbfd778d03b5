<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Hash;

/** What only the person behind the account may do, who therefore gives the password once more. */
class ConfirmedRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['current' => ['bail', 'required', 'string', 'max:1000', $this->isThePassword(...)]];
    }

    /** @param  \Closure(string): mixed  $fail */
    private function isThePassword(string $attribute, mixed $value, \Closure $fail): void
    {
        $hash = $this->user()?->getAuthPassword();
        if ($hash === null || ! is_string($value) || ! Hash::check($value, $hash)) {
            $fail('This is not the password of the account.');
        }
    }
}
