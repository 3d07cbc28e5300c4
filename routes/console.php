<?php

declare(strict_types=1);

use App\Watch\Readiness;
use Illuminate\Support\Facades\Schedule;

// Each machine may have a scheduler; one of them does it.
Schedule::call(static fn() => app(Readiness::class)->beat())->name('beat')->everyMinute();
Schedule::command('sanctum:prune-expired --hours=24')->daily()->onOneServer();
Schedule::command('auth:clear-resets')->daily()->onOneServer();
Schedule::command('vicissa:prune')->dailyAt('03:20')->onOneServer();
Schedule::command('vicissa:tell')->everyFiveMinutes()->onOneServer();
Schedule::command('vicissa:reforecast')->dailyAt('03:40')->onOneServer();
