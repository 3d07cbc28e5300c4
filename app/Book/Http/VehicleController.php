<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Bench\EstimateTurn;
use App\Book\Programme;
use App\Book\Vehicle;
use App\Film\ForecastLayers;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Http\Paged;
use App\Http\PutsAway;
use App\Http\Versioned;
use App\Record\RebuildProtection;
use App\Record\TurnLog;
use App\Tenancy\Tenancy;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Vicissa\Core\Matching\Body;

/** The vehicles that are looked after. */
final class VehicleController
{
    use Paged;
    use PutsAway;
    use Versioned;

    public function __construct(
        private readonly Tenancy $tenancy,
        private readonly RebuildProtection $rebuildProtection,
        private readonly ForecastLayers $forecastLayers,
        private readonly EstimateTurn $estimateTurn,
    ) {}

    #[
        OA\Get(
            path: '/api/v1/vehicles',
            operationId: 'listVehicles',
            summary: 'By name, paged by cursor',
            tags: ['Vehicles'],
            parameters: [
                new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string')),
                new OA\QueryParameter(
                    name: 'archived',
                    description: 'Also what was put away',
                    schema: new OA\Schema(type: 'boolean'),
                ),
            ],
        ),
    ]
    #[Returns('Vehicle', page: true)]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $search = $this->search($request);

        return $this->page(
            Vehicle::query()
                ->with(['client', 'site'])
                ->when(!$request->boolean('archived'), static fn($query) => $query->whereNull('archived_at'))
                ->when(
                    $search !== '',
                    fn($query) => $query->whereAny(['name', 'model', 'plate'], 'ilike', $this->like($search)),
                )
                ->orderBy('name')
                ->orderBy('id')
                ->cursorPaginate($this->size($request)),
            VehicleResource::class,
        );
    }

    #[OA\Post(path: '/api/v1/vehicles', operationId: 'createVehicle', tags: ['Vehicles'])]
    #[Takes('VehicleInput')]
    #[Returns('Vehicle', 201)]
    public function store(VehicleRequest $request): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $vehicle = DB::transaction(
            fn(): Vehicle => $this->ownMinutes(
                $request,
                Vehicle::query()->create([
                    'salt_months' => $this->tenancy->workspace()->salt_months,
                    ...$request->validated(),
                    'paint_m2' => $request->float('paint_m2', Body::from($request->string('body')->value())->paintM2()),
                ]),
            ),
        );

        return $this->sent(
            new VehicleResource($vehicle->refresh()->load(['client', 'site', 'layers.forecast'])),
            $vehicle,
            201,
        );
    }

    #[OA\Get(path: '/api/v1/vehicles/{vehicle}', operationId: 'showVehicle', tags: ['Vehicles'])]
    #[Returns('Vehicle')]
    public function show(Vehicle $vehicle): JsonResponse
    {
        Gate::authorize('view', $vehicle);

        return $this->sent(new VehicleResource($vehicle->load(['client', 'site', 'layers.forecast'])), $vehicle);
    }

    #[
        OA\Patch(
            path: '/api/v1/vehicles/{vehicle}',
            operationId: 'updateVehicle',
            summary: 'Change some fields; needs If-Match',
            tags: ['Vehicles'],
        ),
    ]
    #[IfMatch]
    #[Takes('VehicleInput')]
    #[Returns('Vehicle')]
    public function update(VehicleRequest $request, Vehicle $vehicle): JsonResponse
    {
        Gate::authorize('update', $vehicle);
        $vehicle = $this->changed(
            $request,
            $vehicle,
            static fn(Vehicle $row): VehicleResource => new VehicleResource(
                $row->load(['client', 'site', 'layers.forecast']),
            ),
            function (Vehicle $row) use ($request): void {
                $programme =
                    $request->filled('programme_id') && $request->input('programme_id') !== $row->programme_id
                        ? Programme::query()->whereKey($request->input('programme_id'))->first()
                        : null;
                $row->fill([...$programme?->rhythm() ?? [], ...$request->validated()])->save();
                // Habits, rhythm and softness bear on every date.
                $log = TurnLog::of([$row->id]);
                ($this->rebuildProtection)($row, $log);
                ($this->forecastLayers)([$row->id], log: $log);
                $this->ownMinutes($request, $row);
            },
        );
        return $this->sent(new VehicleResource($vehicle->load(['client', 'site', 'layers.forecast'])), $vehicle);
    }

    /** Typed minutes teach by what the rules say of the same visit. */
    private function ownMinutes(VehicleRequest $request, Vehicle $vehicle): Vehicle
    {
        if ($request->has('own_minutes')) {
            $own = $vehicle->refresh()->own_minutes;
            Vehicle::query()
                ->whereKey($vehicle->id)
                ->update(['own_estimate' => $own === null ? null : $this->estimateTurn->usual($vehicle)]);
        }

        return $vehicle;
    }

    #[
        OA\Delete(
            path: '/api/v1/vehicles/{vehicle}',
            operationId: 'archiveVehicle',
            summary: 'Put away; nothing recorded is lost',
            tags: ['Vehicles'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Vehicle $vehicle): Response
    {
        return $this->putAway($vehicle);
    }

    #[
        OA\Post(
            path: '/api/v1/vehicles/{vehicle}/restore',
            operationId: 'restoreVehicle',
            summary: 'Take out again',
            tags: ['Vehicles'],
        ),
    ]
    #[Returns(null, 204)]
    public function restore(Vehicle $vehicle): Response
    {
        return $this->takeOut($vehicle);
    }
}
