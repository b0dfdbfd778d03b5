<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A file of a sheet that is there at once. */
final class ExportRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'format' => ['required', 'in:svg,json,bundle'],
            'grid' => ['sometimes', 'boolean'],
            'construction' => ['sometimes', 'boolean'],
            'exact' => ['sometimes', 'boolean'],
            'uses' => ['sometimes', 'boolean'],
        ];
    }
}
