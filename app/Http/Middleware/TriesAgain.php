<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/**
 * Two who stood in each other's way in the database: one of them is turned back there, with nothing done, and begins
 * anew by itself, from the address on. Whoever asked hears nothing of it.
 */
final readonly class TriesAgain
{
    private const TRIES = 5;

    /** The pause before the next try grows, and is never the same for two. */
    private const PAUSE_MS = [15, 60];

    public function __construct(private ConcurrencyErrorDetector $detector) {}

    public function handle(Request $request, Closure $next): Response
    {
        for ($try = 1; ; $try++) {
            $response = $next($request);
            $fault = $response->exception ?? null;
            if (
                $try === self::TRIES ||
                !($fault instanceof Throwable) ||
                !$this->detector->causedByConcurrencyError($fault) ||
                // Within a transaction that others have begun there is nothing to begin anew.
                DB::transactionLevel() > 0
            ) {
                return $response;
            }
            usleep(1000 * $try * random_int(...self::PAUSE_MS));
            // What the address names is looked up again: rows in hand are those of the try before.
            $request->route()?->bind($request);
        }
    }
}
