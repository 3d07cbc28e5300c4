<?php

declare(strict_types=1);

namespace App\Http;

use App\Problems\Problem;
use App\Says\Teller;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;
use Vicissa\Core\InvalidInput;

/** Every error of the API as RFC 9457 `application/problem+json`: what happened, what was kept, what to do. */
final class ProblemRenderer
{
    public function render(Throwable $e, Request $request): ?JsonResponse
    {
        if (!$request->is('api/*') && !$request->expectsJson()) {
            return null;
        }

        return match (true) {
            $e instanceof Problem => $this->json(
                $e->status,
                $e->kind,
                $e->title,
                $e->getMessage(),
                $e->errors,
                $e->more,
            ),
            $e instanceof ValidationException => $this->invalid($e),
            $e instanceof InvalidInput => $this->json(
                422,
                'invalid',
                'Something needs another look',
                $says = app(Teller::class)->tell($e->says),
                [['pointer' => Problem::pointer($e->field), 'detail' => $says]],
            ),
            $e instanceof AuthenticationException => $this->json(
                401,
                'signed-out',
                'Please sign in',
                'You are not signed in, or have been away too long. What you typed is still on this page.',
            ),
            $e instanceof AuthorizationException => $this->json(
                403,
                'refused',
                'Not yours to do',
                'Only the owner of the workspace can do that.',
            ),
            $e instanceof ModelNotFoundException => $this->json(
                404,
                'not-found',
                'Not here',
                'There is no such thing in this workspace.',
            ),
            $e instanceof TokenMismatchException => $this->json(
                419,
                'stale-page',
                'This page is too old',
                'Reload the page and try again; nothing was saved.',
            ),
            // The framework wraps these two before they get here.
            $e instanceof HttpExceptionInterface && $e->getPrevious() instanceof ModelNotFoundException,
            $e instanceof HttpExceptionInterface && $e->getPrevious() instanceof AuthorizationException
                => $this->render($e->getPrevious(), $request),
            $e instanceof HttpExceptionInterface => $this->http($e),
            default => $this->json(
                500,
                'broken',
                'That did not work',
                config('app.debug')
                    ? $e->getMessage()
                    : 'Something broke on our side. Nothing was half-saved; try again in a moment.',
            ),
        };
    }

    private function invalid(ValidationException $e): JsonResponse
    {
        $errors = [];
        foreach ($e->errors() as $field => $messages) {
            foreach ($messages as $message) {
                $errors[] = ['pointer' => Problem::pointer($field), 'detail' => $message];
            }
        }

        return $this->json(
            422,
            'invalid',
            'Something needs another look',
            $errors[0]['detail'] ?? 'Some of that can’t be saved.',
            $errors,
        );
    }

    private function http(HttpExceptionInterface $e): JsonResponse
    {
        $status = $e->getStatusCode();
        [$kind, $title, $detail] = match ($status) {
            404 => ['not-found', 'Not here', 'There is no such address.'],
            405 => ['not-allowed', 'Not that way', 'This address does not take that kind of request.'],
            413 => ['too-large', 'Too large', 'That is more than can be sent at once.'],
            419 => ['stale-page', 'This page is too old', 'Reload the page and try again; nothing was saved.'],
            429 => [
                'slow-down',
                'Too many tries',
                sprintf(
                    'That was too often in a short time. Wait %d seconds, then try again.',
                    (int) ($e->getHeaders()['Retry-After'] ?? 60),
                ),
            ],
            503 => ['closed', 'Back soon', 'Vicissa is being looked after. Try again in a few minutes.'],
            default => [
                'refused',
                'That did not work',
                $e->getMessage() !== '' ? $e->getMessage() : 'The request was refused.',
            ],
        };

        return $this->json($status, $kind, $title, $detail)->withHeaders($e->getHeaders());
    }

    /**
     * @param list<array{pointer: string, detail: string}> $errors
     * @param array<string, mixed> $more
     */
    private function json(
        int $status,
        string $kind,
        string $title,
        string $detail,
        array $errors = [],
        array $more = [],
    ): JsonResponse {
        return new JsonResponse(
            [
                'type' => '/problems/' . $kind,
                'title' => $title,
                'status' => $status,
                'detail' => $detail,
                ...$errors === [] ? [] : ['errors' => $errors],
                ...$more,
            ],
            $status,
            ['Content-Type' => 'application/problem+json'],
        );
    }
}
