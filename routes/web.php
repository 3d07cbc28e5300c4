<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// One page: the interface finds its own place from the address.
Route::view('/{path?}', 'ui')->where('path', '^(?!api/|up$|sanctum/|build/).*$')->name('ui');
