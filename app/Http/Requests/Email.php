<?php

namespace App\Http\Requests;

/** An e-mail address as people type it, in the one form in which it is stored, compared and counted. */
final class Email
{
    /** In the order in which they are looked at: what is no text is never made one. */
    public const RULES = ['bail', 'required', 'string', 'max:254', 'regex:/^[^\x00-\x1F\x7F]+$/u', 'email:rfc'];

    /** @return string|null null of what no address can be */
    public static function of(mixed $given): ?string
    {
        return is_string($given) && mb_check_encoding($given, 'UTF-8') && preg_match('/[\x00-\x1F\x7F]/', $given) === 0
            ? mb_strtolower(trim($given))
            : null;
    }
}
