<?php

declare(strict_types=1);

namespace App\Watch\Http;

use App\Watch\Readiness;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\IpUtils;

/** For whoever watches over the machine: from it, or with the token of VICISSA_WATCH_TOKEN. */
final readonly class ReadyController
{
    public function __construct(private Readiness $readiness) {}

    public function __invoke(Request $request): JsonResponse
    {
        abort_unless(KnowsToken::shownBy($request) || self::isFromHere($request), 404);
        $found = $this->readiness->look();

        return new JsonResponse($found, $found['ready'] ? 200 : 503, ['Cache-Control' => 'no-store']);
    }

    /** Whatever came by a proxy is from elsewhere, also where nobody has named that proxy. */
    private static function isFromHere(Request $request): bool
    {
        return IpUtils::checkIp((string) $request->ip(), ['127.0.0.0/8', '::1']) &&
            !$request->headers->has('X-Forwarded-For') &&
            !$request->headers->has('Forwarded');
    }
}
