<?php

declare(strict_types=1);

$hosts = static fn (string $name): array => array_values(array_filter(array_map('trim', explode(',', (string) env($name, '')))));

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            // Read and write hosts may differ, for a replicated or clustered MariaDB: lists with commas.
            'read' => ['host' => $hosts('DB_READ_HOSTS') ?: $hosts('DB_HOST')],
            'write' => ['host' => $hosts('DB_HOST')],
            'sticky' => true,
            'port' => env('DB_PORT', '3306'),
            'database' => env('DB_DATABASE', 'cairnfield'),
            'username' => env('DB_USERNAME', 'cairnfield'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'prefix' => '',
            'strict' => true,
            'engine' => 'InnoDB',
            'timezone' => '+00:00',
            // A worker that has waited for another sees what that one has stored.
            'isolation_level' => 'READ COMMITTED',
            // One way to the server and back for a query instead of two. Values are escaped by the driver for
            // this charset, and a query is never more than one statement.
            'options' => [PDO::ATTR_EMULATE_PREPARES => true, PDO::MYSQL_ATTR_MULTI_STATEMENTS => false],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
    'redis' => [
        'client' => 'phpredis',
        'options' => ['prefix' => 'cairnfield:'],
        'default' => ['url' => env('REDIS_URL'), 'database' => '0'],
        'cache' => ['url' => env('REDIS_URL'), 'database' => '1'],
    ],
];
