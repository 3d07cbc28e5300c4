<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Problems\Problem;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * How much may be sent to which address, looked at before anything is read: little to whoever is nobody yet, files
 * where files belong. nginx says the same (bin/nginx.conf), so that it does not even come in.
 */
final class LightBody
{
    private const KB = 1024;

    /** Kilobytes by address; the first that fits. */
    private const MOST = [
        'api/v1/archive' => 600 * self::KB,
        'api/v1/vehicles/*/photos' => 12 * self::KB,
        'api/v1/products/*/photos' => 12 * self::KB,
        'api/v1/book/*' => 6 * self::KB,
        'api/v1/products/import' => 6 * self::KB,
        'api/v1/auth/*' => 16,
        'api/v1/answers/*' => 16,
        'api/v1/me*' => 16,
        '*' => self::KB,
    ];

    public function handle(Request $request, Closure $next): Response
    {
        foreach (self::MOST as $address => $most) {
            if (!$request->is($address)) {
                continue;
            }
            $sent = max((int) $request->headers->get('Content-Length', '0'), self::inHand($request));

            return $sent <= self::KB * $most ? $next($request) : throw Problem::large($most);
        }

        return $next($request);
    }

    /** What came without a length is counted as it lies there. */
    private static function inHand(Request $request): int
    {
        return $request->headers->has('Content-Length') || !$request->headers->has('Transfer-Encoding')
            ? 0
            : strlen($request->getContent());
    }
}
