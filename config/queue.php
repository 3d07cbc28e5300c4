<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', env('REDIS_URL') ? 'redis' : 'database'),
    'connections' => [
        'null' => ['driver' => 'null'],
        'sync' => ['driver' => 'sync'],
        'redis' => [
            'driver' => 'redis',
            'connection' => 'default',
            'queue' => 'default',
            'retry_after' => 700,
            'block_for' => null,
            'after_commit' => true,
        ],
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'jobs',
            'queue' => 'default',
            'retry_after' => 700,
            'after_commit' => true,
        ],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
