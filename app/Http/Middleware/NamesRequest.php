<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/**
 * Each request has a name: in its answer, in the log, and in what a person is shown when something broke, so that
 * whoever runs this finds the one in the other. A proxy in front may have named it already.
 */
final class NamesRequest
{
    public const HEADER = 'X-Request-Id';

    public function handle(Request $request, Closure $next): Response
    {
        $given = (string) $request->header(self::HEADER);
        $name = preg_match('/^[A-Za-z0-9-]{8,64}$/', $given) === 1 ? $given : Str::uuid7()->toString();
        $request->headers->set(self::HEADER, $name);
        Log::shareContext(['request' => $name, 'asked' => $request->method() . ' ' . $request->path()]);
        $response = $next($request);
        $response->headers->set(self::HEADER, $name);

        return $response;
    }
}
