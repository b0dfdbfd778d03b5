<?php

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;

/** Whether people can work: the application answers, its database does, and there is room to keep what they make. */
final class HealthController
{
    public function __invoke(): JsonResponse
    {
        DB::select('SELECT 1');
        $free = disk_free_space(storage_path());
        if ($free === false || $free < config()->integer('sternbild.least_free')) {
            return new JsonResponse(
                ['status' => 'full', 'message' => 'The disk that files and logs are kept on is full; nothing can be kept.'],
                503,
            );
        }

        return new JsonResponse(['status' => 'up']);
    }
}
