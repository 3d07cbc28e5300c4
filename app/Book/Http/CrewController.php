<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Crew;
use App\Book\CrewDay;
use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\Versioned;
use App\Tenancy\Tenancy;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;

/** Who goes together, and when they work. */
#[
    Shape(
        'CrewInput',
        new Field('name?', 'string'),
        new Field('minutes?', 'CrewWeek'),
        new Field('people?', 'integer', 'How many they are'),
        new Field('members?', 'uuid[]', 'Those of them who sign in here'),
        new Field('days?', 'CrewDay[]', 'Days that differ; all of them'),
    ),
]
final class CrewController
{
    use Versioned;

    public function __construct(private readonly ClockInterface $clock, private readonly Tenancy $tenancy) {}

    #[OA\Get(path: '/api/v1/crews', operationId: 'listCrews', tags: ['Weeks'])]
    #[Returns('Crew', list: true)]
    public function index(): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);

        return new JsonResponse([
            'data' => CrewResource::collection(
                Crew::query()->with('days')->whereNull('archived_at')->orderBy('name')->orderBy('id')->get(),
            ),
        ]);
    }

    #[OA\Post(path: '/api/v1/crews', operationId: 'createCrew', tags: ['Weeks'])]
    #[Takes('CrewInput')]
    #[Returns('Crew', 201)]
    public function store(Request $request): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $facts = $this->facts($request, 'required');
        $crew = DB::transaction(function () use ($facts): Crew {
            $crew = Crew::query()->create([
                'name' => $facts['name'] ?? '',
                'minutes' => $facts['minutes'] ?? [],
                'people' => $facts['people'] ?? 1,
                'members' => $facts['members'] ?? [],
            ]);
            $this->days($crew, $facts['days'] ?? []);

            return $crew;
        });

        return $this->sent(new CrewResource($crew->refresh()->load('days')), $crew, 201);
    }

    #[
        OA\Patch(
            path: '/api/v1/crews/{crew}',
            operationId: 'updateCrew',
            summary: 'Change some fields; needs If-Match',
            tags: ['Weeks'],
        ),
    ]
    #[IfMatch]
    #[Takes('CrewInput')]
    #[Returns('Crew')]
    public function update(Request $request, Crew $crew): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $facts = $this->facts($request, 'sometimes');
        $crew = $this->changed(
            $request,
            $crew,
            static fn(Crew $row): CrewResource => new CrewResource($row->load('days')),
            function (Crew $row) use ($facts): void {
                $row->fill(array_intersect_key($facts, ['name' => 1, 'minutes' => 1, 'people' => 1, 'members' => 1]));
                if (isset($facts['days'])) {
                    $this->days($row, $facts['days']);
                }
            },
        );

        return $this->sent(new CrewResource($crew->load('days')), $crew);
    }

    #[
        OA\Delete(
            path: '/api/v1/crews/{crew}',
            operationId: 'archiveCrew',
            summary: 'Put away; its visits are planned anew with the next plan',
            tags: ['Weeks'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Crew $crew): Response
    {
        Gate::authorize('create', Vehicle::class);
        $crew->update(['archived_at' => $crew->archived_at ?? $this->clock->now()]);

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/api/v1/crews/{crew}/restore',
            operationId: 'restoreCrew',
            summary: 'Take out again',
            tags: ['Weeks'],
        ),
    ]
    #[Returns(null, 204)]
    public function restore(Crew $crew): Response
    {
        Gate::authorize('create', Vehicle::class);
        $crew->update(['archived_at' => null]);

        return response()->noContent();
    }

    /**
     * @return array{name?: string, minutes?: array<string, int>, people?: int, members?: list<string>,
     *     days?: list<array{on: string, minutes: int, note?: string|null}>}
     */
    private function facts(Request $request, string $new): array
    {
        /**
         * @var array{name?: string, minutes?: array<string, int>, people?: int, members?: list<string>,
         *     days?: list<array{on: string, minutes: int, note?: string|null}>}
         */
        return $request->validate([
            'name' => [$new, 'string', 'min:1', 'max:120'],
            'minutes' => ['sometimes', 'array:1,2,3,4,5,6,7'],
            'minutes.*' => ['integer', 'between:0,1440'],
            'people' => ['sometimes', 'integer', 'between:1,8'],
            'members' => ['sometimes', 'array', 'max:8'],
            'members.*' => [
                'uuid',
                'distinct',
                Rule::exists('memberships', 'user_id')->where('workspace_id', $this->tenancy->workspace()->id),
            ],
            'days' => ['sometimes', 'array', 'max:400'],
            'days.*.on' => ['required', 'date_format:Y-m-d', 'distinct'],
            'days.*.minutes' => ['required', 'integer', 'between:0,1440'],
            'days.*.note' => ['sometimes', 'nullable', 'string', 'max:120'],
        ]);
    }

    /** @param list<array{on: string, minutes: int, note?: string|null}> $days */
    private function days(Crew $crew, array $days): void
    {
        CrewDay::query()->where('crew_id', $crew->id)->delete();
        foreach ($days as $day) {
            CrewDay::query()->create([
                'crew_id' => $crew->id,
                'on' => $day['on'],
                'minutes' => $day['minutes'],
                'note' => $day['note'] ?? null,
            ]);
        }
    }
}
