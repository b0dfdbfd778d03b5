<?php

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\TrimStrings;

final class Trim extends TrimStrings
{
    use LeavesHashes;
}
