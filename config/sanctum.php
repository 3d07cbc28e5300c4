<?php

declare(strict_types=1);
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Laravel\Sanctum\Http\Middleware\AuthenticateSession;

return [
    'stateful' => array_filter(explode(',', (string) env(
        'SANCTUM_STATEFUL_DOMAINS',
        'localhost,127.0.0.1,'.parse_url((string) env('APP_URL', 'http://127.0.0.1:8680'), PHP_URL_HOST).':'.parse_url((string) env('APP_URL', 'http://127.0.0.1:8680'), PHP_URL_PORT),
    ))),
    'guard' => ['web'],
    'expiration' => null,
    'token_prefix' => 'vcs_',
    'middleware' => [
        'authenticate_session' => AuthenticateSession::class,
        'encrypt_cookies' => EncryptCookies::class,
        'validate_csrf_token' => ValidateCsrfToken::class,
    ],
];
