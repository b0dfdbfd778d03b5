<?php

namespace App\Http\Requests;

/** Where a dragged circle comes to lie. */
final class SettleRequest extends PlaceRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'id' => ['required', 'string'],
            'x' => self::COORDINATE,
            'y' => self::COORDINATE,
            'reach' => ['required', 'numeric', 'gte:0', 'max:100000000'],
        ];
    }
}
