<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Client;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Http\Paged;
use App\Http\Versioned;
use App\Tenancy\Removals;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Who owns the vehicles. */
final class ClientController
{
    use Paged;
    use Versioned;

    #[
        OA\Get(
            path: '/api/v1/clients',
            operationId: 'listClients',
            summary: 'By name, paged by cursor',
            tags: ['Clients'],
            parameters: [new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string'))],
        ),
    ]
    #[Returns('Client', page: true)]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Client::class);
        $search = $this->search($request);

        return $this->page(
            Client::query()
                ->withCount('vehicles')
                ->when(
                    $search !== '',
                    fn($query) => $query->whereAny(['name', 'contact', 'email'], 'ilike', $this->like($search)),
                )
                ->orderBy('name')
                ->orderBy('id')
                ->cursorPaginate($this->size($request)),
            ClientResource::class,
        );
    }

    #[OA\Post(path: '/api/v1/clients', operationId: 'createClient', tags: ['Clients'])]
    #[Takes('ClientInput')]
    #[Returns('Client', 201)]
    public function store(ClientRequest $request): JsonResponse
    {
        Gate::authorize('create', Client::class);
        $client = DB::transaction(static fn(): Client => Client::query()->create($request->validated()));

        return $this->sent(new ClientResource($client->loadCount('vehicles')->refresh()), $client, 201);
    }

    #[OA\Get(path: '/api/v1/clients/{client}', operationId: 'showClient', tags: ['Clients'])]
    #[Returns('Client')]
    public function show(Client $client): JsonResponse
    {
        Gate::authorize('view', $client);

        return $this->sent(new ClientResource($client->loadCount('vehicles')), $client);
    }

    #[
        OA\Patch(
            path: '/api/v1/clients/{client}',
            operationId: 'updateClient',
            summary: 'Change some fields; needs If-Match',
            tags: ['Clients'],
        ),
    ]
    #[IfMatch]
    #[Takes('ClientInput')]
    #[Returns('Client')]
    public function update(ClientRequest $request, Client $client): JsonResponse
    {
        Gate::authorize('update', $client);
        $client = $this->changed(
            $request,
            $client,
            static fn(Client $row): ClientResource => new ClientResource($row),
            static fn(Client $row): Client => $row->fill($request->validated()),
        );
        return $this->sent(new ClientResource($client->loadCount('vehicles')), $client);
    }

    #[
        OA\Delete(
            path: '/api/v1/clients/{client}',
            operationId: 'deleteClient',
            summary: 'Remove; vehicles stay and lose only the link',
            tags: ['Clients'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Client $client, Removals $removals): Response
    {
        Gate::authorize('archive', $client);
        $removals->remove($client);

        return response()->noContent();
    }
}
