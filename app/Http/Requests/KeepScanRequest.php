<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** How a scan is to be placed. */
final class KeepScanRequest extends FormRequest
{
    private const LARGEST = 1e6;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'straighten' => ['sometimes', 'boolean'],
            'within' => ['required', 'list', 'size:2'],
            'within.*' => ['numeric', 'gt:0', 'max:'.self::LARGEST],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'within.*' => 'Expected the width and the height of the sheet.',
            'within.*.*' => 'Expected the width and the height of the sheet.',
        ];
    }

    /**
     * In the middle of the sheet, as large as it can be.
     *
     * @param  float|int  $wide  of the picture; only its form matters
     * @return array{at: array{float, float}, width: float}
     */
    public function lying(float|int $wide, float|int $high): array
    {
        [$right, $bottom] = array_map(floatval(...), (array) $this->input('within'));
        $width = min($right, $bottom * $wide / $high);

        // As fine as somebody would say it: a ten-thousandth of the sheet.
        $digits = (int) ceil(3 - log10(max($right, $bottom)));

        return [
            'at' => [round(($right - $width) / 2, $digits), round(($bottom - ($width * $high) / $wide) / 2, $digits)],
            'width' => round($width, $digits),
        ];
    }
}
