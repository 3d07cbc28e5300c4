<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\DrawFilm;
use App\Actions\RankShelf;
use App\Http\OpenApi\Returns;
use App\Models\Vehicle;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;

/** What is drawn: all ribbons, one vehicle's, and the shelf as it stands for a vehicle. */
final class FilmController
{
    #[OA\Get(path: '/api/v1/film', operationId: 'film', summary: 'Every vehicle’s paint as a ribbon, most urgent first', tags: ['Film'])]
    #[Returns('Film')]
    public function index(DrawFilm $drawFilm): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);

        return new JsonResponse($drawFilm());
    }

    #[OA\Get(path: '/api/v1/vehicles/{vehicle}/film', operationId: 'vehicleFilm', summary: 'One vehicle’s ribbons, a zone each', tags: ['Film'], parameters: [
        new OA\PathParameter(name: 'vehicle', required: true, schema: new OA\Schema(type: 'string', format: 'uuid')),
    ])]
    #[Returns('Film')]
    public function show(Vehicle $vehicle, DrawFilm $drawFilm): JsonResponse
    {
        Gate::authorize('view', $vehicle);

        return new JsonResponse($drawFilm($vehicle->id));
    }

    #[OA\Get(path: '/api/v1/vehicles/{vehicle}/shelf', operationId: 'vehicleShelf', summary: 'The shelf ranked for this vehicle now, with what is ruled out and why', tags: ['Film'], parameters: [
        new OA\PathParameter(name: 'vehicle', required: true, schema: new OA\Schema(type: 'string', format: 'uuid')),
        new OA\QueryParameter(name: 'water', schema: new OA\Schema(type: 'string', enum: ['none', 'tap', 'treated'])),
        new OA\QueryParameter(name: 'purpose', schema: new OA\Schema(type: 'string', enum: ['maintain', 'reset'])),
        new OA\QueryParameter(name: 'panel_c', schema: new OA\Schema(type: 'number')),
        new OA\QueryParameter(name: 'zone', description: 'Judge every role on this zone instead of its usual one', schema: new OA\Schema(type: 'string')),
    ])]
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

        return new JsonResponse(['data' => $rankShelf($vehicle, [
            'water' => Water::from($asked['water'] ?? 'tap'),
            'purpose' => Purpose::from($asked['purpose'] ?? 'maintain'),
            'panel_c' => isset($asked['panel_c']) ? (float) $asked['panel_c'] : null,
        ], isset($asked['zone']) ? Zone::from($asked['zone']) : null)]);
    }
}
