<?php

declare(strict_types=1);

namespace App\Film\Http;

use App\Book\Vehicle;
use App\Film\ListVehicles;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** The vehicles as a table that is sorted by whatever one looks for. */
#[
    Shape(
        'ListedVehicle',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('body', 'string'),
        new Field('model', 'string?'),
        new Field('plate', 'string?'),
        new Field('client', 'string?'),
        new Field('site', 'string?'),
        new Field('layers', 'string[]', 'Families on the paint, from the outside in'),
        new Field('due_at', 'date-time?', 'Of the outermost'),
        new Field('next_on', 'date?', 'The next planned visit'),
        new Field('last_at', 'date-time?', 'The last turn'),
    ),
]
#[Shape('VehicleList', new Field('count', 'integer', 'In all'), new Field('data', 'ListedVehicle[]'))]
final class ListController
{
    #[
        OA\Get(
            path: '/api/v1/vehicle-list',
            operationId: 'vehicleList',
            summary: 'Vehicles with what lies on them, when it is due and who comes when; sorted, in parts',
            tags: ['Vehicles'],
            parameters: [
                new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string')),
                new OA\QueryParameter(
                    name: 'sort',
                    description: 'With a minus before it the other way round',
                    schema: new OA\Schema(
                        type: 'string',
                        enum: [
                            'name',
                            'client',
                            'place',
                            'due',
                            'next',
                            'last',
                            '-name',
                            '-client',
                            '-place',
                            '-due',
                            '-next',
                            '-last',
                        ],
                    ),
                ),
                new OA\QueryParameter(name: 'skip', schema: new OA\Schema(type: 'integer', minimum: 0)),
                new OA\QueryParameter(name: 'limit', schema: new OA\Schema(type: 'integer', maximum: 200, minimum: 1)),
            ],
        ),
    ]
    #[Returns('VehicleList')]
    public function __invoke(Request $request, ListVehicles $listVehicles): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $sorts = array_keys(ListVehicles::SORTS);
        $asked = $request->validate([
            'search' => ['sometimes', 'nullable', 'string', 'max:200'],
            'sort' => [
                'sometimes',
                Rule::in([...$sorts, ...array_map(static fn(string $one): string => "-{$one}", $sorts)]),
            ],
            'skip' => ['sometimes', 'integer', 'between:0,1000000'],
            'limit' => ['sometimes', 'integer', 'between:1,200'],
        ]);
        /** @var key-of<ListVehicles::SORTS> $sort */
        $sort = ltrim((string) ($asked['sort'] ?? 'due'), '-');

        return new JsonResponse(
            $listVehicles(
                trim((string) ($asked['search'] ?? '')),
                $sort,
                str_starts_with((string) ($asked['sort'] ?? ''), '-'),
                (int) ($asked['skip'] ?? 0),
                (int) ($asked['limit'] ?? 50),
            ),
        );
    }
}
