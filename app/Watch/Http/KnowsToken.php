<?php

declare(strict_types=1);

namespace App\Watch\Http;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Whoever holds the token of VICISSA_WATCH_TOKEN; for others there is nothing here. */
final class KnowsToken
{
    public function handle(Request $request, Closure $next): Response
    {
        abort_unless(self::shownBy($request), 404);

        return $next($request);
    }

    public static function shownBy(Request $request): bool
    {
        $token = config('vicissa.watch_token');

        return is_string($token) && $token !== '' && hash_equals($token, (string) $request->bearerToken());
    }
}
