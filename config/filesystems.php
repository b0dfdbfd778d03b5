<?php

// Files that were made wait here to be fetched. Several application servers share it: a folder that all of them mount, or object storage.
return [
    'default' => env('FILESYSTEM_DISK', 'local'),
    'disks' => [
        'local' => ['driver' => 'local', 'root' => env('STERNBILD_FILES', storage_path('app')), 'serve' => false, 'throw' => true],
        's3' => [
            'driver' => 's3',
            'key' => env('STERNBILD_S3_KEY'),
            'secret' => env('STERNBILD_S3_SECRET'),
            'region' => env('STERNBILD_S3_REGION', 'local'),
            'bucket' => env('STERNBILD_S3_BUCKET'),
            'endpoint' => env('STERNBILD_S3_ENDPOINT'),
            'use_path_style_endpoint' => true,
            'throw' => true,
        ],
    ],
    'links' => [],
];
