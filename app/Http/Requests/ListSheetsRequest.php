<?php

namespace App\Http\Requests;

use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Pagination\Cursor;
use Illuminate\Support\Str;
use UnexpectedValueException;

/** The list of a person’s sheets, page by page. */
final class ListSheetsRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['sort' => ['sometimes', 'in:changed,name'], 'cursor' => ['sometimes', 'string', 'max:500', $this->isOfThisList(...)]];
    }

    /** A cursor is what an earlier page ended with: a place in the same order. */
    private function isOfThisList(string $field, mixed $value, Closure $fail): void
    {
        // The framework takes for granted that whatever is JSON says which way it points.
        $said = is_string($value) ? json_decode(base64_decode(strtr($value, '-_', '+/')), true) : null;
        $cursor = is_string($value) && is_array($said) && is_bool($said['_pointsToNextItems'] ?? null) ? Cursor::fromEncoded($value) : null;
        try {
            $place = array_filter(
                $cursor?->parameters([...$this->order() === 'name' ? [] : ['updated_at'], 'name', 'id']) ?? [],
                is_string(...),
            );
            $isOne =
                count($place) === ($this->order() === 'name' ? 2 : 3) &&
                Str::isUuid(end($place)) &&
                ($this->order() === 'name' || strtotime((string) reset($place)) !== false);
        } catch (UnexpectedValueException) {
            $isOne = false;
        }
        if (! $isOne) {
            $fail('That is no place in this list. Begin again with its first page.');
        }
    }

    /** @return 'changed'|'name' */
    public function order(): string
    {
        return $this->input('sort') === 'name' ? 'name' : 'changed';
    }
}
