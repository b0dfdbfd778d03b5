<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Another name for a sheet. */
final class RenameSheetRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => Naming::RULES];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return Naming::MESSAGES;
    }
}
