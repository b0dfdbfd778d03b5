<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A change that is only looked at. */
final class PreviewRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'operations' => ['required', 'array', 'min:1', 'max:1000'],
            'has' => ['sometimes', 'array', 'max:50000'],
            'handles' => ['sometimes', 'array', 'max:20000'],
        ];
    }

    /** @return array<array-key, mixed> */
    public function operations(): array
    {
        return $this->array('operations');
    }

    /** @return array<array-key, mixed>|null ids of the steps whose handles are wanted; null for all */
    public function handles(): ?array
    {
        return $this->has('handles') ? $this->array('handles') : null;
    }

    /** @return array<array-key, mixed> hashes of what the editor has already */
    public function known(): array
    {
        return $this->array('has');
    }
}
