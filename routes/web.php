<?php

declare(strict_types=1);

use App\Http\InterfacePlaces;
use App\Watch\Http\KnowsToken;
use App\Watch\Http\MetricsController;
use App\Watch\Http\ReadyController;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Route;

// For whoever watches over it: our own words, and nothing from elsewhere.
Route::view('/up', 'up')->name('up')->withoutMiddleware('web');
Route::get('/ready', ReadyController::class)->withoutMiddleware('web');
Route::get('/metrics', MetricsController::class)->withoutMiddleware('web')->middleware(KnowsToken::class);

// One page: the interface finds its own place from the address. It has no session: a service worker fetches it again in
// the background, and the cookie of such an answer would take the place of one that signing in has just set.
Route::view('/{path?}', 'ui')
    ->where('path', '(' . implode('|', InterfacePlaces::FIRST) . ')(/.*)?')
    ->name('ui')
    ->withoutMiddleware('web');

// The same page says that nothing is here, to people; whoever asks for a file is told so in its own way.
Route::fallback(
    static fn(Request $request): Response => str_contains(basename($request->path()), '.') ||
    !$request->accepts('text/html')
        ? response('Not here.', 404, ['Content-Type' => 'text/plain'])
        : response()->view('ui', status: 404),
)
    ->where('fallbackPlaceholder', '(?!api/|sanctum/).*')
    ->withoutMiddleware('web');
