<?php

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        // A job that was begun and never ended, since its worker died, is taken up again after `retry_after` seconds; no job takes that long.
        'database' => ['driver' => 'database', 'connection' => null, 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 75, 'after_commit' => true],
        'sync' => ['driver' => 'sync'],
    ],
    // What failed is said to the person who asked for it, logged in one line, and kept for a week (App\Sheets\Tidy), to be tried again by hand.
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
