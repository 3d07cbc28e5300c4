<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\KeptAnswers;
use App\Says\Http\TellWords;
use App\Tenancy\PersonalAccessToken;
use App\Tenancy\StateMark;
use App\Tenancy\Tenancy;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Response;

/**
 * What a place has been told is kept until something in the workspace changes (StateMark), or some minutes are over:
 * days begin, weather comes in. Kept as it was told, to one person, on this machine only, in memory. Whoever names
 * the tag of what they have is only told that it still holds, wherever an answer has no tag of its own.
 */
final readonly class KeepsAnswers
{
    /** Seconds in which time alone changes nothing that anybody would see, by address. */
    private const KEPT_S = [
        'api/v1/film' => 300,
        'api/v1/vehicles/*/film' => 300,
        'api/v1/weeks' => 300,
        'api/v1/money' => 300,
        'api/v1/proof' => 300,
        'api/v1/gear' => 300,
        'api/v1/products' => 300,
        'api/v1/load' => 60,
        'api/v1/round' => 60,
    ];

    public function __construct(
        private Tenancy $tenancy,
        private StateMark $stateMark,
        private ClockInterface $clock,
        private KeptAnswers $keptAnswers,
        private TellWords $tellWords,
    ) {}

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $seconds = self::seconds($request);
        if ($seconds === null) {
            $response = $this->tellWords->handle($request, $next);

            return $request->isMethod('GET') && self::plain($response)
                ? self::tell($request, $response, KeptAnswers::tag((string) $response->getContent()))
                : $response;
        }
        $key = $this->key($request);
        $state = [
            ($this->stateMark)(),
            intdiv($this->clock->now()->getTimestamp(), $seconds),
            $this->tenancy->isOwner(),
        ];
        $kept = $this->keptAnswers->find($key, $state);
        if ($kept === null) {
            $response = $this->tellWords->handle($request, $next);
            if (!self::plain($response)) {
                return $response;
            }
            $kept = $this->keptAnswers->keep($key, $state, (string) $response->getContent(), $seconds);

            return self::tell($request, $response, $kept['tag']);
        }
        $zipped = in_array('gzip', $request->getEncodings(), true);

        return self::tell(
            $request,
            new Response($zipped ? $kept['zipped'] : (string) gzdecode($kept['zipped']), 200, [
                'Content-Type' => 'application/json',
                'Vary' => 'Accept-Encoding',
                ...$zipped ? ['Content-Encoding' => 'gzip'] : [],
            ]),
            $kept['tag'],
        );
    }

    private static function seconds(Request $request): ?int
    {
        foreach ($request->isMethod('GET') ? self::KEPT_S : [] as $address => $seconds) {
            if ($request->is($address)) {
                return $seconds;
            }
        }

        return null;
    }

    /** An answer is told by who asks as well: what they may see, and in which language. */
    private function key(Request $request): string
    {
        $user = $request->user();
        $token = $user?->currentAccessToken();

        return hash(
            'xxh128',
            serialize([
                $this->tenancy->workspace()->id,
                $user?->getAuthIdentifier(),
                $token instanceof PersonalAccessToken ? $token->getKey() : null,
                $request->getPathInfo(),
                $request->query(),
            ]),
        );
    }

    private static function plain(Response $response): bool
    {
        return $response instanceof JsonResponse &&
            $response->getStatusCode() === Response::HTTP_OK &&
            !$response->headers->has('ETag') &&
            // It says itself that it will be another soon.
            !$response->headers->has('Retry-After');
    }

    private static function tell(Request $request, Response $response, string $tag): Response
    {
        // Whoever compresses on the way marks tags as weak; they name the same answer.
        if (
            in_array(
                $tag,
                array_map(static fn(string $one): string => str_replace('W/', '', $one), $request->getETags()),
                true,
            )
        ) {
            return new Response('', Response::HTTP_NOT_MODIFIED, ['ETag' => "W/{$tag}"]);
        }
        $response->headers->set('ETag', "W/{$tag}");

        return $response;
    }
}
