<?php

declare(strict_types=1);

return [
    // Cache and locks: in the database, or on Redis where REDIS_URL is set.
    'default' => env('CACHE_STORE', env('REDIS_URL') ? 'redis' : 'database'),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        'database' => ['driver' => 'database', 'connection' => null, 'table' => 'cache', 'lock_table' => 'cache_locks'],
        'redis' => ['driver' => 'redis', 'connection' => 'cache', 'lock_connection' => 'default'],
    ],
    'prefix' => 'cairnfield-cache-',
];
