<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Book\Vehicle;
use App\Film\RebuildWorkspace;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\Versioned;
use App\Tenancy\Tenancy;
use App\Tenancy\Workspace;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Vicissa\Core\House\House;
use Vicissa\Core\House\Number;
use Vicissa\Core\House\Numbers;

/** The numbers behind the rules, as a workspace has them. */
#[
    Shape(
        'HouseNumber',
        new Field('id', 'string'),
        new Field('group', 'said'),
        new Field('says', 'said'),
        new Field('unit', 'said'),
        new Field('value', 'number'),
        new Field('default', 'number'),
        new Field('low', 'number'),
        new Field('high', 'number'),
    ),
]
#[Shape('HouseNumbers', new Field('numbers', 'HouseNumber[]'))]
#[Shape('HouseNumbersInput', new Field('numbers', '{number}', 'By id; what is left out takes its default'))]
final readonly class NumbersController
{
    use Versioned;

    public function __construct(private Tenancy $tenancy) {}

    #[OA\Get(path: '/api/v1/numbers', operationId: 'showNumbers', tags: ['Workspace'])]
    #[Returns('HouseNumbers')]
    public function show(): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $workspace = $this->tenancy->workspace();

        return (new JsonResponse($this->told($workspace->numbers())))->header('ETag', $this->tag($workspace));
    }

    #[
        OA\Put(
            path: '/api/v1/numbers',
            operationId: 'setNumbers',
            summary: 'Needs If-Match of the workspace; layers are derived anew where they age otherwise',
            tags: ['Workspace'],
        ),
    ]
    #[IfMatch]
    #[Takes('HouseNumbersInput')]
    #[Returns('HouseNumbers')]
    public function update(Request $request): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $given = $request->validate(['numbers' => ['present', 'array']])['numbers'];
        $before = $this->tenancy->workspace()->numbers();
        $numbers = Numbers::of($given);
        $workspace = $this->changed(
            $request,
            $this->tenancy->workspace(),
            static fn(Workspace $row): WorkspaceResource => new WorkspaceResource($row),
            static fn(Workspace $row): Workspace => $row->fill(['numbers' => $numbers->own]),
        );
        $this->tenancy->renew($workspace);
        if (!$numbers->wearsLike($before)) {
            RebuildWorkspace::dispatch($workspace->id)->afterCommit();
        }

        return (new JsonResponse($this->told($numbers)))->header('ETag', $this->tag($workspace));
    }

    /** @return Told<'HouseNumbers'> */
    private function told(Numbers $numbers): array
    {
        $usual = new House();

        return [
            'numbers' => array_map(
                static fn(string $id, Number $one): array => [
                    'id' => $id,
                    'group' => $one->group,
                    'says' => $one->says,
                    'unit' => $one->unit,
                    'value' => $numbers->get($id),
                    'default' => $one->of($usual),
                    'low' => $one->low,
                    'high' => $one->high,
                ],
                array_keys(Numbers::catalogue()),
                array_values(Numbers::catalogue()),
            ),
        ];
    }
}
