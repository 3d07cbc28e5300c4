<?php

declare(strict_types=1);

namespace App\Sheets\Http;

use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Sheets\DrawRound;
use App\Sheets\LayRound;
use App\Sheets\NoteWeather;
use App\Sheets\OrderRound;
use App\Tenancy\Tenancy;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;

/** A day's turns. */
#[
    Shape(
        'RoundHour',
        new Field('at', 'date-time'),
        new Field('hour', 'integer'),
        new Field('air_c', 'number'),
        new Field('rain_mm', 'number'),
        new Field('sureness', 'number'),
        new Field('panel_c', 'number'),
        new Field('working_s', 'number?'),
        new Field('avoid', 'string?', null, ['dries-too-fast', 'frost', 'rain']),
    ),
]
#[
    Shape(
        'RoundSite',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('hours', 'string?'),
        new Field('access', 'string?'),
        new Field('water', 'string'),
        new Field('shade', 'boolean'),
        new Field('travel_min', 'integer'),
    ),
]
#[
    Shape(
        'RoundStop',
        new Field('vehicle_id', 'uuid'),
        new Field('name', 'string'),
        new Field('tone', 'string'),
        new Field('site', 'RoundSite?'),
        new Field('minutes', 'number'),
        new Field('starts_min', 'number', 'After leaving'),
        new Field('begins_min', 'integer', 'Minutes of the day'),
        new Field('leg_min', 'integer', 'From the stop before'),
        new Field('begins', 'string', 'HH:MM, leaving at eight'),
        new Field('ends', 'string'),
        new Field('gate', 'SheetCaution[]'),
        new Field('treated_l', 'number'),
        new Field('tap_l', 'number'),
        new Field('nine_in_ten', 'integer?', 'Nine such visits in ten stay within; null where it can’t be laid out'),
        new Field('people', 'integer'),
        new Field('kinds', 'string[]?', 'What is planned; null when nothing is'),
        new Field('scope', 'string'),
        new Field('laid', 'boolean', 'A sheet says so'),
        new Field('visit_id', 'uuid?', 'In the plan'),
        new Field('loses', 'string[]', 'Planned kinds that this weather, or what is at hand, leaves out'),
        new Field('method', 'string?'),
        new Field('water', 'string'),
        new Field('problem', 'said?', 'Why it can’t be laid out; its minutes are then those of a better day'),
        new Field('hours', 'RoundHour[]'),
    ),
]
#[Shape('TankPoint', new Field('min', 'number'), new Field('l', 'number'))]
#[
    Shape(
        'RoundTank',
        new Field('name', 'string'),
        new Field('holds_l', 'number'),
        new Field('start_l', 'number'),
        new Field('end_l', 'number'),
        new Field('short_l', 'number'),
        new Field('empty_at_min', 'number?'),
        new Field('dry_at_vehicle', 'uuid?'),
        new Field('minutes', 'number'),
        new Field('points', 'TankPoint[]'),
    ),
]
#[
    Shape(
        'RoundSuggestion',
        new Field('vehicle_id', 'uuid'),
        new Field('name', 'string'),
        new Field('site', 'string?'),
        new Field('days_over', 'integer?', 'Null where there was no visit yet'),
        new Field('planned_on', 'date?', 'In the plan, later than that day'),
    ),
]
#[Shape('RoundPlanned', new Field('vehicle_id', 'uuid'), new Field('name', 'string'), new Field('kinds', 'string[]'))]
#[Shape('RoundOrderInput', new Field('on', 'date'))]
#[
    Shape(
        'WeatherNote',
        new Field('on', 'date'),
        new Field('low_c', 'number?', 'The coldest of the day; with the warmest or not at all'),
        new Field('high_c', 'number?'),
        new Field('wind_m_s', 'number?'),
        new Field('rh', 'number?', '0 to 1'),
        new Field('cloud', 'number?', '0 to 1'),
        new Field('rain_from', 'integer?', 'The hour of the day in which it begins'),
        new Field('rain_until', 'integer?', 'The hour in which it has ended; the same as the first: it stays dry'),
        new Field('by', 'string?', 'Who says so'),
    ),
]
#[
    Shape(
        'WeatherNoteInput',
        new Field('on', 'date'),
        new Field('low_c', 'number?', 'The coldest of the day; with the warmest or not at all'),
        new Field('high_c', 'number?'),
        new Field('wind_m_s', 'number?'),
        new Field('rh', 'number?', '0 to 1'),
        new Field('cloud', 'number?', '0 to 1'),
        new Field('rain_from', 'integer?', 'The hour of the day in which it begins'),
        new Field('rain_until', 'integer?', 'The hour in which it has ended; the same as the first: it stays dry'),
    ),
]
#[
    Shape(
        'Round',
        new Field('on', 'date'),
        new Field('from_hour', 'integer'),
        new Field('stops', 'RoundStop[]'),
        new Field('tank', 'RoundTank?'),
        new Field('noted', 'WeatherNote?', 'What somebody says of the day’s weather'),
        new Field('planned', 'RoundPlanned[]', 'Of the plan, not on the way yet'),
        new Field('suggested', 'RoundSuggestion[]'),
    ),
]
#[Shape('RoundInput', new Field('on', 'date'), new Field('vehicle_ids', 'uuid[]'))]
final class RoundController
{
    public function __construct(private readonly Tenancy $tenancy) {}

