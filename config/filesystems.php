<?php

declare(strict_types=1);

return [
    // Originals and attachments: a folder of this machine, or an S3-like store for several machines.
    'default' => env('FILES_DISK', 'files'),
    'disks' => [
        // The framework's own, which nothing is kept on: it would hand files out and take them in at an address of its own.
        'local' => ['driver' => 'local', 'root' => storage_path('files'), 'serve' => false],
        'files' => [
            'driver' => 'local',
            'root' => env('FILES_ROOT', storage_path('files')),
            'throw' => true,
        ],
        's3' => [
            'driver' => 's3',
            'key' => env('FILES_S3_KEY'),
            'secret' => env('FILES_S3_SECRET'),
            'region' => env('FILES_S3_REGION'),
            'bucket' => env('FILES_S3_BUCKET'),
            'endpoint' => env('FILES_S3_ENDPOINT'),
            'use_path_style_endpoint' => true,
            'throw' => true,
        ],
    ],
    'links' => [],
];
