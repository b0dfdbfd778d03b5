<?php

// What one person may keep. docs/operations.md says how it is counted.
return [
    'quotas' => [
        'sheets' => (int) env('STERNBILD_MOST_SHEETS', 500),
        'bytes' => 1_000_000 * (int) env('STERNBILD_MOST_MEGABYTES', 200),
        'revisions' => (int) env('STERNBILD_REVISIONS', 1000),
    ],
];
