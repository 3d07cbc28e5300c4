<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Controllers\Concerns\Paged;
use App\Http\Controllers\Concerns\Versioned;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Http\Requests\SiteRequest;
use App\Http\Resources\SiteResource;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Where the work is done. */
final class SiteController
{
    use Paged;
    use Versioned;

    #[OA\Get(path: '/api/v1/sites', operationId: 'listSites', summary: 'By name, paged by cursor', tags: ['Sites'], parameters: [
        new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'limit', schema: new OA\Schema(type: 'integer', maximum: 200)),
        new OA\QueryParameter(name: 'cursor', schema: new OA\Schema(type: 'string')),
    ])]
    #[Returns('Site', page: true)]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Site::class);
        $search = $request->string('search')->trim()->value();

        return $this->page(Site::query()->withCount('vehicles')
            ->when($search !== '', fn($query) => $query->whereAny(['name', 'address'], 'ilike', $this->like($search)))
            ->orderBy('name')->orderBy('id')->cursorPaginate($this->size($request)), SiteResource::class);
    }

    #[OA\Post(path: '/api/v1/sites', operationId: 'createSite', tags: ['Sites'], parameters: [new OA\HeaderParameter(name: 'Idempotency-Key', schema: new OA\Schema(type: 'string'))])]
    #[Takes('SiteInput')]
    #[Returns('Site', 201)]
    public function store(SiteRequest $request): JsonResponse
    {
        Gate::authorize('create', Site::class);
        $site = DB::transaction(static fn(): Site => Site::query()->create($request->validated()));

        return $this->sent(new SiteResource($site->loadCount('vehicles')->refresh()), $site, 201);
    }

    #[OA\Get(path: '/api/v1/sites/{site}', operationId: 'showSite', tags: ['Sites'], parameters: [new OA\PathParameter(name: 'site', required: true, schema: new OA\Schema(type: 'string', format: 'uuid'))])]
    #[Returns('Site')]
    public function show(Site $site): JsonResponse
    {
        Gate::authorize('view', $site);

        return $this->sent(new SiteResource($site->loadCount('vehicles')), $site);
    }

    #[OA\Patch(path: '/api/v1/sites/{site}', operationId: 'updateSite', summary: 'Change some fields; needs If-Match', tags: ['Sites'], parameters: [
        new OA\PathParameter(name: 'site', required: true, schema: new OA\Schema(type: 'string', format: 'uuid')),
        new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string')),
    ])]
    #[Takes('SiteInput')]
    #[Returns('Site')]
    public function update(SiteRequest $request, Site $site): JsonResponse
    {
        Gate::authorize('update', $site);
        $site = $this->changed($request, $site, static fn(Site $row): SiteResource => new SiteResource($row), static fn(Site $row): Site => $row->fill($request->validated()));
        return $this->sent(new SiteResource($site->loadCount('vehicles')), $site);
    }

    #[OA\Delete(path: '/api/v1/sites/{site}', operationId: 'deleteSite', summary: 'Remove; vehicles stay and lose only the link', tags: ['Sites'], parameters: [new OA\PathParameter(name: 'site', required: true, schema: new OA\Schema(type: 'string', format: 'uuid'))])]
    #[Returns(null, 204)]
    public function destroy(Site $site): Response
    {
        Gate::authorize('archive', $site);
        $site->delete();

        return response()->noContent();
    }
}
