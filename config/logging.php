<?php

declare(strict_types=1);

return [
    'default' => 'single',
    'channels' => [
        'single' => [
            'driver' => 'single',
            'path' => storage_path('logs/cairnfield.log'),
            'level' => env('LOG_LEVEL', 'info'),
        ],
        // One JSON object a line; see App\Support\SecurityLog.
        'security' => [
            'driver' => 'single',
            'path' => storage_path('logs/security.log'),
            'level' => 'info',
            'formatter' => Monolog\Formatter\JsonFormatter::class,
        ],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
    ],
];
