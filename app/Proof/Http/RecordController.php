<?php

declare(strict_types=1);

namespace App\Proof\Http;

use App\Book\Vehicle;
use App\Door\DoorLog;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\ReturnsFile;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Proof\DrawRecord;
use App\Proof\RecordLink;
use App\Proof\RecordSheet;
use App\Record\Photo;
use App\Record\Turn;
use App\Says\Language;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Records as clients read them: as PDF, and behind an address that can be revoked and shows nothing else. */
#[
    Shape(
        'RecordVehicle',
        new Field('name', 'string'),
        new Field('model', 'string?'),
        new Field('plate', 'string?'),
        new Field('colour', 'string?'),
        new Field('client', 'string?'),
    ),
]
#[
    Shape(
        'RecordProduct',
        new Field('name', 'string'),
        new Field('role', 'string'),
        new Field('zone', 'string'),
        new Field('ml', 'number?'),
        new Field('batch', 'string?'),
    ),
]
#[
    Shape(
        'RecordReading',
        new Field('stage', 'string'),
        new Field('zone', 'string'),
        new Field('part', 'string'),
        new Field('behaviour', 'string'),
        new Field('angle_deg', 'number?'),
    ),
]
#[
    Shape(
        'RecordPhoto',
        new Field('id', 'uuid'),
        new Field('zone', 'string'),
        new Field('stage', 'string'),
        new Field('note', 'string?'),
        new Field('width', 'integer'),
        new Field('height', 'integer'),
    ),
]
#[
    Shape(
        'RecordTurn',
        new Field('id', 'uuid'),
        new Field('on', 'date'),
        new Field('by', 'string?'),
        new Field('minutes', 'integer?'),
        new Field('soil', 'integer'),
        new Field('grit', 'boolean'),
        new Field('method', 'said'),
        new Field('water', 'string'),
        new Field('water_l', 'number?'),
        new Field('clay', 'boolean'),
        new Field('looked_over', 'boolean'),
        new Field('note', 'string?'),
        new Field('corrected', 'boolean'),
        new Field('reason', 'string?'),
        new Field('products', 'RecordProduct[]'),
        new Field('readings', 'RecordReading[]'),
        new Field('says', 'said[]'),
        new Field('refused', 'Refusal[]'),
        new Field('seen', 'string[]', 'Of the base, where it was looked over'),
        new Field('left', 'string[]', 'Kinds that were planned and left for another visit'),
        new Field('photos', 'RecordPhoto[]'),
    ),
]
#[
    Shape(
        'RecordLayer',
        new Field('zone', 'string'),
        new Field('kind', 'string'),
        new Field('name', 'string'),
        new Field('family', 'string'),
        new Field('on', 'date'),
        new Field('until', 'date?'),
    ),
]
#[
    Shape(
        'RecordFilm',
        new Field('from', 'date-time'),
        new Field('to', 'date-time'),
        new Field('today', 'date-time'),
        new Field('ribbon', 'Ribbon?'),
    ),
]
#[
    Shape(
        'RecordDue',
        new Field('layer_id', 'uuid'),
        new Field('zone', 'string'),
        new Field('kind', 'string'),
        new Field('name', 'string'),
        new Field('from', 'date?'),
        new Field('due', 'date?'),
        new Field('late', 'date?'),
        new Field('look', 'date?'),
    ),
]
#[
    Shape(
        'Record',
        new Field('kind', 'string', null, ['turn', 'year', 'history']),
        new Field('business', 'string'),
        new Field('language', 'string?', 'What the client reads in', ['en', 'de']),
        new Field('from', 'date?'),
        new Field('to', 'date'),
        new Field('written_on', 'date'),
        new Field('vehicle', 'RecordVehicle'),
        new Field('turns', 'RecordTurn[]', 'Newest first'),
        new Field('layers', 'RecordLayer[]'),
        new Field('film', 'RecordFilm'),
        new Field('due', 'RecordDue[]'),
        new Field('next_visit', 'date?'),
        new Field('next_kinds', 'string[]?'),
        new Field('next_minutes', 'integer?', 'About; of visits of the next two weeks'),
        new Field('cautions', 'string[]'),
    ),
]
#[
    Shape(
        'RecordLink',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('turn_id', 'uuid?'),
        new Field('kind', 'string', null, ['turn', 'year', 'history']),
        new Field('made_at', 'date-time'),
        new Field('read_at', 'date-time?'),
        new Field('url?', 'string', 'Only when it is made: it can’t be shown again'),
    ),
]
#[
    Shape(
        'OpenLink',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('vehicle', 'string'),
        new Field('kind', 'string', null, ['turn', 'year', 'history']),
        new Field('made_by', 'string?'),
        new Field('made_at', 'date-time'),
        new Field('read_at', 'date-time?'),
    ),
]
#[
    Shape(
        'RecordLinkInput',
        new Field('kind', 'string', null, ['turn', 'year', 'history']),
        new Field('turn_id?', 'uuid?'),
        new Field('from?', 'date?'),
        new Field('to?', 'date?'),
    ),
]
final readonly class RecordController
{
    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private DoorLog $doorLog,
        private DrawRecord $drawRecord,
        private RecordSheet $recordSheet,
    ) {}

    #[
        OA\Get(
            path: '/api/v1/vehicles/{vehicle}/record',
            operationId: 'printRecord',
            summary: 'A turn, a year or the whole history as PDF',
            tags: ['Records'],
            parameters: [
                new OA\QueryParameter(
                    name: 'kind',
                    required: true,
                    schema: new OA\Schema(type: 'string', enum: ['turn', 'year', 'history']),
                ),
                new OA\QueryParameter(name: 'turn_id', schema: new OA\Schema(type: 'string', format: 'uuid')),
                new OA\QueryParameter(name: 'from', schema: new OA\Schema(type: 'string', format: 'date')),
                new OA\QueryParameter(name: 'to', schema: new OA\Schema(type: 'string', format: 'date')),
            ],
        ),
    ]
    #[ReturnsFile('application/pdf', 'PDF')]
    public function pdf(Request $request, Vehicle $vehicle): Response
    {
        Gate::authorize('view', $vehicle);
        [$kind, $turn, $from, $to] = $this->asked($request, $vehicle);

        return $this->sent(($this->drawRecord)($vehicle, $kind, $turn, $from, $to));
    }

    #[OA\Get(path: '/api/v1/vehicles/{vehicle}/record-links', operationId: 'listRecordLinks', tags: ['Records'])]
    #[Returns('RecordLink', list: true)]
    public function links(Vehicle $vehicle): JsonResponse
    {
        Gate::authorize('view', $vehicle);

        return new JsonResponse([
            'data' => RecordLink::query()
                ->where('vehicle_id', $vehicle->id)
                ->whereNull('revoked_at')
                ->orderByDesc('made_at')
                ->get()
                ->map(self::as(...))
                ->all(),
        ]);
    }

    #[
        OA\Get(
            path: '/api/v1/record-links',
            operationId: 'listAllRecordLinks',
            summary: 'Every address that leads somewhere, and who made it; owners only',
            tags: ['Records'],
        ),
    ]
    #[Returns('OpenLink', list: true)]
    public function all(): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());

        return new JsonResponse([
            'data' => RecordLink::query()
                ->with(['vehicle:id,name', 'maker:id,name'])
                ->whereNull('revoked_at')
                ->orderByDesc('made_at')
                ->limit(500)
                ->get()
                ->map(
                    static fn(RecordLink $link): array => [
                        ...$link->only(['id', 'vehicle_id', 'kind']),
                        'vehicle' => $link->vehicle->name ?? '',
                        'made_by' => $link->maker?->name,
                        'made_at' => $link->made_at->toIso8601ZuluString(),
                        'read_at' => $link->read_at?->toIso8601ZuluString(),
                    ],
                )
                ->all(),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/vehicles/{vehicle}/record-links',
            operationId: 'makeRecordLink',
            summary: 'The address is shown once',
            tags: ['Records'],
        ),
    ]
    #[Takes('RecordLinkInput')]
    #[Returns('RecordLink', 201)]
    public function make(Request $request, Vehicle $vehicle): JsonResponse
    {
        Gate::authorize('update', $vehicle);
        [$kind, $turn, $from, $to] = $this->asked($request, $vehicle);
        $secret = Str::random(40);
        $link = RecordLink::query()->create([
            'vehicle_id' => $vehicle->id,
            'turn_id' => $turn?->id,
            'kind' => $kind,
            'from_on' => $from,
            'to_on' => $to,
            'secret_hash' => hash('sha256', $secret),
            'made_at' => $this->clock->now(),
            'made_by' => $request->user()?->getAuthIdentifier(),
        ]);
        $this->doorLog->note('link-made', ['vehicle_id' => $vehicle->id, 'kind' => $kind]);

        return new JsonResponse([...self::as($link->refresh()), 'url' => url("/r/{$secret}")], 201);
    }

    #[
        OA\Delete(
            path: '/api/v1/record-links/{link}',
            operationId: 'revokeRecordLink',
            summary: 'The address shows nothing from now on',
            tags: ['Records'],
        ),
    ]
    #[Returns(null, 204)]
    public function revoke(RecordLink $link): Response
    {
        Gate::authorize('create', Vehicle::class);
        $link->update(['revoked_at' => $link->revoked_at ?? $this->clock->now()]);
        $this->doorLog->note('link-revoked', ['kind' => $link->kind]);

        return response()->noContent();
    }

    #[
        OA\Get(
            path: '/api/v1/records/{secret}',
            operationId: 'readRecord',
            summary: 'For whoever has the address',
            tags: ['Records'],
            security: [],
            parameters: [new OA\PathParameter(name: 'secret', required: true, schema: new OA\Schema(type: 'string'))],
        ),
    ]
    #[Returns('Record')]
    public function read(string $secret): JsonResponse
    {
        return $this->through($secret, function (RecordLink $link): JsonResponse {
            $link->update(['read_at' => $this->clock->now()]);
            $record = $this->record($link);

            return new JsonResponse(self::teller($record)->everywhere($record), headers: ['X-Robots-Tag' => 'noindex']);
        });
    }

    #[
        OA\Get(
            path: '/api/v1/records/{secret}/pdf',
            operationId: 'readRecordPdf',
            tags: ['Records'],
            security: [],
            parameters: [new OA\PathParameter(name: 'secret', required: true, schema: new OA\Schema(type: 'string'))],
        ),
    ]
    #[ReturnsFile('application/pdf', 'PDF')]
    public function readPdf(string $secret): Response
    {
        return $this->through($secret, fn(RecordLink $link): Response => $this->sent($this->record($link)));
    }

    #[
        OA\Get(
            path: '/api/v1/records/{secret}/photos/{photo}',
            operationId: 'readRecordPhoto',
            tags: ['Records'],
            security: [],
            parameters: [new OA\PathParameter(name: 'secret', required: true, schema: new OA\Schema(type: 'string'))],
        ),
    ]
    #[ReturnsFile('image/jpeg', 'JPEG')]
    public function readPhoto(string $secret, string $photo): Response
    {
        return $this->through($secret, function (RecordLink $link) use ($photo): Response {
            /** @var list<array{photos: list<array{id: string}>}> $turns */
            $turns = $this->record($link)['turns'];
            $shown = array_column(array_merge([], ...array_column($turns, 'photos')), 'id');
            $file = in_array($photo, $shown, true) ? Photo::query()->find($photo) : null;
            $bytes = $file === null ? null : Storage::disk('photos')->get($file->path());

            return $bytes === null
                ? throw Problem::missing(Said::of('record.no-picture'))
                : new Response($bytes, 200, [
                    'Content-Type' => 'image/jpeg',
                    'X-Robots-Tag' => 'noindex',
                ]);
        });
    }

    /**
     * @template T
     *
     * @param Closure(RecordLink): T $work
     * @return T
     */
    private function through(string $secret, Closure $work): mixed
    {
        $hash = hash('sha256', $secret);
        $row = DB::selectOne('select workspace_of_record_link(?) as id', [$hash]);
        if ($row?->id === null) {
            throw Problem::missing(Said::of('record.not-shown'));
        }
        $this->tenancy->enter($row->id);
        try {
            return $work(
                RecordLink::query()
                    ->with(['vehicle.client', 'turn'])
                    ->where('secret_hash', $hash)
                    ->firstOrFail(),
            );
        } finally {
            $this->tenancy->leave();
        }
    }

    /** @return Told<'Record'> */
    private function record(RecordLink $link): array
    {
        $vehicle = $link->vehicle ?? throw Problem::missing(Said::of('record.no-vehicle'));

        return ($this->drawRecord)(
            $vehicle,
            $link->kind,
            $link->turn,
            $link->from_on?->toDateString(),
            $link->to_on?->toDateString(),
        );
    }

    /**
     * In the client's language where it is known, else in that of whoever reads; in the house's units.
     *
     * @param Told<'Record'> $record
     */
    private static function teller(array $record): Teller
    {
        return Teller::here()->in(is_string($record['language']) ? $record['language'] : null);
    }

    /** @param Told<'Record'> $record */
    private function sent(array $record): Response
    {
        return new Response($this->recordSheet->pdf($record, self::teller($record)), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="record.pdf"',
            'X-Robots-Tag' => 'noindex',
        ]);
    }

    /** @return array{'turn'|'year'|'history', Turn|null, string|null, string|null} */
    private function asked(Request $request, Vehicle $vehicle): array
    {
        $asked = $request->validate([
            'kind' => ['required', 'in:turn,year,history'],
            'turn_id' => ['required_if:kind,turn', 'nullable', 'uuid'],
            'from' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
            'to' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
        ]);
        $turn =
            $asked['kind'] === 'turn'
                ? Turn::query()->where('vehicle_id', $vehicle->id)->whereKey($asked['turn_id'])->firstOrFail()
                : null;

        return [
            $asked['kind'] === 'turn' ? 'turn' : ($asked['kind'] === 'year' ? 'year' : 'history'),
            $turn,
            $asked['from'] ?? null,
            $asked['to'] ?? null,
        ];
    }

    /** @return Told<'RecordLink'> */
    private static function as(RecordLink $link): array
    {
        return [
            ...$link->only(['id', 'vehicle_id', 'turn_id', 'kind']),
            'made_at' => $link->made_at->toIso8601ZuluString(),
            'read_at' => $link->read_at?->toIso8601ZuluString(),
        ];
    }
}
