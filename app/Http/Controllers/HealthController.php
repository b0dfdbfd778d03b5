<?php

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;

/** Whether people can work: the application answers, and so does its database. */
final class HealthController
{
    public function __invoke(): JsonResponse
    {
        DB::select('SELECT 1');

        return new JsonResponse(['status' => 'up']);
    }
}
