<?php

return [
    'default' => env('LOG_CHANNEL', 'kept'),
    'deprecations' => ['channel' => 'null', 'trace' => false],
    'channels' => [
        // A log that cannot be written stops nothing: then what was to be said goes to the log of the workers, as far as that can be.
        'kept' => ['driver' => 'stack', 'channels' => ['single', 'stderr'], 'ignore_exceptions' => true],
        'single' => ['driver' => 'single', 'path' => storage_path('logs/sternbild.log'), 'level' => env('LOG_LEVEL', 'warning')],
        'stderr' => ['driver' => 'monolog', 'handler' => Monolog\Handler\StreamHandler::class, 'handler_with' => ['stream' => 'php://stderr'], 'level' => 'warning'],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
    ],
];
