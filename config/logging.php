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
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
    ],
];
