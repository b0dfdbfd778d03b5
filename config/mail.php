<?php

return [
    // `mailbox`: letters stay on this machine, in a simulated mailbox that whoever opens the application can read. For real people: `smtp`.
    'default' => env('MAIL_MAILER', 'mailbox'),
    'mailers' => [
        'mailbox' => ['transport' => 'mailbox'],
        'smtp' => [
            'transport' => 'smtp',
            'scheme' => env('MAIL_SCHEME'),
            'host' => env('MAIL_HOST', '127.0.0.1'),
            'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            'timeout' => 10,
        ],
        'array' => ['transport' => 'array'],
    ],
    'from' => ['address' => env('MAIL_FROM', 'letters@sternbild.test'), 'name' => 'Sternbild'],
];
