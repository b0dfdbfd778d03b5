<?php

return [
    'default' => 'pgsql',

    'connections' => [
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'sternbild'),
            'username' => env('DB_USERNAME', 'sternbild'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'prefix' => '',
            'prefix_indexes' => true,
            'search_path' => 'public',
            'sslmode' => 'prefer',
            // Statements are sent with their values, not prepared first: one way instead of three.
            'options' => extension_loaded('pdo_pgsql') ? [PDO::PGSQL_ATTR_DISABLE_PREPARES => true] : [],
        ],
    ],

    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
