<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Sternbild\Core\Snap\Snapper;

/** What a pointer means at a place. */
final class SnapRequest extends PlaceRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'x' => self::COORDINATE,
            'y' => self::COORDINATE,
            'reach' => ['required', 'numeric', 'gt:0', 'max:100000000'],
            'kinds' => ['sometimes', 'array'],
            'kinds.*' => [Rule::in(Snapper::KINDS)],
            'without' => ['sometimes', 'array', 'max:20000'],
            'without.*' => ['string'],
        ];
    }

    /** @return list<string> that are snapped to; all where none is named */
    public function kinds(): array
    {
        $kinds = array_values(array_filter($this->array('kinds'), is_string(...)));

        return $kinds === [] ? Snapper::KINDS : $kinds;
    }

    /** @return list<string> ids of steps that do not count */
    public function without(): array
    {
        return array_values(array_filter($this->array('without'), is_string(...)));
    }
}
