<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** The list of a person’s sheets, page by page. */
final class ListSheetsRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['sort' => ['sometimes', 'in:changed,name'], 'cursor' => ['sometimes', 'string', 'max:500']];
    }

    /** @return 'changed'|'name' */
    public function order(): string
    {
        return $this->input('sort') === 'name' ? 'name' : 'changed';
    }
}
