<?php

declare(strict_types=1);

$connection = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '5480'),
    'database' => env('DB_DATABASE', 'vicissa'),
    'charset' => 'utf8',
    'prefix' => '',
    'search_path' => 'public',
    'sslmode' => 'prefer',
    'timezone' => 'UTC',
];

return [
    'default' => 'pgsql',
    'connections' => [
        // The application's role owns nothing and can't bypass row-level security.
        'pgsql' => [
            ...$connection,
            'username' => env('DB_USERNAME', 'vicissa_app'),
            'password' => env('DB_PASSWORD', ''),
            'options' => [PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', true)],
        ],
        // Owns the tables. Its password is not in .env: bin/start hands it to migrations and nothing else.
        'owner' => [
            ...$connection,
            'username' => env('DB_OWNER_USERNAME', 'vicissa_owner'),
            'password' => env('DB_OWNER_PASSWORD', ''),
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
