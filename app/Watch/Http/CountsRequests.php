<?php

declare(strict_types=1);

namespace App\Watch\Http;

use App\Watch\Metrics;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Counts each answer and how long it took, by the route as it is written down. */
final readonly class CountsRequests
{
    public function __construct(private Metrics $metrics) {}

    public function handle(Request $request, Closure $next): Response
    {
        return $next($request);
    }

    public function terminate(Request $request, Response $response): void
    {
        $route = $request->route();
        $began = (float) $request->server('REQUEST_TIME_FLOAT', (string) microtime(true));
        $this->metrics->answered(
            $request->method(),
            $route === null ? 'none' : '/' . ltrim($route->uri(), '/'),
            $response->getStatusCode(),
            1000 * (microtime(true) - $began),
        );
        if ($response->headers->get('Idempotent-Replayed') === 'true') {
            $this->metrics->repeated();
        }
    }
}
