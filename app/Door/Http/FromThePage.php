<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Problems\Problem;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Vicissa\Core\Says\Said;

/** What needs a session is asked from the page, which has one; scripts carry a token and come in nowhere. */
final class FromThePage
{
    public function handle(Request $request, Closure $next): Response
    {
        // A token is none of the page's, whatever page it says it comes from.
        return $request->hasSession() && $request->bearerToken() === null
            ? $next($request)
            : throw Problem::refused(Said::of('door.from-the-page', address: config()->string('app.url')));
    }
}
