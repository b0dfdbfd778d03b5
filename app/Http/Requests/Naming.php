<?php

namespace App\Http\Requests;

/** What people name: sheets, themselves. */
final class Naming
{
    public const RULES = ['required', 'string', 'max:80', 'not_regex:/[<>\x00-\x1F\x7F]/'];

    public const MESSAGES = ['name.not_regex' => 'The name may not hold markup (< >).'];
}
