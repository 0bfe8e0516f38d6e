<?php

declare(strict_types=1);

return [
    'name' => 'Cairnfield',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1:8460'),
    'key' => env('APP_KEY'),
    // Time is kept in UTC throughout; a person's own zone is applied only where time is shown.
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
];
