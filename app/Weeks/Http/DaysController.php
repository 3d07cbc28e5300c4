<?php

declare(strict_types=1);

namespace App\Weeks\Http;

use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Says\Teller;
use App\Tables\UnreadableFile;
use App\Tenancy\Removals;
use App\Tenancy\Tenancy;
use App\Weeks\Closure;
use App\Weeks\Deadline;
use App\Weeks\ReadCalendar;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Exists;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;

/** Days that matter to the plan: deadlines, and days on which a vehicle is away, a place is shut or nobody works. */
#[
    Shape(
        'Deadline',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('on', 'date'),
        new Field('within_days', 'integer'),
        new Field('note', 'string?'),
    ),
]
#[
    Shape(
        'DeadlineInput',
        new Field('vehicle_id', 'uuid'),
        new Field('on', 'date'),
        new Field('within_days?', 'integer', 'Not earlier than so many days before'),
        new Field('note?', 'string?'),
    ),
]
#[
    Shape(
        'Closure',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid?'),
        new Field('site_id', 'uuid?'),
        new Field('from_on', 'date'),
        new Field('to_on', 'date'),
        new Field('note', 'string?'),
    ),
]
#[
    Shape(
        'ClosureInput',
        new Field('vehicle_id?', 'uuid?'),
        new Field('site_id?', 'uuid?', 'Neither: nobody works'),
        new Field('from_on', 'date'),
        new Field('to_on', 'date'),
        new Field('note?', 'string?'),
    ),
]
#[
    Shape(
        'DaysImport',
        new Field('vehicle_id', 'uuid'),
        new Field('ics', 'string', 'RFC 5545'),
        new Field('as', 'string', null, ['closed', 'deadline']),
        new Field('within_days?', 'integer'),
        new Field('dry?', 'boolean'),
    ),
]
#[Shape('DaysFound', new Field('from', 'date'), new Field('to', 'date'), new Field('note', 'string'))]
#[Shape('Days', new Field('deadlines', 'Deadline[]'), new Field('closures', 'Closure[]'))]
final readonly class DaysController
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    #[
        OA\Get(
            path: '/api/v1/days',
            operationId: 'listDays',
            summary: 'Deadlines and closed days that are not over',
            tags: ['Weeks'],
            parameters: [new OA\QueryParameter(name: 'vehicle', schema: new OA\Schema(type: 'string', format: 'uuid'))],
        ),
    ]
    #[Returns('Days')]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $vehicle = $request->validate(['vehicle' => ['sometimes', 'uuid']])['vehicle'] ?? null;
        $today = $this->tenancy->workspace()->dateOf($this->clock->now());

        return new JsonResponse([
            'deadlines' => Deadline::query()
                ->where('on', '>=', $today)
                ->when($vehicle !== null, static fn($query) => $query->where('vehicle_id', $vehicle))
                ->orderBy('on')
                ->get()
                ->map($this->deadlineAs(...))
                ->all(),
            'closures' => Closure::query()
                ->where('to_on', '>=', $today)
                ->when($vehicle !== null, static fn($query) => $query->where('vehicle_id', $vehicle))
                ->orderBy('from_on')
                ->get()
                ->map($this->closureAs(...))
                ->all(),
        ]);
    }

    #[OA\Post(path: '/api/v1/deadlines', operationId: 'setDeadline', tags: ['Weeks'])]
    #[Takes('DeadlineInput')]
    #[Returns('Deadline', 201)]
    public function deadline(Request $request): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $facts = $request->validate([
            'vehicle_id' => ['required', 'uuid', $this->mine('vehicles')],
            'on' => [
                'required',
                'date_format:Y-m-d',
                'after_or_equal:' . $this->tenancy->workspace()->dateOf($this->clock->now()),
            ],
            'within_days' => ['sometimes', 'integer', 'between:0,60'],
            'note' => ['sometimes', 'nullable', 'string', 'max:240'],
        ]);
        $deadline = Deadline::query()->updateOrCreate(
            ['vehicle_id' => $facts['vehicle_id'], 'on' => $facts['on']],
            ['within_days' => $facts['within_days'] ?? 2, 'note' => $facts['note'] ?? null],
        );

        return new JsonResponse($this->deadlineAs($deadline->refresh()), 201);
    }

    #[OA\Delete(path: '/api/v1/deadlines/{deadline}', operationId: 'dropDeadline', tags: ['Weeks'])]
    #[Returns(null, 204)]
    public function dropDeadline(Deadline $deadline, Removals $removals): Response
    {
        Gate::authorize('create', Vehicle::class);
        $removals->remove($deadline);

        return response()->noContent();
    }

    #[OA\Post(path: '/api/v1/closures', operationId: 'closeDays', tags: ['Weeks'])]
    #[Takes('ClosureInput')]
    #[Returns('Closure', 201)]
    public function closure(Request $request): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $facts = $request->validate(
            [
                'vehicle_id' => ['sometimes', 'nullable', 'uuid', 'prohibits:site_id', $this->mine('vehicles')],
                'site_id' => ['sometimes', 'nullable', 'uuid', $this->mine('sites')],
                'from_on' => ['required', 'date_format:Y-m-d'],
                'to_on' => ['required', 'date_format:Y-m-d', 'after_or_equal:from_on'],
                'note' => ['sometimes', 'nullable', 'string', 'max:240'],
            ],
            ['to_on.after_or_equal' => Teller::here()->say('weeks.last-before-first')],
        );

        return new JsonResponse($this->closureAs(Closure::query()->create($facts)->refresh()), 201);
    }

    #[OA\Delete(path: '/api/v1/closures/{closure}', operationId: 'openDays', tags: ['Weeks'])]
    #[Returns(null, 204)]
    public function dropClosure(Closure $closure, Removals $removals): Response
    {
        Gate::authorize('create', Vehicle::class);
        $removals->remove($closure);

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/api/v1/days/import',
            operationId: 'importDays',
            summary: 'A client’s calendar as days away or deadlines; dry shows what would be done',
            tags: ['Weeks'],
        ),
    ]
    #[Takes('DaysImport')]
    #[Returns('DaysFound', list: true)]
    public function import(Request $request, ReadCalendar $readCalendar): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $facts = $request->validate([
            'vehicle_id' => ['required', 'uuid', $this->mine('vehicles')],
            'ics' => ['required', 'string', 'max:400000'],
            'as' => ['required', 'in:closed,deadline'],
            'within_days' => ['sometimes', 'integer', 'between:0,60'],
            'dry' => ['sometimes', 'boolean'],
        ]);
        try {
            return new JsonResponse([
                'data' => $readCalendar(
                    Vehicle::query()->whereKey($facts['vehicle_id'])->firstOrFail(),
                    $facts['ics'],
                    $facts['as'] === 'deadline' ? 'deadline' : 'closed',
                    (int) ($facts['within_days'] ?? 2),
                    (bool) ($facts['dry'] ?? false),
                ),
            ]);
        } catch (UnreadableFile $e) {
            throw Problem::field('ics', $e->says);
        }
    }

    private function mine(string $table): Exists
    {
        return Rule::exists($table, 'id')->where('workspace_id', $this->tenancy->workspace()->id);
    }

    /** @return Told<'Deadline'> */
    private function deadlineAs(Deadline $deadline): array
    {
        return [...$deadline->only(['id', 'vehicle_id', 'within_days', 'note']), 'on' => $deadline->on->toDateString()];
    }

    /** @return Told<'Closure'> */
    private function closureAs(Closure $closure): array
    {
        return [
            ...$closure->only(['id', 'vehicle_id', 'site_id', 'note']),
            'from_on' => $closure->from_on->toDateString(),
            'to_on' => $closure->to_on->toDateString(),
        ];
    }
}
