<?php

declare(strict_types=1);

namespace App\Film\Http;

use App\Book\Http\VehicleResource;
use App\Book\Vehicle;
use App\Film\StartVehicle;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Http\Versioned;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

final class StartController
{
    use Versioned;

    #[
        OA\Post(
            path: '/api/v1/start',
            operationId: 'start',
            summary: 'Three answers, a first due date',
            tags: ['Vehicles'],
        ),
    ]
    #[Takes('StartInput')]
    #[Returns('Vehicle', 201)]
    public function __invoke(StartRequest $request, StartVehicle $startVehicle): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $vehicle = $startVehicle($request->answers())
            ->refresh()
            ->load(['client', 'site', 'layers.forecast']);

        return $this->sent(new VehicleResource($vehicle), $vehicle, 201);
    }
}
