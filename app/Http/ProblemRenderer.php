<?php

declare(strict_types=1);

namespace App\Http;

use App\Http\Middleware\NamesRequest;
use App\Problems\Problem;
use App\Says\Teller;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Validation\ValidationException;
use PDOException;
use Predis\CommunicationException;
use Predis\Connection\Resource\Exception\StreamInitException;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** Every error of the API as RFC 9457 `application/problem+json`: what happened, what was kept, what to do. */
final class ProblemRenderer
{
    /** What PostgreSQL says while another becomes the first: it only reads, it is being stopped, it is not yet up. */
    private const TAKES_OVER = ['25006', '57P01', '57P02', '57P03'];

    public function render(Throwable $e, Request $request): ?Response
    {
        if (!$request->is('api/*') && !$request->expectsJson()) {
            return $e instanceof Problem
                ? new PlainResponse(app(Teller::class)->tell($e->detail), $e->status, ['Content-Type' => 'text/plain'])
                : null;
        }

        return $this->problem($e, $request);
    }

    private function problem(Throwable $e, Request $request): JsonResponse
    {
        return match (true) {
            $e instanceof Problem => $this->json(
                $e->status,
                $e->kind,
                $e->title,
                $e->detail,
                $e->errors,
                $e->more,
            )->withHeaders($e->headers),
            self::isBusy($e) => $this->problem(Problem::busy(), $request),
            self::isDear($e) => $this->problem(Problem::dear(Said::of('problem.stopped')), $request),
            $e instanceof ValidationException => $this->invalid($e),
            // An id that somebody else has given already, or at the same moment.
            $e instanceof UniqueConstraintViolationException => $this->problem(
                Problem::conflict(Said::of('problem.taken')),
                $request,
            ),
            $e instanceof InvalidInput => $this->json(422, 'invalid', Said::of('problem.invalid'), $e->says, [
                ['pointer' => Problem::pointer($e->field), 'detail' => $e->says],
            ]),
            $e instanceof AuthenticationException => $this->json(
                401,
                'signed-out',
                Said::of('problem.sign-in'),
                Said::of('problem.signed-out'),
            ),
            $e instanceof AuthorizationException => $this->json(
                403,
                'refused',
                Said::of('problem.refused'),
                Said::of('problem.owner-only'),
            ),
            $e instanceof ModelNotFoundException => $this->json(
                404,
                'not-found',
                Said::of('problem.missing'),
                Said::of('problem.no-such-thing'),
            ),
            $e instanceof TokenMismatchException => $this->json(
                419,
                'stale-page',
                Said::of('problem.stale-page'),
                Said::of('problem.reload'),
            ),
            // The framework wraps these two before they get here.
            $e instanceof HttpExceptionInterface && $e->getPrevious() instanceof ModelNotFoundException,
            $e instanceof HttpExceptionInterface && $e->getPrevious() instanceof AuthorizationException
                => $this->problem($e->getPrevious(), $request),
            $e instanceof HttpExceptionInterface => $this->http($e),
            default => $this->json(
                500,
                'broken',
                Said::of('problem.failed'),
                config('app.debug') ? Said::written($e->getMessage()) : Said::of('problem.broken'),
            ),
        };
    }

    /** What ran out of the time or memory that a request has (SpendsTime) asked for too much; nothing of ours broke. */
    private static function isDear(Throwable $e): bool
    {
        return $e instanceof FatalError &&
            preg_match('/^(Maximum execution time|Allowed memory size)/', $e->getMessage()) === 1;
    }

    /**
     * Others stood in the way again and again (TriesAgain), or the database or Redis is away for a moment, or another
     * machine is taking its place: whoever asks again a little later is served.
     */
    private static function isBusy(Throwable $e): bool
    {
        for ($one = $e; $one !== null; $one = $one->getPrevious()) {
            if (
                $one instanceof CommunicationException ||
                $one instanceof StreamInitException ||
                ($one instanceof PDOException &&
                    (in_array((string) $one->getCode(), self::TAKES_OVER, true) ||
                        app(ConcurrencyErrorDetector::class)->causedByConcurrencyError($one) ||
                        app(LostConnectionDetector::class)->causedByLostConnection($one)))
            ) {
                return true;
            }
        }

        return false;
    }

    private function invalid(ValidationException $e): JsonResponse
    {
        $errors = [];
        foreach ($e->errors() as $field => $messages) {
            foreach ($messages as $message) {
                $errors[] = ['pointer' => Problem::pointer($field), 'detail' => Said::written($message)];
            }
        }

        return $this->json(
            422,
            'invalid',
            Said::of('problem.invalid'),
            $errors[0]['detail'] ?? Said::of('problem.unsaved'),
            $errors,
        );
    }

    private function http(HttpExceptionInterface $e): JsonResponse
    {
        $status = $e->getStatusCode();
        [$kind, $title, $detail] = match ($status) {
            404 => ['not-found', Said::of('problem.missing'), Said::of('problem.no-address')],
            405 => ['not-allowed', Said::of('problem.not-that-way'), Said::of('problem.method')],
            413 => ['too-large', Said::of('problem.too-large'), Said::of('problem.too-much')],
            419 => ['stale-page', Said::of('problem.stale-page'), Said::of('problem.reload')],
            429 => [
                'slow-down',
                Said::of('problem.too-often'),
                Said::of('problem.wait', seconds: (int) ($e->getHeaders()['Retry-After'] ?? 60)),
            ],
            503 => ['closed', Said::of('problem.back-soon'), Said::of('problem.looked-after')],
            default => [
                'refused',
                Said::of('problem.failed'),
                $e->getMessage() !== '' ? Said::written($e->getMessage()) : Said::of('problem.request-refused'),
            ],
        };

        return $this->json($status, $kind, $title, $detail)->withHeaders($e->getHeaders());
    }

    /**
     * @param list<array{pointer: string, detail: Said}> $errors
     * @param array<string, mixed> $more
     */
    private function json(
        int $status,
        string $kind,
        Said $title,
        Said $detail,
        array $errors = [],
        array $more = [],
    ): JsonResponse {
        $teller = app(Teller::class);

        return new JsonResponse(
            [
                'type' => '/problems/' . $kind,
                'title' => $teller->tell($title),
                'status' => $status,
                'detail' => $teller->tell($detail),
                ...$errors === [] ? [] : ['errors' => $teller->everywhere($errors)],
                ...$more,
                // By this whoever runs it finds what broke in the log.
                ...$status >= 500 ? ['request' => (string) request()->header(NamesRequest::HEADER)] : [],
            ],
            $status,
            ['Content-Type' => 'application/problem+json'],
        );
    }
}
