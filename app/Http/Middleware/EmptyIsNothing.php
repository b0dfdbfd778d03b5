<?php

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull;

final class EmptyIsNothing extends ConvertEmptyStringsToNull
{
    use LeavesHashes;
}
