<?php

declare(strict_types=1);

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/vicissa.log'),
            'level' => env('LOG_LEVEL', 'warning'),
            'days' => 14,
        ],
        'stderr' => ['driver' => 'errorlog', 'level' => env('LOG_LEVEL', 'warning')],
    ],
];
