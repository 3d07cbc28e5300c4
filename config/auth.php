<?php

declare(strict_types=1);
use App\Tenancy\User;

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'users'],
    // Remembered for thirty days, in minutes.
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'users', 'remember' => 43_200]],
    'providers' => ['users' => ['driver' => 'eloquent', 'model' => User::class]],
    'passwords' => [
        'users' => ['provider' => 'users', 'table' => 'password_reset_tokens', 'expire' => 60, 'throttle' => 60],
    ],
    'password_timeout' => 10800,
];
