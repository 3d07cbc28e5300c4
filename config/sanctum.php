<?php

declare(strict_types=1);

use App\Http\StatefulDomains;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Laravel\Sanctum\Http\Middleware\AuthenticateSession;

return [
    'stateful' =>
        ($named = (string) env('SANCTUM_STATEFUL_DOMAINS', '')) !== ''
            ? array_values(array_filter(explode(',', $named)))
            : StatefulDomains::of((string) env('APP_URL', 'http://127.0.0.1:8680')),
    'guard' => ['web'],
    'expiration' => null,
    'token_prefix' => 'vcs_',
    'middleware' => [
        'authenticate_session' => AuthenticateSession::class,
        'encrypt_cookies' => EncryptCookies::class,
        'validate_csrf_token' => ValidateCsrfToken::class,
    ],
];
