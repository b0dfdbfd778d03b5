<?php

namespace App\Http\Requests;

use Closure;
use Sternbild\Core\Snap\Snapper;

/** What a pointer means at a place. */
final class SnapRequest extends PlaceRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'x' => self::COORDINATE,
            'y' => self::COORDINATE,
            'reach' => ['required', 'numeric', 'gt:0', 'max:100000000'],
            // Looked at as a whole: with a rule for each of them, thousands would take seconds to be refused.
            'kinds' => [
                'sometimes',
                'array',
                'max:'.count(Snapper::KINDS),
                self::each(
                    static fn (mixed $kind): bool => in_array($kind, Snapper::KINDS, true),
                    'one of '.implode(', ', Snapper::KINDS),
                ),
            ],
            'without' => ['sometimes', 'array', 'max:20000', self::each(is_string(...), 'the id of a step')],
        ];
    }

    /**
     * @param  Closure(mixed): bool  $isOne
     * @return Closure(string, mixed, Closure(string): mixed): void
     */
    private static function each(Closure $isOne, string $expected): Closure
    {
        return static function (string $field, mixed $value, Closure $fail) use ($isOne, $expected): void {
            if (is_array($value) && array_filter($value, $isOne) !== $value) {
                $fail("Of the {$field} each is {$expected}.");
            }
        };
    }

    /** @return list<string> that are snapped to; all where none is named */
    public function kinds(): array
    {
        $kinds = array_values(array_filter($this->array('kinds'), is_string(...)));

        return $kinds === [] ? Snapper::KINDS : $kinds;
    }

    /** @return list<string> ids of steps that do not count */
    public function without(): array
    {
        return array_values(array_filter($this->array('without'), is_string(...)));
    }
}
