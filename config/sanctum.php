<?php

declare(strict_types=1);

return [
    'stateful' => array_filter(explode(',', (string) env(
        'SANCTUM_STATEFUL_DOMAINS',
        'localhost,127.0.0.1,'.parse_url((string) env('APP_URL', 'http://127.0.0.1:8680'), PHP_URL_HOST).':'.parse_url((string) env('APP_URL', 'http://127.0.0.1:8680'), PHP_URL_PORT),
    ))),
    'guard' => ['web'],
    'expiration' => null,
    'token_prefix' => 'vcs_',
    'middleware' => [
        'authenticate_session' => Laravel\Sanctum\Http\Middleware\AuthenticateSession::class,
        'encrypt_cookies' => Illuminate\Cookie\Middleware\EncryptCookies::class,
        'validate_csrf_token' => Illuminate\Foundation\Http\Middleware\ValidateCsrfToken::class,
    ],
];
