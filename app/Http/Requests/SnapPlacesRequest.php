<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** All places that can be snapped to. */
final class SnapPlacesRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['has' => ['sometimes', 'array', 'max:50000']];
    }

    /** @return array<array-key, mixed> hashes of what the editor has already */
    public function known(): array
    {
        return $this->array('has');
    }
}
