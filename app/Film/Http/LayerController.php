<?php

declare(strict_types=1);

namespace App\Film\Http;

use App\Book\Http\LayerResource;
use App\Book\Layer;
use App\Book\Vehicle;
use App\Film\DeclareLayer;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Http\Versioned;
use App\Problems\Problem;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Vicissa\Core\Says\Said;

/** Layers put on outside a recorded turn. Those from turns are corrected through the turn. */
final class LayerController
{
    use Versioned;

    #[OA\Post(path: '/api/v1/vehicles/{vehicle}/layers', operationId: 'createLayer', tags: ['Layers'])]
    #[Takes('LayerInput')]
    #[Returns('Layer', 201)]
    public function store(LayerRequest $request, Vehicle $vehicle, DeclareLayer $declareLayer): JsonResponse
    {
        Gate::authorize('update', $vehicle);
        $layer = $declareLayer($vehicle, $request->validated());

        return $this->sent(new LayerResource($layer), $layer, 201);
    }

    #[
        OA\Patch(
            path: '/api/v1/layers/{layer}',
            operationId: 'updateLayer',
            summary: 'Correct a declared layer; needs If-Match',
            tags: ['Layers'],
        ),
    ]
    #[IfMatch]
    #[Takes('LayerInput')]
    #[Returns('Layer')]
    public function update(LayerRequest $request, Layer $layer, DeclareLayer $declareLayer): JsonResponse
    {
        $vehicle = $this->declared($layer);
        $this->changed(
            $request,
            $layer,
            static fn(Layer $row): LayerResource => new LayerResource($row->load('forecast')),
            static function (Layer $row) use ($declareLayer, $vehicle, $request): void {
                $declareLayer->fill($row, $request->validated())->save();
                $declareLayer->settle($vehicle);
                // What followed from the change is in the row already; only the version is still to be counted.
                $row->refresh();
            },
        );
        $layer = $layer->newQuery()->with('forecast')->findOrFail($layer->id);

        return $this->sent(new LayerResource($layer), $layer);
    }

    #[
        OA\Delete(
            path: '/api/v1/layers/{layer}',
            operationId: 'deleteLayer',
            summary: 'Take back a declared layer',
            tags: ['Layers'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Layer $layer, DeclareLayer $declareLayer): Response
    {
        $declareLayer->takeBack($layer, $this->declared($layer));

        return response()->noContent();
    }

    private function declared(Layer $layer): Vehicle
    {
        $vehicle = $layer->vehicle()->firstOrFail();
        Gate::authorize('update', $vehicle);
        if ($layer->turn_id !== null) {
            throw Problem::conflict(Said::of('layer.of-a-turn'));
        }

        return $vehicle;
    }
}
