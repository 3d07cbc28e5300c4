<?php

declare(strict_types=1);

namespace App\Weeks\Http;

use App\Book\PlannedVisit;
use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\TableFile;
use App\Problems\Problem;
use App\Record\Overtaken;
use App\Says\Teller;
use App\Tenancy\OneMoment;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Weeks\CancelVisit;
use App\Weeks\DrawWeeks;
use App\Weeks\GatherWeeks;
use App\Weeks\Plan;
use App\Weeks\PlanRun;
use App\Weeks\ReplanWeeks;
use App\Weeks\SearchPlan;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Planning\Alternatives;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Says\Said;

/** The plan: the next weeks for everyone. */
#[Shape('WeeksTripVisit', new Field('vehicle_id', 'uuid'), new Field('minutes', 'integer'))]
#[
    Shape(
        'WeeksTrip',
        new Field('place', 'string?'),
        new Field('travel', 'integer'),
        new Field('visits', 'WeeksTripVisit[]', 'All on this one trip'),
    ),
]
#[
    Shape(
        'WeeksLoad',
        new Field('on', 'date'),
        new Field('minutes', 'integer', 'The crew’s day'),
        new Field('work', 'integer'),
        new Field('travel', 'integer'),
        new Field('in_ten', 'integer', 'Nine such days in ten stay within, travel included'),
        new Field('trips', 'WeeksTrip[]'),
    ),
]
#[
    Shape(
        'WeeksCrew',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('people', 'integer'),
        new Field('days', 'WeeksLoad[]'),
    ),
]
#[
    Shape(
        'WeeksSky',
        new Field('on', 'date'),
        new Field('wash', 'string', null, ['ok', 'poor', 'no']),
        new Field('topper', 'string', null, ['ok', 'no']),
    ),
]
#[Shape('WeeksCycle', new Field('from', 'date'), new Field('due', 'date'), new Field('late', 'date?'))]
#[Shape('WeeksDeadline', new Field('from', 'date'), new Field('on', 'date'))]
#[
    Shape(
        'WeeksMinutes',
        new Field('wash', 'integer'),
        new Field('topper', 'integer'),
        new Field('decon', 'integer'),
        new Field('inspection', 'integer'),
        new Field('base', 'integer'),
    ),
]
#[
    Shape(
        'WeeksVehicle',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('client', 'string?'),
        new Field('site_id', 'uuid?'),
        new Field('site', 'string?'),
        new Field('minutes', 'WeeksMinutes'),
        new Field('min', 'integer'),
        new Field('target', 'integer'),
        new Field('max', 'integer'),
        new Field('last_on', 'date'),
        new Field('topper', 'WeeksCycle?'),
        new Field('decon', 'WeeksCycle?'),
        new Field('inspection', 'WeeksCycle?'),
        new Field('base', 'WeeksCycle?'),
        new Field('says', 'said?', 'Why it can’t be laid out as things stand'),
        new Field('deadlines', 'WeeksDeadline[]'),
        new Field('closed', 'date[]'),
    ),
]
#[
    Shape(
        'WeeksVisit',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('crew_id', 'uuid'),
        new Field('on', 'date'),
        new Field('kinds', 'string[]'),
        new Field('scope', 'string'),
        new Field('locked', 'boolean'),
        new Field('minutes', 'integer'),
        new Field('nine_in_ten', 'integer?', 'Of visits of the next two weeks'),
        new Field('problem', 'said?', 'Why it can’t be worked as things stand'),
        new Field('proposed', 'string?', 'How it stands with the client', ['waiting', 'sent', 'accepted', 'asked']),
    ),
]
#[
    Shape(
        'WeeksWish',
        new Field('visit_id', 'uuid'),
        new Field('vehicle', 'string'),
        new Field('on', 'date'),
        new Field('wish_on', 'date?'),
        new Field('wish', 'string?'),
    ),
]
#[
    Shape(
        'WeeksUnmet',
        new Field('vehicle_id', 'uuid'),
        new Field('vehicle', 'string'),
        new Field('what', 'string'),
        new Field('why', 'said'),
    ),
]
#[Shape('WeeksMoves', new Field('vehicle', 'string'), new Field('gone', 'string[]'), new Field('new', 'string[]'))]
#[
    Shape(
        'WeeksPlan',
        new Field('id', 'uuid'),
        new Field('made_at', 'date-time'),
        new Field('why', 'said'),
        new Field('cost', 'number'),
        new Field('bound', 'number', 'No plan of these weeks costs less'),
        new Field('moves', 'WeeksMoves[]', 'Against what stood before'),
    ),
]
#[
    Shape(
        'PlanRun',
        new Field('id', 'uuid'),
        new Field('status', 'string', null, ['waiting', 'running', 'done', 'stopped', 'overtaken', 'failed']),
        new Field('progress', 'number'),
        new Field('says', 'said?'),
    ),
]
#[
    Shape(
        'Weeks',
        new Field('start', 'date'),
        new Field('days', 'integer'),
        new Field('crews', 'WeeksCrew[]'),
        new Field('weather', 'WeeksSky[]'),
        new Field('vehicles', 'WeeksVehicle[]'),
        new Field('visits', 'WeeksVisit[]'),
        new Field('wishes', 'WeeksWish[]', 'Clients who asked for another day'),
        new Field('unmet', 'WeeksUnmet[]'),
        new Field('cost', 'number'),
        new Field('stay', 'number', 'Points a visit that stands must save before it moves'),
        new Field('plan', 'WeeksPlan?'),
        new Field('run', 'PlanRun?'),
    ),
]
#[Shape('PlanAsk', new Field('afresh?', 'boolean', 'Forget what was planned, locks excepted'))]
#[Shape('PlanUndo', new Field('plan?', 'uuid', 'The one to take back; the newest when left out'))]
#[Shape('VisitMove', new Field('on', 'date'))]
#[
    Shape(
        'VisitCancel',
        new Field('by', 'string', null, ['us', 'client', 'weather']),
        new Field('why', 'said'),
        new Field('again', 'boolean', 'Look for another day; otherwise it is left out until the visit after it'),
    ),
]
#[Shape('VisitLock', new Field('locked', 'boolean'))]
#[
    Shape(
        'ElseDay',
        new Field('on', 'date'),
        new Field('cost', 'number?', 'Points more than now'),
        new Field('worth', 'said?', 'How good it is, in words'),
        new Field('why', 'said?', 'Why it can’t be'),
        new Field('road_min', 'integer?', 'Minutes more on the road; below nought: fewer'),
        new Field('over_min', 'integer?', 'Minutes more beyond the crew’s hours'),
        new Field('cost_minor', 'integer?', 'What the road there costs more, in hundredths'),
    ),
]
#[Shape('VisitElse', new Field('why', 'said[]'), new Field('days', 'ElseDay[]'))]
final readonly class WeeksController
{
    public function __construct(
        private Tenancy $tenancy,
        private DrawWeeks $drawWeeks,
        private ReplanWeeks $replanWeeks,
        private ClockInterface $clock,
    ) {}

    #[OA\Get(path: '/api/v1/weeks', operationId: 'showWeeks', summary: 'The next weeks as they stand', tags: ['Weeks'])]
    #[Returns('Weeks')]
    public function show(): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);

        return new JsonResponse(($this->drawWeeks)());
    }

    #[
        OA\Post(
            path: '/api/v1/weeks/plan',
            operationId: 'planWeeks',
            summary: 'Search for a plan; ask for the run to hear how far it is',
            tags: ['Weeks'],
        ),
    ]
    #[Takes('PlanAsk')]
    #[Returns('PlanRun', 202)]
    public function plan(Request $request): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $asked = $request->validate(['afresh' => ['sometimes', 'boolean']]);
        $going = PlanRun::query()
            ->whereIn('status', ['waiting', 'running'])
            ->where('asked_at', '>', CarbonImmutable::instance($this->clock->now())->subMinutes(10))
            ->orderByDesc('asked_at')
            ->first();
        if ($going === null) {
            $going = PlanRun::query()->create([
                'asked_by' => $request->user()?->getAuthIdentifier(),
                'status' => 'waiting',
                'progress' => 0,
                'asked_at' => $this->clock->now(),
            ]);
            SearchPlan::dispatch($this->tenancy->workspace()->id, $going->id, (bool) ($asked['afresh'] ?? false));
        }

        return new JsonResponse($going->refresh()->only(['id', 'status', 'progress', 'says']), 202);
    }

    #[
        OA\Get(
            path: '/api/v1/weeks/runs/{run}',
            operationId: 'showPlanRun',
            summary: 'How far a search is',
            tags: ['Weeks'],
        ),
    ]
    #[Returns('PlanRun')]
    public function run(PlanRun $run): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);

        return new JsonResponse($run->only(['id', 'status', 'progress', 'says']));
    }

    #[
        OA\Delete(
            path: '/api/v1/weeks/runs/{run}',
            operationId: 'stopPlanRun',
            summary: 'Stop a search; the best found until then stands',
            tags: ['Weeks'],
        ),
    ]
    #[Returns(null, 204)]
    public function stop(PlanRun $run): Response
    {
        Gate::authorize('create', Vehicle::class);
        PlanRun::query()
            ->whereKey($run->id)
            ->whereIn('status', ['waiting', 'running'])
            ->update([
                'status' => 'stopped',
                'says' => json_encode(Said::of('search.stopped-before'), JSON_THROW_ON_ERROR),
            ]);

        return response()->noContent();
    }

    #[
        OA\Get(
            path: '/api/v1/weeks/visits/{visit}/else',
            operationId: 'visitElse',
            summary: 'Why here, and what any other day would cost',
            tags: ['Weeks'],
        ),
    ]
    #[Returns('VisitElse')]
    public function elsewhere(PlannedVisit $visit, GatherWeeks $gatherWeeks): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $else = $this->alternatives($visit, $gatherWeeks);

        return new JsonResponse([
            'why' => $else->why,
            'days' => array_map(
                fn(int $day, array $of): array => [
                    'on' => Day::date($day),
                    ...$of,
                    'worth' => $of['cost'] === null ? null : Alternatives::worth($of['cost']),
                    ...$this->toll($else, $day),
                ],
                array_keys($else->days),
                array_values($else->days),
            ),
        ]);
    }

    /** @return array{road_min: int|null, over_min: int|null, cost_minor: int|null} against where it stands */
    private function toll(Alternatives $else, int $day): array
    {
        $there = $else->tolls[$day] ?? null;
        if ($there === null) {
            return ['road_min' => null, 'over_min' => null, 'cost_minor' => null];
        }
        $rates = $this->tenancy->workspace()->rates();

        return [
            'road_min' => $there['road'] - $else->toll['road'],
            'over_min' => $there['over'] - $else->toll['over'],
            'cost_minor' => (int) round(
                $rates->road($there['road'], $there['people']) -
                    $rates->road($else->toll['road'], $else->toll['people']),
            ),
        ];
    }

    #[
        OA\Post(
            path: '/api/v1/weeks/visits/{visit}/move',
            operationId: 'moveVisit',
            summary: 'Put a visit on another day and lock it there; the rest adapts',
            tags: ['Weeks'],
        ),
    ]
    #[Takes('VisitMove')]
    #[Returns('Weeks')]
    public function move(Request $request, PlannedVisit $visit, GatherWeeks $gatherWeeks): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $today = $this->tenancy->workspace()->dateOf($this->clock->now());
        $on = $request->validate(
            [
                'on' => [
                    'required',
                    'date_format:Y-m-d',
                    'after:' . $today,
                    'before:' .
                    CarbonImmutable::parse($today)
                        ->addDays(GatherWeeks::DAYS + 1)
                        ->toDateString(),
                ],
            ],
            [
                'on.after' => Teller::here()->say('weeks.moves-ahead'),
                'on.before' => Teller::here()->say('weeks.too-far'),
            ],
        )['on'];
        $name = $visit->vehicle->name ?? '';
        $why =
            $this->alternatives($visit, $gatherWeeks, GatherWeeks::DAYS)->days[Day::number('on', $on)]['why'] ?? null;
        if ($why !== null) {
            throw ValidationException::withMessages([
                'on' => Teller::here()->say('weeks.not-there', why: $why),
            ]);
        }

        return $this->changed(
            $request,
            Said::of('plan.moved', vehicle: $name, from: Said::day($visit->on->toDateString()), to: Said::day($on)),
            static function (array $visits) use ($visit, $on): array {
                $from = $visit->on->toDateString();
                $moved = [];
                foreach ($visits as $one) {
                    if ($one['vehicle'] !== $visit->vehicle_id || ($one['date'] !== $from && $one['date'] !== $on)) {
                        $moved[] = $one;
                    } elseif ($one['date'] === $from) {
                        $moved[] = [...$one, 'date' => $on, 'locked' => true];
                    }
                }

                return $moved;
            },
        );
    }

    #[
        OA\Patch(
            path: '/api/v1/weeks/visits/{visit}',
            operationId: 'lockVisit',
            summary: 'Lock a visit to its day, or let it go',
            tags: ['Weeks'],
        ),
    ]
    #[Takes('VisitLock')]
    #[Returns('Weeks')]
    public function lock(Request $request, PlannedVisit $visit): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $locked = $request->validate(['locked' => ['required', 'boolean']])['locked'];
        $visit->update(['locked' => $locked]);

        return new JsonResponse(($this->drawWeeks)());
    }

    #[
        OA\Post(
            path: '/api/v1/weeks/visits/{visit}/cancel',
            operationId: 'cancelVisit',
            summary: 'It will not be: why, by whom, and whether another day is looked for',
            tags: ['Weeks'],
        ),
    ]
    #[Takes('VisitCancel')]
    #[Returns('Weeks')]
    public function cancel(Request $request, PlannedVisit $visit, CancelVisit $cancelVisit): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        /** @var array{by: string, why: string, again: bool} $given */
        $given = $request->validate([
            'by' => ['required', 'in:us,client,weather'],
            'why' => ['required', 'string', 'min:3', 'max:240'],
            'again' => ['required', 'boolean'],
        ]);
        $cancelVisit($visit, $given['by'], $given['why'], (bool) $given['again']);

        return new JsonResponse(($this->drawWeeks)());
    }

    #[
        OA\Post(
            path: '/api/v1/weeks/undo',
            operationId: 'undoPlan',
            summary: 'What stood before the newest plan stands again',
            tags: ['Weeks'],
        ),
    ]
    #[Takes('PlanUndo')]
    #[Returns('Weeks')]
    public function undo(Request $request): JsonResponse
    {
        Gate::authorize('create', Vehicle::class);
        $plan = $request->validate(['plan' => ['sometimes', 'uuid']])['plan'] ?? null;
        if (!$this->replanWeeks->undo($plan)) {
            throw Problem::conflict(Said::of($plan === null ? 'weeks.none-to-undo' : 'weeks.newer-plan'));
        }

        return new JsonResponse(($this->drawWeeks)());
    }

    #[
        OA\Get(
            path: '/api/v1/weeks/instance',
            operationId: 'planInstance',
            summary: 'The newest plan as the model takes and gives it, to be planned again anywhere',
            tags: ['Weeks'],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'input and answer',
                    content: new OA\JsonContent(type: 'object'),
                ),
            ],
        ),
    ]
    public function instance(): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $plan =
            Plan::query()->whereNull('undone_at')->orderByDesc('made_at')->orderByDesc('id')->first() ??
            throw Problem::conflict(Said::of('weeks.none'));

        return new JsonResponse(
            [
                'input' => [
                    ...$plan->instance,
                    'before' => array_map(
                        static fn(array $visit): array => array_diff_key($visit, ['locked' => 1]),
                        $plan->after,
                    ),
                ],
                'answer' => [
                    'visits' => array_map(
                        static fn(array $visit): array => array_diff_key($visit, ['locked' => 1]),
                        $plan->after,
                    ),
                    'unmet' => $plan->unmet,
                    'cost' => $plan->cost,
                    'breakdown' => $plan->breakdown,
                    'bound' => $plan->bound,
                ],
            ],
            headers: ['Content-Disposition' => 'attachment; filename="vicissa-plan.json"'],
        );
    }

    #[
        OA\Get(
            path: '/api/v1/weeks/file',
            operationId: 'planFile',
            summary: 'The visits as CSV',
            tags: ['Weeks'],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'CSV',
                    content: new OA\MediaType(mediaType: 'text/csv', schema: new OA\Schema(type: 'string')),
                ),
            ],
        ),
    ]
    public function file(): Response
    {
        Gate::authorize('viewAny', Vehicle::class);
        $weeks = ($this->drawWeeks)();
        $vehicles = array_column($weeks['vehicles'], null, 'id');
        $crews = array_column($weeks['crews'], 'name', 'id');
        $lines = [];
        foreach ($weeks['visits'] as $visit) {
            $vehicle = $vehicles[$visit['vehicle_id']];
            $lines[] = [
                $visit['on'],
                $vehicle['name'],
                $vehicle['client'] ?? '',
                $vehicle['site'] ?? '',
                $crews[$visit['crew_id']] ?? '',
                implode(' ', $visit['kinds']),
                (string) $visit['minutes'],
                $visit['locked'] ? 'yes' : '',
            ];
        }

        return TableFile::of(
            'vicissa-weeks.csv',
            ['date', 'vehicle', 'client', 'place', 'crew', 'kinds', 'minutes', 'locked'],
            $lines,
        );
    }

    private function alternatives(PlannedVisit $visit, GatherWeeks $gatherWeeks, int $around = 28): Alternatives
    {
        $instance = $gatherWeeks()->instance;
        // While the weeks were gathered somebody may have moved it: where it stands is asked together with the plan.
        [$standing, $on] = OneMoment::of(
            fn(): array => [$this->replanWeeks->standing(), $visit->refresh()->on->toDateString()],
        );

        return Alternatives::to(
            $instance,
            $this->replanWeeks->visits($standing, $instance),
            $visit->vehicle_id,
            Day::number('on', $on),
            $around,
        );
    }

    /**
     * @param Closure(list<array{vehicle: string, date: string, crew: string, kinds: list<string>,
     *     locked: bool}>): list<array{vehicle: string, date: string, crew: string, kinds: list<string>,
     *     locked: bool}> $change
     */
    private function changed(Request $request, Said $why, Closure $change): JsonResponse
    {
        $user = $request->user();
        try {
            ($this->replanWeeks)($why, $user instanceof User ? $user : null, $change, shakes: 60);
        } catch (Overtaken) {
            throw Problem::conflict(Said::of('weeks.overtaken'));
        }

        return new JsonResponse(($this->drawWeeks)());
    }
}
