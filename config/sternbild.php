<?php

return [
    // The scanner's loopback interface.
    'scanner' => env('SCANNER_URL', 'http://127.0.0.1:8470'),
    // Bytes that have to be free where files and logs are kept; with fewer `/up` says that nobody can work.
    'least_free' => 1_000_000 * (int) env('STERNBILD_LEAST_FREE_MEGABYTES', 50),
    // What one person may keep. docs/operations.md says how it is counted.
    'quotas' => [
        'sheets' => (int) env('STERNBILD_MOST_SHEETS', 500),
        'bytes' => 1_000_000 * (int) env('STERNBILD_MOST_MEGABYTES', 200),
        'revisions' => (int) env('STERNBILD_REVISIONS', 1000),
    ],
];
