<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', env('REDIS_URL') ? 'redis' : 'database'),
    'lifetime' => 720,
    'expire_on_close' => false,
    'encrypt' => true,
    'connection' => null,
    'table' => 'sessions',
    'store' => null,
    'lottery' => [2, 1000],
    // The prefix keeps other hosts and unencrypted pages from setting it (RFC 6265bis).
    'cookie' => (str_starts_with((string) env('APP_URL'), 'https://') ? '__Host-' : '').'cairnfield_session',
    'path' => '/',
    'domain' => null,
    // Where the application is reached over https, which its address says, no cookie goes without.
    'secure' => (bool) env('SESSION_SECURE_COOKIE', str_starts_with((string) env('APP_URL'), 'https://')),
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
];
