<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\FindThings;
use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** One search over everything that has a name. */
#[
    Shape(
        'Found',
        new Field('kind', 'string', null, ['vehicle', 'visit', 'client', 'site', 'product']),
        new Field('id', 'uuid'),
        new Field('name', 'string', 'Of a visit: its vehicle’s'),
        new Field('beside', 'string?', 'Whose it is'),
        new Field('on', 'date?', 'Of a visit'),
    ),
]
#[Shape('FoundThings', new Field('data', 'Found[]'))]
final class FindController
{
    #[
        OA\Get(
            path: '/api/v1/find',
            operationId: 'find',
            summary: 'Vehicles, planned visits, clients, places and products by part of their name',
            tags: ['Find'],
            parameters: [new OA\QueryParameter(name: 'text', required: true, schema: new OA\Schema(type: 'string'))],
        ),
    ]
    #[Returns('FoundThings')]
    public function __invoke(Request $request, FindThings $findThings): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        /** @var array{text: string} $asked */
        $asked = $request->validate(['text' => ['required', 'string', 'max:100']]);

        return new JsonResponse(['data' => $findThings(trim($asked['text']))]);
    }
}
