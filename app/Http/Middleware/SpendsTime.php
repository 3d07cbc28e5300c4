<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Slot;
use App\Problems\Problem;
use App\Tenancy\Patience;
use App\Tenancy\Processor;
use Closure;
use Illuminate\Cache\RateLimiter;
use Illuminate\Http\Request;
use stdClass;
use Symfony\Component\HttpFoundation\Response;
use Vicissa\Core\Says\Said;

/**
 * No request may be dear, and nobody may be dear all the time: each has so many seconds of the processor and no more,
 * a person (a guest: an address) so many a minute, and so many requests at once; others come in beside them. What a request has cost, and what is left, stands in its
 * headers, in milliseconds. What is over is refused before anything is done.
 */
final readonly class SpendsTime
{
    /** Less than this is not written down: most requests cost little, and writing costs too. */
    private const NOTHING_MS = 25;

    /** What may cost most. */
    private const DEAR = [
        'api/v1/reckon/*',
        'api/v1/year',
        'api/v1/labels',
        'api/v1/quotes',
        'api/v1/book/*',
        'api/v1/products/import',
        'api/v1/archive',
        'api/v1/records/*',
    ];

    public function __construct(private RateLimiter $limiter, private Patience $patience) {}

    /**
     * @param string|null $seconds  of the processor for this kind of request, where it is not the usual
     */
    public function handle(Request $request, Closure $next, ?string $seconds = null): Response
    {
        $whose = 'cpu ' . ($request->user()?->getAuthIdentifier() ?? $request->ip());
        $most = config()->integer('vicissa.limits.cpu_ms');
        $spent = (int) $this->limiter->attempts($whose);
        if ($spent >= $most) {
            throw Problem::spent(Said::of('problem.spent', seconds: $this->limiter->availableIn($whose)), [
                'Retry-After' => (string) $this->limiter->availableIn($whose),
                ...self::told(0, 0),
            ]);
        }
        // A page asks for several things at once; nobody needs more than a few of what is dear.
        $places = config()->integer('vicissa.limits.at_once');
        $slot = Slot::take(
            $whose,
            $request->is(...self::DEAR) ? max(1, intdiv($places, 3)) : $places,
            config()->integer('vicissa.limits.wait_ms'),
        );
        if ($slot === null) {
            throw Problem::spent(Said::of('problem.at-once'), ['Retry-After' => '1', ...self::told(0, $most - $spent)]);
        }
        $begun = Processor::usedMs();
        $open = new stdClass();
        // Not in a test or a command, which is no request. PHP counts the processor's time here, not the clock's.
        if (PHP_SAPI !== 'cli') {
            $this->chargeAlsoWhenCutOff($open, $whose, $begun);
            set_time_limit($seconds !== null ? (int) $seconds : config()->integer('vicissa.limits.request_s'));
            $this->patience->lasts(config()->integer('vicissa.limits.patience_ms'));
        }
        $response = $next($request);
        $open->closed = true;
        $cost = Processor::usedMs() - $begun;
        if ($cost >= self::NOTHING_MS) {
            $spent = (int) $this->limiter->increment($whose, 60, $cost);
        }
        $response->headers->add(self::told($cost, max(0, $most - $spent)));
        $slot->leave();

        return $response;
    }

    /** A request that is cut off by its limit never comes back here: it costs all the same. */
    private function chargeAlsoWhenCutOff(stdClass $open, string $whose, int $begun): void
    {
        register_shutdown_function(function () use ($open, $whose, $begun): void {
            if (!isset($open->closed)) {
                rescue(fn() => $this->limiter->increment($whose, 60, Processor::usedMs() - $begun), report: false);
            }
        });
    }

    /** @return array<string, string> */
    private static function told(int $cost, int $left): array
    {
        return ['X-Cost-Ms' => (string) $cost, 'X-Cost-Left-Ms' => (string) $left];
    }
}
