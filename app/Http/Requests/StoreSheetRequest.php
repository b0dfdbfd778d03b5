<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unit;
use Sternbild\Core\Plan\Unusable;

/** A new sheet: empty, with a size, or from a plan. */
final class StoreSheetRequest extends FormRequest
{
    /** Every new sheet begins with these. */
    private const PALETTE = [
        'ink' => '#1b2140',
        'lagoon' => '#0f6e84',
        'spray' => '#9fd0cf',
        'sand' => '#e7c98f',
        'brick' => '#c65f3c',
        'paper' => '#faf8f3',
    ];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => Naming::RULES,
            'plan' => ['sometimes', 'string'],
            'width' => ['required_without:plan', 'numeric', 'gt:0', 'max:10000000'],
            'height' => ['required_without:plan', 'numeric', 'gt:0', 'max:10000000'],
            'unit' => ['required_without:plan', Rule::enum(Unit::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return Naming::MESSAGES;
    }

    /**
     * The plan that was brought along, or one with nothing on it.
     *
     * @return array<array-key, mixed>
     *
     * @throws Unusable
     */
    public function plan(): array
    {
        return $this->has('plan')
            ? PlanReader::decode($this->string('plan')->toString())
            : PlanJson::blank($this->side('width'), $this->side('height'), $this->string('unit')->toString(), self::PALETTE);
    }

    private function side(string $name): float|int
    {
        $side = $this->float($name);

        return $side === floor($side) ? (int) $side : $side;
    }
}
