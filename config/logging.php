<?php

declare(strict_types=1);

use Monolog\Formatter\JsonFormatter;

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/vicissa.log'),
            'level' => env('LOG_LEVEL', 'warning'),
            'days' => 14,
        ],
        // What happened at the door, a line of JSON each (App\Door\DoorLog).
        'door' => [
            'driver' => 'daily',
            'path' => storage_path('logs/door.log'),
            'level' => 'info',
            'days' => 90,
            'formatter' => JsonFormatter::class,
        ],
        'stderr' => ['driver' => 'errorlog', 'level' => env('LOG_LEVEL', 'warning')],
    ],
];
