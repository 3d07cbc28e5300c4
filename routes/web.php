<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// For whoever watches over it: our own words, and nothing from elsewhere.
Route::view('/up', 'up')->name('up')->withoutMiddleware('web');

// One page: the interface finds its own place from the address. It has no session: a service worker fetches it again in
// the
// background, and the cookie of such an answer would take the place of one that signing in has just set.
Route::view('/{path?}', 'ui')->where('path', '^(?!api/|up$|sanctum/|build/).*$')->name('ui')->withoutMiddleware('web');
