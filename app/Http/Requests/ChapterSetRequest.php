<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Chapters as files of their own. */
final class ChapterSetRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'chapters' => ['sometimes', 'array', 'max:200'],
            'chapters.*' => ['string'],
            'sizes' => ['required', 'array', 'min:1', 'max:8'],
            'sizes.*' => ['integer', 'between:1,2048', 'distinct'],
            'formats' => ['required', 'array', 'min:1'],
            'formats.*' => ['in:svg,png', 'distinct'],
            'clear' => ['required', 'numeric', 'between:0,40'],
            'ground' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'sizes.*.between' => 'A size is a whole number of pixels from 1 to 2048.',
            'sizes.*.integer' => 'A size is a whole number of pixels from 1 to 2048.',
            'clear.between' => 'The clear space is from 0 to 40 % of the square.',
            'clear.numeric' => 'The clear space is a number of per cent, from 0 to 40.',
        ];
    }

    /** @return list<string> */
    public function texts(string $name): array
    {
        return array_values(array_filter($this->array($name), is_string(...)));
    }

    /** @return list<int> */
    public function sizes(): array
    {
        return array_values(array_map(static fn (mixed $size): int => is_numeric($size) ? (int) $size : 0, $this->array('sizes')));
    }
}
