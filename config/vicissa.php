<?php

declare(strict_types=1);

use App\Letters\MailMessenger;
use App\Standins\AskedWeather;
use App\Standins\OutboxMessenger;
use App\Standins\SimulatedTdsPen;
use App\Standins\SimulatedThermometer;
use App\Standins\SimulatedTravelTimes;
use App\Standins\SimulatedWeather;

return [
    // Outside services, each behind an interface. What ships are stand-ins that run without a network.
    'messenger' => env('MAIL_URL') ? MailMessenger::class : OutboxMessenger::class,
    'weather' => env('WEATHER_URL') ? AskedWeather::class : SimulatedWeather::class,
    'travel' => SimulatedTravelTimes::class,
    'pen' => SimulatedTdsPen::class,
    'thermometer' => SimulatedThermometer::class,

    // Who answers hours as docs/schemas/weather.schema.json has them, and what is shown to them.
    'weather_at' => ['url' => env('WEATHER_URL'), 'key' => env('WEATHER_KEY')],

    // Requests a minute for one person or address; new businesses an hour from one address.
    // The processor's time: seconds for one request, milliseconds a minute for one person or address. And how
    // many requests of theirs are worked on at once, on one machine.
    'limits' => [
        'api' => (int) env('VICISSA_LIMIT_API', 240),
        'registrations' => (int) env('VICISSA_LIMIT_REGISTRATIONS', 10),
        'sign_in' => (int) env('VICISSA_LIMIT_SIGN_IN', 6),
        // Of the processor, for a list of questions; what it weighed beforehand is a guess.
        'reckon_ms' => (int) env('VICISSA_LIMIT_RECKON_MS', 4_000),
        // Followed layers that are weighed while somebody waits; more by the queue (App\Proof\KeepProof).
        'followed' => (int) env('VICISSA_LIMIT_FOLLOWED', 6000),
        // Of the processor, for what the queue makes as well (App\Tenancy\Patience).
        'patience_ms' => (int) env('VICISSA_LIMIT_PATIENCE_MS', 7_000),
        // How often a search for a plan tries something else; 0 for what the size of the book suggests.
        'plan_shakes' => (int) env('VICISSA_LIMIT_PLAN_SHAKES', 0),
        // From so many starts at once a plan is searched for, each on a core of its own.
        'plan_starts' => (int) env('VICISSA_PLAN_STARTS', 1),
        'request_s' => (int) env('VICISSA_LIMIT_REQUEST_S', 10),
        // Rows of a book that is written as one file in a request; a larger one is written by the queue.
        'archive_rows' => (int) env('VICISSA_LIMIT_ARCHIVE_ROWS', 9000),
        'at_once' => (int) env('VICISSA_LIMIT_AT_ONCE', 6),
        // So long a request waits for one of those places.
        'wait_ms' => (int) env('VICISSA_LIMIT_WAIT_MS', 4000),
        'cpu_ms' => (int) env('VICISSA_LIMIT_CPU_MS', 20_000),
    ],

    // Letters to clients go out between these hours, where the workspace is.
    'letters' => ['from' => (int) env('VICISSA_LETTERS_FROM', 8), 'until' => (int) env('VICISSA_LETTERS_UNTIL', 19)],

    // Who may begin a business here: anybody (open), whoever is invited into one that is there (invited).
    'registration' => env('VICISSA_REGISTRATION', 'open'),

    // Who watches over this from elsewhere shows it at /ready, /metrics and on the operator's page.
    'watch_token' => env('VICISSA_WATCH_TOKEN'),

    // A statement that takes so long is written down.
    'slow_query_ms' => (int) env('VICISSA_SLOW_QUERY_MS', 500),

    'invitation_days' => 14,

    // Days in which whoever leaves, and a workspace that ends, may still come back.
    'grace' => ['account' => 14, 'workspace' => 30],

    // Days a token is good for.
    'token_days' => ['usual' => 90, 'most' => 366],
];
