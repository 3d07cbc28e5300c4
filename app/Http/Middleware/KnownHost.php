<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\KnownHosts;
use App\Problems\Problem;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Exception\SuspiciousOperationException;
use Symfony\Component\HttpFoundation\Response;

/** Nothing is answered under a name that is not ours: cookies, links and caches would be somebody else's. */
final class KnownHost
{
    public function handle(Request $request, Closure $next): Response
    {
        try {
            $known = in_array($request->getHost(), KnownHosts::of(config()->string('app.url')), true);
        } catch (SuspiciousOperationException) {
            $known = false;
        }

        return $known ? $next($request) : throw Problem::misdirected();
    }
}
