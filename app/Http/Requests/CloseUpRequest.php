<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Sternbild\Core\Geometry\Bounds;

/** The outlines in a window of the sheet. */
final class CloseUpRequest extends FormRequest
{
    use FiniteNumbers;

    private const COORDINATE = ['required', 'numeric', 'between:-100000000,100000000'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'left' => self::COORDINATE,
            'top' => self::COORDINATE,
            'right' => [...self::COORDINATE, 'gt:left'],
            'bottom' => [...self::COORDINATE, 'gt:top'],
        ];
    }

    public function window(): Bounds
    {
        return new Bounds($this->float('left'), $this->float('top'), $this->float('right'), $this->float('bottom'));
    }
}
