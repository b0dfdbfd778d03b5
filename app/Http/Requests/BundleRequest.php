<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** A plan with its pictures in one archive. */
final class BundleRequest extends FormRequest
{
    /** Kilobytes. */
    private const LARGEST = 60_000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['bundle' => ['required', 'file', 'max:'.self::LARGEST]];
    }

    public function bundle(): UploadedFile
    {
        $file = $this->file('bundle');

        return $file instanceof UploadedFile ? $file : throw new \LogicException('The rules let no other through.');
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'bundle.required' => 'Expected a zip with a plan and its pictures.',
            'bundle.file' => 'Expected a zip with a plan and its pictures.',
            'bundle.uploaded' => 'The zip did not arrive whole. Please try again.',
            'bundle.max' => 'A zip has at most 60 MB.',
        ];
    }
}
