<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Undo, or redo. */
final class MoveHeadRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'base' => ['required', 'integer'],
            'has' => ['sometimes', 'array', 'max:50000'],
        ];
    }

    /** The revision that the person saw. */
    public function base(): int
    {
        return $this->integer('base');
    }

    /** @return array<array-key, mixed> hashes of what the editor has already */
    public function known(): array
    {
        return $this->array('has');
    }
}
