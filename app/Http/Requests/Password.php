<?php

namespace App\Http\Requests;

/** What can be a password: as many bytes as bcrypt looks at, and none that ends a text. */
final class Password
{
    private const MOST_BYTES = 72;

    /** @return list<mixed> */
    public static function rules(): array
    {
        return ['bail', 'required', 'string', 'min:10', self::fits(...)];
    }

    /** @param  \Closure(string): mixed  $fail */
    private static function fits(string $attribute, mixed $value, \Closure $fail): void
    {
        if (! is_string($value) || strlen($value) > self::MOST_BYTES || str_contains($value, "\0")) {
            $fail('The password may have at most '.self::MOST_BYTES.' bytes: letters beyond A to Z count twice or more.');
        }
    }
}
