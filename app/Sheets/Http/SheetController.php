<?php

declare(strict_types=1);

namespace App\Sheets\Http;

use App\Book\Vehicle;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Record\Sheet;
use App\Record\SheetEvent;
use App\Sheets\FinishSheet;
use App\Sheets\LaySheet;
use App\Sheets\NoteSheetEvents;
use App\Sheets\RematchSheet;
use App\Sheets\VisitGoesOn;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Turns\Http\TurnController;
use App\Turns\Http\TurnRequest;
use App\Turns\Http\TurnResource;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** The sheet: a visit laid out, worked on the driveway, closed as a turn. */
final class SheetController
{
    private const WHOLE = ['vehicle.site', 'vehicle.client', 'events.writer', 'photos', 'holder', 'workspace'];

    public function __construct(private readonly Tenancy $tenancy, private readonly ClockInterface $clock) {}

    #[
        OA\Get(
            path: '/api/v1/sheets',
            operationId: 'listSheets',
            summary: 'A day’s sheets, and those of the day before that somebody is still at',
            tags: ['Sheets'],
            parameters: [
                new OA\QueryParameter(
                    name: 'on',
                    description: 'Today when left out',
                    schema: new OA\Schema(type: 'string', format: 'date'),
                ),
            ],
        ),
    ]
    #[Returns('SheetLine', list: true)]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $asked = $request->validate(['on' => ['sometimes', 'date_format:Y-m-d']]);
        $day = $asked['on'] ?? $this->today();
        $sheets = Sheet::query()
            ->with(['vehicle', 'holder'])
            ->withCount([
                'events as done_count' => static fn($query) => $query
                    ->select(DB::raw('count(distinct step)'))
                    ->whereIn('kind', ['end', 'skip']),
            ])
            ->selectRaw(
                "id, vehicle_id, \"on\", crew, status, holder_id, turn_id, version, plan->'finish' as finish, jsonb_array_length(plan->'steps') as steps_count",
            )
            ->where(
                static fn(Builder $query) => $query
                    ->where(static fn(Builder $query) => $query->where('on', $day)->where('status', '!=', 'dropped'))
                    ->orWhere(
                        static fn(Builder $query) => $query
                            ->where('on', CarbonImmutable::parse($day)->subDay()->toDateString())
                            ->where('status', 'begun'),
                    ),
            )
            ->orderBy('created_at')
            ->orderBy('id')
            ->get();

        return new JsonResponse([
            'data' => $sheets
                ->map(
                    static fn(Sheet $sheet): array => [
                        ...$sheet->only(['id', 'vehicle_id', 'crew', 'status', 'turn_id', 'version']),
                        'vehicle' => $sheet->vehicle->name ?? '',
                        'on' => $sheet->on->toDateString(),
                        'holder' => $sheet->holder?->name,
                        'finish' => is_numeric($sheet->getAttribute('finish'))
                            ? (int) $sheet->getAttribute('finish')
                            : null,
                        'steps' => (int) $sheet->getAttribute('steps_count'),
                        'done' => (int) $sheet->getAttribute('done_count'),
                    ],
                )
                ->all(),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/sheets',
            operationId: 'laySheet',
            summary: 'Lay a visit out, from what was seen or what is to be expected',
            tags: ['Sheets'],
        ),
    ]
    #[Takes('SheetInput')]
    #[Returns('Sheet', 201)]
    public function store(Request $request, LaySheet $laySheet): JsonResponse
    {
        $given = $request->validate([
            'id' => ['sometimes', 'uuid', Rule::unique('sheets', 'id')],
            'vehicle_id' => [
                'required',
                'uuid',
                Rule::exists('vehicles', 'id')->where('workspace_id', $this->tenancy->workspace()->id),
            ],
            'on' => ['sometimes', 'date_format:Y-m-d'],
            'crew' => ['sometimes', 'integer', 'between:1,8'],
            'scope' => ['sometimes', 'string', 'max:80'],
            'facts' => ['sometimes', 'array'],
        ]);
        $vehicle = Vehicle::query()->with('site')->whereKey($given['vehicle_id'])->firstOrFail();
        Gate::authorize('update', $vehicle);
        try {
            $sheet = $laySheet(
                $vehicle,
                $given['on'] ?? $this->today(),
                $given['crew'] ?? null,
                $given['facts'] ?? null,
                $given['id'] ?? null,
                $given['scope'] ?? null,
            );
        } catch (VisitGoesOn $e) {
            throw Problem::goesOn(
                Said::of(
                    'sheet.goes-on',
                    vehicle: $vehicle->name,
                    name: $e->sheet->holder->name ?? Said::of('sheet.someone'),
                ),
                ['id' => $e->sheet->id],
            );
        }

        return $this->whole($sheet, 201);
    }

    #[OA\Get(path: '/api/v1/sheets/{sheet}', operationId: 'showSheet', tags: ['Sheets'])]
    #[Returns('Sheet')]
    public function show(Sheet $sheet): JsonResponse
    {
        Gate::authorize('view', $sheet);

        return $this->whole($sheet);
    }

    #[
        OA\Get(
            path: '/api/v1/sheets/{sheet}/pack',
            operationId: 'packSheet',
            summary: 'The sheet with all a phone needs for a day without signal: what the plan would be if something else were found',
            tags: ['Sheets'],
        ),
    ]
    #[Returns('SheetOtherwise')]
    public function pack(Sheet $sheet, LaySheet $laySheet): JsonResponse
    {
        Gate::authorize('view', $sheet);
        $sheet->load(self::WHOLE);

        return new JsonResponse([
            'sheet' => new SheetResource($sheet),
            'otherwise' => (object) array_map(SheetResource::plan(...), $laySheet->otherwise($sheet)),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/sheets/{sheet}/events',
            operationId: 'noteSheetEvents',
            summary: 'What happened, as the device wrote it down; each event once, however often it is sent',
            tags: ['Sheets'],
        ),
    ]
    #[Takes('SheetEventsInput')]
    #[Returns('Sheet')]
    public function note(Request $request, Sheet $sheet, NoteSheetEvents $noteSheetEvents): JsonResponse
    {
        Gate::authorize('update', $sheet);
        $given = $request->validate([
            'events' => ['required', 'array', 'max:500'],
            'events.*.id' => ['required', 'uuid', 'distinct'],
            'events.*.device' => ['required', 'uuid'],
            'events.*.seq' => ['required', 'integer', 'min:0', 'max:1000000'],
            'events.*.kind' => ['required', Rule::in(SheetEvent::KINDS)],
            'events.*.step' => ['sometimes', 'nullable', 'string', 'max:40'],
            'events.*.facts' => ['sometimes', 'array', 'max:40'],
            'events.*.at' => ['required', 'date', 'after:2020-01-01', 'before:+1 day'],
        ]);

        return $this->whole($noteSheetEvents($sheet, $this->writer($request), array_values($given['events'])));
    }

    #[
        OA\Post(
            path: '/api/v1/sheets/{sheet}/rematch',
            operationId: 'rematchSheet',
            summary: 'Something else was found: the rest of the visit, matched and laid out again',
            tags: ['Sheets'],
        ),
    ]
    #[Takes('RematchInput')]
    #[Returns('Sheet')]
    public function rematch(Request $request, Sheet $sheet, RematchSheet $rematchSheet): JsonResponse
    {
        Gate::authorize('update', $sheet);
        $given = $request->validate([
            'facts' => ['required', 'array'],
            'crew' => ['sometimes', 'integer', 'between:1,8'],
            'done' => ['sometimes', 'array', 'max:200'],
            'done.*' => ['string', 'max:40'],
        ]);

        return $this->whole(
            $rematchSheet(
                $sheet,
                $given['facts'],
                (int) ($given['crew'] ?? $sheet->crew),
                array_values($given['done'] ?? []),
            ),
        );
    }

    #[
        OA\Post(
            path: '/api/v1/sheets/{sheet}/finish',
            operationId: 'finishSheet',
            summary: 'Close the visit as a turn',
            tags: ['Sheets'],
        ),
    ]
    #[Takes('TurnInput')]
    #[Returns('SheetFinished', 201)]
    public function finish(TurnRequest $request, Sheet $sheet, FinishSheet $finishSheet): JsonResponse
    {
        Gate::authorize('update', $sheet);
        ['turn' => $turn, 'twice' => $twice] = $finishSheet($sheet, $this->writer($request), $request->validated());

        return new JsonResponse(
            ['turn' => new TurnResource($turn->load(TurnController::WHOLE)), 'twice' => $twice],
            201,
        );
    }

    #[
        OA\Delete(
            path: '/api/v1/sheets/{sheet}',
            operationId: 'dropSheet',
            summary: 'Not today: the sheet is put aside, what was noted on it is kept',
            tags: ['Sheets'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Sheet $sheet): Response
    {
        Gate::authorize('update', $sheet);
        Sheet::query()
            ->whereKey($sheet->id)
            ->whereIn('status', ['laid', 'begun'])
            ->update(['status' => 'dropped', 'version' => DB::raw('version + 1')]);

        return response()->noContent();
    }

    private function whole(Sheet $sheet, int $status = 200): JsonResponse
    {
        return (new SheetResource($sheet->load(self::WHOLE)))->response()->setStatusCode($status);
    }

    private function today(): string
    {
        return $this->tenancy->workspace()->dateOf($this->clock->now());
    }

    private function writer(Request $request): User
    {
        /** @var User */
        return $request->user();
    }
}
