<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;

/** An SVG file that is brought in. */
final class DrawingRequest extends FormRequest
{
    /** Kilobytes. */
    private const LARGEST = 20_000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['drawing' => ['required', 'file', 'max:'.self::LARGEST], 'as' => ['sometimes', Rule::in(['parts', 'motif', 'picture'])]];
    }

    public function drawing(): UploadedFile
    {
        $file = $this->file('drawing');

        return $file instanceof UploadedFile ? $file : throw new \LogicException('The rules let no other through.');
    }

    /** What it becomes. */
    public function form(): string
    {
        return $this->string('as', 'parts')->value();
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'drawing.required' => 'Expected an SVG file.',
            'drawing.file' => 'Expected an SVG file.',
            'drawing.uploaded' => 'The drawing did not arrive whole. Please try again.',
            'drawing.max' => 'A drawing has at most 20 MB.',
            'as.in' => 'Expected parts, motif or picture.',
        ];
    }
}