    #[
        OA\Get(
            path: '/api/v1/round',
            operationId: 'showRound',
            summary: 'A day’s turns with the drying curve of each, and where the treated water goes',
            tags: ['Round'],
            parameters: [
                new OA\QueryParameter(
                    name: 'on',
                    description: 'Today when left out',
                    schema: new OA\Schema(type: 'string', format: 'date'),
                ),
            ],
        ),
    ]
    #[Returns('Round')]
    public function show(Request $request, DrawRound $drawRound, ClockInterface $clock): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $asked = $request->validate([
            'on' => ['sometimes', 'date_format:Y-m-d', 'after:-400 days', 'before:+400 days'],
        ]);

        return new JsonResponse($drawRound($asked['on'] ?? $this->tenancy->workspace()->dateOf($clock->now())));
    }

    #[
        OA\Put(
            path: '/api/v1/round',
            operationId: 'layRound',
            summary: 'Who is on the way that day, in driving order',
            tags: ['Round'],
        ),
    ]
    #[Takes('RoundInput')]
    #[Returns('Round')]
    public function lay(Request $request, LayRound $layRound): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $given = $request->validate([
            'on' => ['required', 'date_format:Y-m-d', 'after:-400 days', 'before:+400 days'],
            'vehicle_ids' => ['present', 'array', 'max:60'],
            'vehicle_ids.*' => [
                'uuid',
                'distinct',
                Rule::exists('vehicles', 'id')->where('workspace_id', $this->tenancy->workspace()->id),
            ],
        ]);

        return new JsonResponse($layRound($given['on'], array_values($given['vehicle_ids'])));
    }

    #[
        OA\Post(
            path: '/api/v1/round/order',
            operationId: 'orderRound',
            summary: 'The plan’s turns and those already there, in their best order',
            tags: ['Round'],
        ),
    ]
    #[Takes('RoundOrderInput')]
    #[Returns('Round')]
    public function order(Request $request, OrderRound $orderRound): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $on = $request->validate(['on' => ['required', 'date_format:Y-m-d', 'after:-400 days', 'before:+400 days']])[
            'on'
        ];

        return new JsonResponse($orderRound($on));
    }

    #[
        OA\Put(
            path: '/api/v1/round/weather',
            operationId: 'noteWeather',
            summary: 'The day’s weather as somebody says it is: it takes the forecast’s place; nothing said, the forecast counts',
            tags: ['Round'],
        ),
    ]
    #[Takes('WeatherNoteInput')]
    #[Returns('Round')]
    public function note(Request $request, NoteWeather $noteWeather): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $given = $request->validate([
            'on' => ['required', 'date_format:Y-m-d', 'after:-400 days', 'before:+400 days'],
            'low_c' => ['present', 'nullable', 'required_with:high_c', 'numeric', 'between:-60,60'],
            'high_c' => ['present', 'nullable', 'required_with:low_c', 'numeric', 'between:-60,60', 'gte:low_c'],
            'wind_m_s' => ['present', 'nullable', 'numeric', 'between:0,60'],
            'rh' => ['present', 'nullable', 'numeric', 'between:0.05,1'],
            'cloud' => ['present', 'nullable', 'numeric', 'between:0,1'],
            'rain_from' => ['present', 'nullable', 'required_with:rain_until', 'integer', 'between:0,24'],
            'rain_until' => [
                'present',
                'nullable',
                'required_with:rain_from',
                'integer',
                'between:0,24',
                'gte:rain_from',
            ],
        ]);

        return new JsonResponse($noteWeather($given['on'], Arr::except($given, 'on'), $request->user()?->id));
    }
}
