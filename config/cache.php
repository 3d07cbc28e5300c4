<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', env('REDIS_URL') ? 'redis' : 'database'),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        // Memory that php-fpm's processes on this machine share: what counts requests (App\Providers\AppServiceProvider).
        'apc' => ['driver' => 'apc'],
        'redis' => ['driver' => 'redis', 'connection' => 'default', 'lock_connection' => 'default'],
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'cache',
            'lock_connection' => null,
            'lock_table' => 'cache_locks',
        ],
    ],
    'prefix' => 'vicissa_',
];
