<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A change of a plan. */
final class ChangeRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'base' => ['required', 'integer'],
            'change' => ['required', 'uuid'],
            'operations' => ['required', 'array', 'min:1', 'max:1000'],
            'has' => ['sometimes', 'array', 'max:50000'],
        ];
    }

    /** The revision that the person saw. */
    public function base(): int
    {
        return $this->integer('base');
    }

    /** UUID of the change, so that a repeated request is made once. */
    public function change(): string
    {
        return $this->string('change')->toString();
    }

    /** @return array<array-key, mixed> */
    public function operations(): array
    {
        return $this->array('operations');
    }

    /** @return array<array-key, mixed> hashes of what the editor has already */
    public function known(): array
    {
        return $this->array('has');
    }
}
