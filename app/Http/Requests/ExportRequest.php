<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A file of a sheet. */
final class ExportRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'format' => ['required', 'in:svg,png,pdf,json'],
            'scale' => ['sometimes', 'numeric', 'gt:0', 'max:100'],
            'grid' => ['sometimes', 'boolean'],
            'uses' => ['sometimes', 'boolean'],
        ];
    }
}
