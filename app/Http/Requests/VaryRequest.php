<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** The same plan with other numbers, by lot. */
final class VaryRequest extends FormRequest
{
    use FiniteNumbers;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'seed' => ['required', 'integer', 'between:0,999999999'],
            'count' => ['required', 'integer', 'between:1,12'],
            'what' => ['sometimes', 'array', 'min:1', 'max:500'],
            'what.*' => ['string', 'max:80'],
        ];
    }

    /** @return list<string>|null what may vary; null for all that usually does */
    public function what(): ?array
    {
        return $this->has('what') ? array_values(array_filter($this->array('what'), is_string(...))) : null;
    }
}
