<?php

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;

/** Numbers that no number can hold, such as 1e999, are refused by their field before any rule compares them. */
trait FiniteNumbers
{
    /** @throws ValidationException */
    protected function prepareForValidation(): void
    {
        foreach ($this->all() as $field => $value) {
            if (is_float($value) && ! is_finite($value)) {
                throw ValidationException::withMessages([(string) $field => "The {$field} is larger than any number can be."]);
            }
        }
    }
}
