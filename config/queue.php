<?php

declare(strict_types=1);

return [
    // Work in the background: in the database, or on Redis where REDIS_URL is set.
    'default' => env('QUEUE_CONNECTION', env('REDIS_URL') ? 'redis' : 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        // retry_after must stay above the longest job's time-out (FetchMailbox, 300 s).
        'database' => [
            'driver' => 'database', 'connection' => null, 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 330,
            'after_commit' => true,
        ],
        'redis' => [
            'driver' => 'redis', 'connection' => 'default', 'queue' => 'default', 'retry_after' => 330, 'block_for' => 2,
            'after_commit' => true,
        ],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'mariadb', 'table' => 'failed_jobs'],
];
