<?php

declare(strict_types=1);

namespace App\Film\Http;

use App\Bench\RankShelf;
use App\Book\Vehicle;
use App\Film\DrawFilm;
use App\Film\ExplainPoint;
use App\Film\TryAhead;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;

/** What is drawn: all ribbons, one vehicle's, and the shelf as it stands for a vehicle. */
final readonly class FilmController
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    #[
        OA\Get(
            path: '/api/v1/film',
            operationId: 'film',
            summary: 'Every vehicle’s paint as a ribbon, most urgent first; or a part of them',
            tags: ['Film'],
            parameters: [
                new OA\QueryParameter(name: 'skip', schema: new OA\Schema(type: 'integer', minimum: 0)),
                new OA\QueryParameter(
                    name: 'limit',
                    description: 'All when left out',
                    schema: new OA\Schema(type: 'integer', maximum: 500, minimum: 1),
                ),
            ],
        ),
    ]
    #[Returns('Film')]
    public function index(Request $request, DrawFilm $drawFilm): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $asked = $request->validate([
            'skip' => ['sometimes', 'integer', 'between:0,1000000'],
            'limit' => ['sometimes', 'integer', 'between:1,500'],
        ]);

        return new JsonResponse(
            $drawFilm(skip: (int) ($asked['skip'] ?? 0), limit: isset($asked['limit']) ? (int) $asked['limit'] : null),
        );
    }

    #[
        OA\Get(
            path: '/api/v1/vehicles/{vehicle}/film',
            operationId: 'vehicleFilm',
            summary: 'One vehicle’s ribbons, a zone each',
            tags: ['Film'],
        ),
    ]
    #[Returns('Film')]
    public function show(Vehicle $vehicle, DrawFilm $drawFilm): JsonResponse
    {
        Gate::authorize('view', $vehicle);

        return new JsonResponse($drawFilm($vehicle->id));
    }

    #[
        OA\Get(
            path: '/api/v1/vehicles/{vehicle}/film/point',
            operationId: 'explainPoint',
            summary: 'Why a ribbon is as thick as it is on a day',
            tags: ['Film'],
            parameters: [
                new OA\QueryParameter(
                    name: 'on',
                    required: true,
                    schema: new OA\Schema(type: 'string', format: 'date'),
                ),
                new OA\QueryParameter(name: 'zone', schema: new OA\Schema(type: 'string')),
            ],
        ),
    ]
    #[Returns('RibbonExplained')]
    public function point(Request $request, Vehicle $vehicle, ExplainPoint $explainPoint): JsonResponse
    {
        Gate::authorize('view', $vehicle);
        $asked = $request->validate([
            'on' => ['required', 'date_format:Y-m-d', 'after:1990-01-01', 'before:2200-01-01'],
            'zone' => ['sometimes', Rule::enum(Zone::class)],
        ]);
        $point = $explainPoint(
            $vehicle,
            Zone::from($asked['zone'] ?? 'paint'),
            $this->tenancy->workspace()->noon($asked['on']),
        );

        return new JsonResponse(['point' => $point]);
    }

    #[
        OA\Post(
            path: '/api/v1/vehicles/{vehicle}/film/try',
            operationId: 'tryAhead',
            summary: 'What washes and toppers on days to come would do; nothing is written',
            tags: ['Film'],
        ),
    ]
    #[Takes('TryInput')]
    #[Returns('TriedAhead')]
    public function tryAhead(Request $request, Vehicle $vehicle, TryAhead $tryAhead): JsonResponse
    {
        Gate::authorize('view', $vehicle);
        $workspace = $this->tenancy->workspace();
        $today = CarbonImmutable::instance($this->clock->now());
        $days = [
            'date_format:Y-m-d',
            'after_or_equal:' . $workspace->dateOf($today),
            'before_or_equal:' . $workspace->dateOf($today->addDays(TryAhead::AHEAD_DAYS)),
        ];
        $asked = $request->validate(
            [
                'washes' => ['sometimes', 'nullable', 'array', 'max:40'],
                'washes.*' => ['distinct', ...$days],
                'toppers' => ['sometimes', 'array', 'max:20'],
                'toppers.*.on' => ['required', 'distinct', ...$days],
                'toppers.*.product_id' => [
                    'required',
                    'uuid',
                    Rule::exists('products', 'id')->where('workspace_id', $workspace->id)->where('role', 'topper'),
                ],
            ],
            array_fill_keys(
                ['washes.*.before_or_equal', 'toppers.*.on.before_or_equal'],
                Teller::here()->say('film.too-far', days: TryAhead::AHEAD_DAYS),
            ) +
                array_fill_keys(
                    ['washes.*.after_or_equal', 'toppers.*.on.after_or_equal'],
                    Teller::here()->say('film.day-over'),
                ),
        );

        return new JsonResponse($tryAhead($vehicle, $asked['washes'] ?? null, array_values($asked['toppers'] ?? [])));
    }

    #[
        OA\Get(
            path: '/api/v1/vehicles/{vehicle}/shelf',
            operationId: 'vehicleShelf',
            summary: 'The shelf ranked for this vehicle now, with what is ruled out and why',
            tags: ['Film'],
            parameters: [
                new OA\QueryParameter(
                    name: 'water',
                    schema: new OA\Schema(type: 'string', enum: ['none', 'tap', 'treated']),
                ),
                new OA\QueryParameter(
                    name: 'purpose',
                    schema: new OA\Schema(type: 'string', enum: ['maintain', 'reset']),
                ),
                new OA\QueryParameter(name: 'panel_c', schema: new OA\Schema(type: 'number')),
                new OA\QueryParameter(
                    name: 'zone',
                    description: 'Judge every role on this zone instead of its usual one',
                    schema: new OA\Schema(type: 'string'),
                ),
            ],
        ),
    ]
    #[Returns('ShelfRole', list: true)]
    public function shelf(Request $request, Vehicle $vehicle, RankShelf $rankShelf): JsonResponse
    {
        Gate::authorize('view', $vehicle);
        $asked = $request->validate([
            'water' => ['sometimes', Rule::enum(Water::class)],
            'purpose' => ['sometimes', Rule::enum(Purpose::class)],
            'panel_c' => ['sometimes', 'nullable', 'numeric', 'between:-30,95'],
            'zone' => ['sometimes', Rule::enum(Zone::class)],
        ]);

        return new JsonResponse([
            'data' => $rankShelf(
                $vehicle,
                [
                    'water' => Water::from($asked['water'] ?? 'tap'),
                    'purpose' => Purpose::from($asked['purpose'] ?? 'maintain'),
                    'panel_c' => isset($asked['panel_c']) ? (float) $asked['panel_c'] : null,
                ],
                isset($asked['zone']) ? Zone::from($asked['zone']) : null,
            ),
        ]);
    }
}
