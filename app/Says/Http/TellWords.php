<?php

declare(strict_types=1);

namespace App\Says\Http;

use App\Says\Teller;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Vicissa\Core\Says\Said;

/** Whatever an answer says in codes leaves the house in words, in the language of whoever asked. */
final readonly class TellWords
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if (!($response instanceof JsonResponse) || !str_contains((string) $response->getContent(), Said::MARK)) {
            return $response;
        }

        return $response->setData(app(Teller::class)->everywhere($response->getData()));
    }
}
