<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Two measures that are to come to the same. */
final class EqualRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['keep' => ['required', 'string', 'max:20'], 'change' => ['required', 'string', 'max:20', 'different:keep']];
    }
}
