<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Sternbild\Core\Geometry\Vec;

/** A question about a place of the sheet. */
abstract class PlaceRequest extends FormRequest
{
    use FiniteNumbers;

    protected const COORDINATE = ['required', 'numeric', 'between:-100000000,100000000'];

    final public function place(): Vec
    {
        return new Vec($this->float('x'), $this->float('y'));
    }

    /** How far the pointer reaches, in sheet units. */
    final public function reach(): float
    {
        return $this->float('reach');
    }
}
