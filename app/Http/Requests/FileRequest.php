<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Sternbild\Core\Handing\FileForm;
use Sternbild\Core\Handing\Forms;
use Sternbild\Core\Handing\Handed;
use Sternbild\Core\Handing\WrongOptions;

/** A file of a sheet: its form, and the options that the form declares and checks. */
final class FileRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['format' => ['required', 'string']];
    }

    /**
     * @param  bool|null  $isQuick  whether it has to be one that is there at once, or has to be made in turn
     *
     * @throws WrongOptions
     */
    public function form(?bool $isQuick = null): FileForm
    {
        $form = Forms::named($this->input('format'));
        if ($isQuick !== null && $form->isQuick() !== $isQuick) {
            throw WrongOptions::at(
                'format',
                $isQuick
                    ? "The form “{$form->name()}” is made in turn; it has to be ordered."
                    : "The form “{$form->name()}” is there at once; it need not be ordered.",
            );
        }

        return $form;
    }

    /** @return array<string, mixed> as they were given; in an address everything is text */
    public function options(FileForm $form, Handed $handed): array
    {
        $given = $this->except(['format', 'revision']);
        foreach ($this->isMethod('GET') ? $form->options($handed) : [] as $field) {
            if ($field->type() === 'switch' && isset($given[$field->name])) {
                $given[$field->name] =
                    filter_var($given[$field->name], FILTER_VALIDATE_BOOLEAN, FILTER_NULL_ON_FAILURE) ?? $given[$field->name];
            }
        }

        return $given;
    }
}
