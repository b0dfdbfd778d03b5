<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** A picture that is brought in. */
final class PictureRequest extends FormRequest
{
    /** Kilobytes. */
    private const LARGEST = 60_000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['picture' => ['required', 'file', 'max:'.self::LARGEST]];
    }

    public function picture(): UploadedFile
    {
        $file = $this->file('picture');

        return $file instanceof UploadedFile ? $file : throw new \LogicException('The rules let no other through.');
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'picture.required' => 'Expected a picture: a PNG, JPEG or WebP file.',
            'picture.file' => 'Expected a picture: a PNG, JPEG or WebP file.',
            'picture.uploaded' => 'The picture did not arrive whole. Please try again.',
            'picture.max' => 'A picture has at most 60 MB.',
        ];
    }
}
