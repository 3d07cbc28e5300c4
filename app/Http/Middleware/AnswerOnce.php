<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Problems\Problem;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Response;
use Throwable;
use Vicissa\Core\Says\Said;

/**
 * A write that carries an Idempotency-Key happens once: a repeat gets the first answer again. The key is claimed in
 * the same transaction as the work, so a repeat that arrives meanwhile waits for it. Refused requests claim nothing.
 */
final readonly class AnswerOnce
{
    /** Where the answer holds what is shown once: it is kept as only we can read it. */
    private const SEALED = [
        'api/v1/tokens',
        'api/v1/feeds',
        'api/v1/invitations',
        'api/v1/vehicles/*/record-links',
        'api/v1/me/*',
        'api/v1/members/*',
    ];

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    public function handle(Request $request, Closure $next): Response
    {
        $key = $request->header('Idempotency-Key');
        if ($key === null || $key === '') {
            return $next($request);
        }
        if (strlen($key) > 100) {
            throw Problem::field('Idempotency-Key', Said::of('problem.key-long'));
        }
        /** @var User $user */
        $user = $request->user();
        $mine = ['workspace_id' => $this->tenancy->workspace()->id, 'user_id' => $user->id, 'key' => $key];
        $hash = hash('sha256', $request->method() . ' ' . $request->path() . ' ' . $request->getContent());

        DB::beginTransaction();
        try {
            $claimed = DB::table('idempotency_keys')->insertOrIgnore([
                ...$mine,
                'id' => Str::uuid7()->toString(),
                'request_hash' => $hash,
                'created_at' => $this->clock->now(),
            ]);
            $response = $claimed === 1 ? $next($request) : null;
            if ($response !== null && $response->getStatusCode() < 400) {
                DB::table('idempotency_keys')
                    ->where($mine)
                    ->update([
                        'status' => $response->getStatusCode(),
                        'response' => self::kept($request, [
                            'body' => (string) $response->getContent(),
                            'etag' => $response->headers->get('ETag'),
                        ]),
                    ]);
                DB::commit();
            } else {
                DB::rollBack();
            }
        } catch (Throwable $e) {
            DB::rollBack();

            throw $e;
        }

        return $response ?? $this->again($mine, $hash);
    }

    /** @param array{body: string, etag: string|null} $answer */
    private static function kept(Request $request, array $answer): string
    {
        $text = json_encode($answer, JSON_THROW_ON_ERROR);

        return $request->is(...self::SEALED)
            ? json_encode(['sealed' => Crypt::encryptString($text)], JSON_THROW_ON_ERROR)
            : $text;
    }

    /** @param array<string, string> $mine */
    private function again(array $mine, string $hash): Response
    {
        $first =
            DB::table('idempotency_keys')->where($mine)->first() ??
            throw Problem::conflict(Said::of('problem.same-request'));
        if ($first->request_hash !== $hash) {
            throw Problem::repeatedDifferently();
        }
        /** @var array{body: string, etag: string|null}|array{sealed: string} $answer */
        $answer = json_decode((string) $first->response, true, 512, JSON_THROW_ON_ERROR);
        if (isset($answer['sealed'])) {
            /** @var array{body: string, etag: string|null} $answer */
            $answer = json_decode(Crypt::decryptString($answer['sealed']), true, 512, JSON_THROW_ON_ERROR);
        }

        return JsonResponse::fromJsonString($answer['body'], (int) $first->status, [
            'Idempotent-Replayed' => 'true',
            ...$answer['etag'] === null ? [] : ['ETag' => $answer['etag']],
        ]);
    }
}
