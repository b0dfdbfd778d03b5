<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** The tile of a pattern of a sheet. */
final class TileRequest extends FormRequest
{
    use FiniteNumbers;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'of' => ['required', 'string'],
            'with' => ['sometimes', 'array', 'max:20'],
            'with.*' => ['string'],
            'width' => ['sometimes', 'integer', 'between:1,5000'],
        ];
    }

    public function of(): string
    {
        return $this->string('of')->toString();
    }

    /** @return list<string> */
    public function with(): array
    {
        return array_values(array_filter((array) $this->input('with', []), is_string(...)));
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'width.between' => 'A width is a whole number of pixels from 1 to 5000.',
            'width.integer' => 'A width is a whole number of pixels from 1 to 5000.',
        ];
    }
}
