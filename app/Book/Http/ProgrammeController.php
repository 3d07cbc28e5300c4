<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Programme;
use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\Versioned;
use App\Tenancy\Removals;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Rhythms with a name: "fortnight, topper every eighth week". */
#[
    Shape(
        'ProgrammeInput',
        new Field('name?', 'string'),
        new Field('cadence_min?', 'integer'),
        new Field('cadence_target?', 'integer'),
        new Field('cadence_max?', 'integer'),
        new Field('salt_target?', 'integer?'),
        new Field('topper_weeks?', 'integer?'),
        new Field('scope?', 'string'),
        new Field('full_every?', 'integer?'),
        new Field('topper_washes?', 'integer?'),
        new Field('decon_days?', 'integer?'),
    ),
]
final class ProgrammeController
{
    use Versioned;

    #[OA\Get(path: '/api/v1/programmes', operationId: 'listProgrammes', tags: ['Weeks'])]
    #[Returns('Programme', list: true)]
    public function index(): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);

        return new JsonResponse(['data' => ProgrammeResource::collection(Programme::query()->orderBy('name')->get())]);
    }

    #[OA\Post(path: '/api/v1/programmes', operationId: 'createProgramme', tags: ['Weeks'])]
    #[Takes('ProgrammeInput')]
    #[Returns('Programme', 201)]
    public function store(ProgrammeRequest $request): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $programme = Programme::query()->create($request->validated());

        return $this->sent(new ProgrammeResource($programme->refresh()), $programme, 201);
    }

    #[
        OA\Patch(
            path: '/api/v1/programmes/{programme}',
            operationId: 'updateProgramme',
            summary: 'Vehicles that follow it change along, field by field, where they had not their own; needs If-Match',
            tags: ['Weeks'],
        ),
    ]
    #[IfMatch]
    #[Takes('ProgrammeInput')]
    #[Returns('Programme')]
    public function update(ProgrammeRequest $request, Programme $programme): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $programme = $this->changed(
            $request,
            $programme,
            static fn(Programme $row): ProgrammeResource => new ProgrammeResource($row),
            static function (Programme $row) use ($request): void {
                $before = $row->rhythm();
                $row->fill($request->validated());
                foreach (Vehicle::query()->where('programme_id', $row->id)->orderBy('id')->get() as $vehicle) {
                    $vehicle->update([
                        ...array_filter(
                            $row->rhythm(),
                            static fn(int|string|null $new, string $field): bool => $vehicle->{$field} ===
                                $before[$field],
                            ARRAY_FILTER_USE_BOTH,
                        ),
                        'version' => $vehicle->version + 1,
                    ]);
                }
            },
        );

        return $this->sent(new ProgrammeResource($programme), $programme);
    }

    #[
        OA\Delete(
            path: '/api/v1/programmes/{programme}',
            operationId: 'deleteProgramme',
            summary: 'Its vehicles keep the rhythm they have',
            tags: ['Weeks'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Programme $programme, Removals $removals): Response
    {
        Gate::authorize('create', Vehicle::class);
        $removals->remove($programme);

        return response()->noContent();
    }
}
