<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;

/** Another plan in place of the sheet’s. */
final class ReplacePlanRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'base' => ['required', 'integer'],
            'change' => ['required', 'uuid'],
            'plan' => ['required', 'string'],
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

    /**
     * @return array<array-key, mixed>
     *
     * @throws Unusable
     */
    public function plan(): array
    {
        return PlanReader::decode($this->string('plan')->toString());
    }
}
