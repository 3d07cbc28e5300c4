<?php

declare(strict_types=1);

use App\Http\Middleware\AnswerOnce;
use App\Http\Middleware\EnterWorkspace;
use App\Http\Middleware\HidesCosts;
use App\Http\Middleware\KeepsAnswers;
use App\Http\Middleware\KnownHost;
use App\Http\Middleware\LightBody;
use App\Http\Middleware\NamesRequest;
use App\Http\Middleware\PlainText;
use App\Http\Middleware\SecureHeaders;
use App\Http\Middleware\SpendsTime;
use App\Http\Middleware\TriesAgain;
use App\Problems\Problem;
use App\Says\Http\TellWords;
use App\Tenancy\Tenancy;
use App\Weeks\LayAhead;
use App\Http\ProblemRenderer;
use App\Watch\Http\CountsRequests;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Laravel\Sanctum\Http\Middleware\CheckAbilities;
use Vicissa\Core\InvalidInput;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__ . '/../routes/web.php',
        api: __DIR__ . '/../routes/api.php',
        commands: __DIR__ . '/../routes/console.php',
        apiPrefix: 'api/v1',
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->statefulApi();
        // Rows are looked up by address only once the workspace is open.
        $middleware->prependToPriorityList(before: SubstituteBindings::class, prepend: EnterWorkspace::class);
        // Who begins anew begins before that.
        $middleware->prependToPriorityList(before: EnterWorkspace::class, prepend: TriesAgain::class);
        // Whoever stands in front is believed about the client's address and TLS, once it is named (config/trustedproxy.php).
        $middleware->trustProxies(headers: Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO);
        // Nothing here is for pages of others.
        $middleware->remove(HandleCors::class);
        $middleware->prepend([
            CountsRequests::class,
            NamesRequest::class,
            SecureHeaders::class,
            KnownHost::class,
            LightBody::class,
        ]);
        $middleware->appendToGroup('api', PlainText::class);
        $middleware->appendToGroup('api', TellWords::class);
        $middleware->alias([
            'workspace' => EnterWorkspace::class,
            'once' => AnswerOnce::class,
            'spends' => SpendsTime::class,
            'again' => TriesAgain::class,
            'costs' => HidesCosts::class,
            'kept' => KeepsAnswers::class,
            'abilities' => CheckAbilities::class,
        ]);
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        // Answers to the caller, not faults of ours.
        $exceptions->dontReport([Problem::class, InvalidInput::class]);
        // Two in each other's way: one begins anew (TriesAgain), and is told if that was in vain.
        $exceptions->dontReportWhen(
            static fn(Throwable $e): bool => app(ConcurrencyErrorDetector::class)->causedByConcurrencyError($e),
        );
        $exceptions->shouldRenderJsonWhen(
            static fn(Request $request): bool => $request->is('api/*') || $request->expectsJson(),
        );
        $exceptions->render(static function (Throwable $e, Request $request) {
            if ($e instanceof Problem && $e->kind === Problem::BEING_LAID && app(Tenancy::class)->entered()) {
                LayAhead::for(app(Tenancy::class)->workspace()->id);
            }

            return app(ProblemRenderer::class)->render($e, $request);
        });
    })
    ->create();

$app->useStoragePath($_ENV['VICISSA_STORAGE'] ?? ($_SERVER['VICISSA_STORAGE'] ?? dirname(__DIR__) . '/var/storage'));

return $app;
