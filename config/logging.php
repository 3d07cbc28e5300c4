<?php

declare(strict_types=1);

use App\Watch\NeverFails;
use Monolog\Formatter\JsonFormatter;

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        // What broke, a line of JSON each, with the name of its request (App\Http\Middleware\NamesRequest).
        'daily' => [
            'driver' => 'daily',
            'tap' => [NeverFails::class],
            'path' => storage_path('logs/vicissa.log'),
            'level' => env('LOG_LEVEL', 'warning'),
            'days' => 14,
            'formatter' => JsonFormatter::class,
            'formatter_with' => ['includeStacktraces' => true],
        ],
        // What happened at the door, a line of JSON each (App\Door\DoorLog).
        'door' => [
            'driver' => 'daily',
            'tap' => [NeverFails::class],
            'path' => storage_path('logs/door.log'),
            'level' => 'info',
            'days' => 90,
            'formatter' => JsonFormatter::class,
        ],
        // Statements that took long (App\Watch\SlowQueries).
        'slow' => [
            'driver' => 'daily',
            'tap' => [NeverFails::class],
            'path' => storage_path('logs/slow.log'),
            'level' => 'warning',
            'days' => 14,
            'formatter' => JsonFormatter::class,
        ],
        'stderr' => ['driver' => 'errorlog', 'level' => env('LOG_LEVEL', 'warning')],
    ],
];
