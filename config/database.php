<?php

declare(strict_types=1);

// A pooler may stand in between; it keeps the connections then.
$pooler = (string) env('DB_POOLER_PORT', '');

$connection = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '5480'),
    'database' => env('DB_DATABASE', 'vicissa'),
    'charset' => 'utf8',
    'prefix' => '',
    'sslmode' => 'prefer',
];

return [
    'default' => 'pgsql',
    'connections' => [
        // The application's role owns nothing and can't bypass row-level security.
        'pgsql' => [
            ...$connection,
            ...$pooler === '' ? [] : ['host' => env('DB_POOLER_HOST', '127.0.0.1'), 'port' => $pooler],
            'username' => env('DB_USERNAME', 'vicissa_app'),
            'password' => env('DB_PASSWORD', ''),
            // Nothing is prepared on the server: a pooler may give the next transaction to another connection. Zone and
            // search path are the roles' own (bin/lib.sh), for the same reason.
            'options' => [
                PDO::ATTR_PERSISTENT => $pooler === '' && (bool) env('DB_PERSISTENT', true),
                PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
            ],
        ],
        // Owns the tables. Its password is not in .env: bin/start hands it to migrations and nothing else.
        'owner' => [
            ...$connection,
            'username' => env('DB_OWNER_USERNAME', 'vicissa_owner'),
            'password' => env('DB_OWNER_PASSWORD', ''),
        ],
    ],
    // Where it is named: cache, locks, sessions, the queue.
    'redis' => [
        'client' => 'predis',
        'options' => ['prefix' => 'vicissa:'],
        'default' => ['url' => env('REDIS_URL'), 'timeout' => 2.0, 'read_write_timeout' => 10.0],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
