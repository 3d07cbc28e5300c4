<?php

declare(strict_types=1);

use App\Watch\Readiness;
use Illuminate\Support\Facades\Schedule;

Schedule::call(static fn() => app(Readiness::class)->beat())->everyMinute();
Schedule::command('sanctum:prune-expired --hours=24')->daily();
Schedule::command('auth:clear-resets')->daily();
Schedule::command('vicissa:prune')->dailyAt('03:20');
Schedule::command('vicissa:tell')->everyFiveMinutes();
Schedule::command('vicissa:reforecast')->dailyAt('03:40');
