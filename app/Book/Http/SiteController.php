<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Site;
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

/** Where the work is done. */
final class SiteController
{
    use Paged;
    use Versioned;

    #[
        OA\Get(
            path: '/api/v1/sites',
            operationId: 'listSites',
            summary: 'By name, paged by cursor',
            tags: ['Sites'],
            parameters: [new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string'))],
        ),
    ]
    #[Returns('Site', page: true)]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Site::class);
        $search = $this->search($request);

        return $this->page(
            Site::query()
                ->withCount('vehicles')
                ->with('admissions')
                ->when(
                    $search !== '',
                    fn($query) => $query->whereAny(['name', 'address'], 'ilike', $this->like($search)),
                )
                ->orderBy('name')
                ->orderBy('id')
                ->cursorPaginate($this->size($request)),
            SiteResource::class,
        );
    }

    #[OA\Post(path: '/api/v1/sites', operationId: 'createSite', tags: ['Sites'])]
    #[Takes('SiteInput')]
    #[Returns('Site', 201)]
    public function store(SiteRequest $request): JsonResponse
    {
        Gate::authorize('create', Site::class);
        $site = DB::transaction(fn(): Site => $this->put($request, new Site()));

        return $this->sent(new SiteResource($site->loadCount('vehicles')->refresh()), $site, 201);
    }

    #[OA\Get(path: '/api/v1/sites/{site}', operationId: 'showSite', tags: ['Sites'])]
    #[Returns('Site')]
    public function show(Site $site): JsonResponse
    {
        Gate::authorize('view', $site);

        return $this->sent(new SiteResource($site->loadCount('vehicles')), $site);
    }

    #[
        OA\Patch(
            path: '/api/v1/sites/{site}',
            operationId: 'updateSite',
            summary: 'Change some fields; needs If-Match',
            tags: ['Sites'],
        ),
    ]
    #[IfMatch]
    #[Takes('SiteInput')]
    #[Returns('Site')]
    public function update(SiteRequest $request, Site $site): JsonResponse
    {
        Gate::authorize('update', $site);
        $site = $this->changed(
            $request,
            $site,
            static fn(Site $row): SiteResource => new SiteResource($row),
            fn(Site $row): Site => $this->put($request, $row),
        );

        return $this->sent(new SiteResource($site->loadCount('vehicles')), $site);
    }

    #[
        OA\Delete(
            path: '/api/v1/sites/{site}',
            operationId: 'deleteSite',
            summary: 'Remove; vehicles stay and lose only the link',
            tags: ['Sites'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Site $site, Removals $removals): Response
    {
        Gate::authorize('archive', $site);
        $removals->remove($site);

        return response()->noContent();
    }

    private function put(SiteRequest $request, Site $site): Site
    {
        $facts = $request->validated();
        $register = $facts['admissions'] ?? null;
        $site->fill(array_diff_key($facts, ['admissions' => 1]))->save();
        if (is_array($register)) {
            $site->admissions()->delete();
            // The same person twice in a crew is one; the earlier end holds.
            $by = [];
            foreach ($register as $one) {
                $key = $one['crew_id'] . ' ' . mb_strtolower(trim($one['person']));
                $by[$key] = [
                    'crew_id' => $one['crew_id'],
                    'person' => trim($one['person']),
                    'valid_until' => collect([$one['valid_until'] ?? null, $by[$key]['valid_until'] ?? null])
                        ->filter()
                        ->min(),
                ];
            }
            $site->admissions()->createMany(array_values($by));
            $site->unsetRelation('admissions');
        }

        return $site;
    }
}
