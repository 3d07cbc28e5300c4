<?php

declare(strict_types=1);

// Under TLS a cookie goes nowhere else, and no neighbour of ours can set it.
$secure = (bool) env('SESSION_SECURE_COOKIE', str_starts_with((string) env('APP_URL', ''), 'https://'));

return [
    'driver' => env('SESSION_DRIVER', env('REDIS_URL') ? 'redis-listed' : 'database'),
    'lifetime' => 60 * 24 * 14,
    'expire_on_close' => false,
    'encrypt' => true,
    'connection' => null,
    'table' => 'sessions',
    'store' => null,
    'lottery' => [2, 100],
    'cookie' => $secure ? '__Host-vicissa_session' : 'vicissa_session',
    'path' => '/',
    'domain' => null,
    'secure' => $secure,
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
];
