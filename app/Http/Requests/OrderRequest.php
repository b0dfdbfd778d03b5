<?php

namespace App\Http\Requests;

use App\Exports\Pixels;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A file of a sheet that takes a while: a picture, or a set of them. */
final class OrderRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'format' => ['required', 'in:png,pdf,set,tile,pixels'],
            'scale' => ['sometimes', 'numeric', 'gt:0', 'max:100'],
            'grid' => ['sometimes', 'boolean'],
            'construction' => ['sometimes', 'boolean'],
            'exact' => ['sometimes', 'boolean'],
            'of' => ['required_if:format,tile,pixels', 'string'],
            'with' => ['sometimes', 'array', 'max:20'],
            'with.*' => ['string'],
            'as' => ['required_if:format,tile,pixels', Rule::in($this->input('format') === 'pixels' ? array_keys(Pixels::FORMS) : ['svg', 'png', 'pdf'])],
            'width' => ['sometimes', 'integer', 'between:1,5000'],
            'chapters' => ['sometimes', 'array', 'max:200'],
            'chapters.*' => ['string'],
            'sizes' => ['required_if:format,set', 'array', 'min:1', 'max:8'],
            'sizes.*' => ['integer', 'between:1,2048', 'distinct'],
            'formats' => ['required_if:format,set', 'array', 'min:1'],
            'formats.*' => ['in:svg,png', 'distinct'],
            'clear' => ['required_if:format,set', 'numeric', 'between:0,40'],
            'ground' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'sizes.*.between' => 'A size is a whole number of pixels from 1 to 2048.',
            'sizes.*.integer' => 'A size is a whole number of pixels from 1 to 2048.',
            'width.between' => 'A width is a whole number of pixels from 1 to 5000.',
            'width.integer' => 'A width is a whole number of pixels from 1 to 5000.',
            'clear.between' => 'The clear space is from 0 to 40 % of the square.',
            'clear.numeric' => 'The clear space is a number of per cent, from 0 to 40.',
        ];
    }
}
