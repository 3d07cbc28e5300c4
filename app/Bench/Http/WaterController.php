<?php

declare(strict_types=1);

namespace App\Bench\Http;

use App\Bench\SumUpWater;
use App\Bench\WaterReading;
use App\Book\Site;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\Paged;
use App\Http\SignedCursor;
use App\Shelf\Gear;
use App\Standins\InfraredThermometer;
use App\Standins\TdsPen;
use App\Tenancy\Instant;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Drying\Exposure;
use Vicissa\Core\Drying\Tone;

/** Water as it was read, how the chain stands, and the devices one holds. */
#[
    Shape(
        'PenInput',
        new Field('site_id?', 'uuid?'),
        new Field('point', 'string', null, ['tap', 'ro', 'treated', 'tank']),
    ),
]
#[Shape('PenAnswer', new Field('tds_mg_l', 'number'))]
#[
    Shape(
        'ThermometerInput',
        new Field('site_id?', 'uuid?'),
        new Field('tone', 'string'),
        new Field('exposure?', 'string', null, ['flat', 'sides', 'shade']),
        new Field('at?', 'date-time'),
    ),
]
#[Shape('ThermometerAnswer', new Field('panel_c', 'number'))]
final class WaterController
{
    use Paged;

    private const POINTS = ['tap', 'ro', 'treated', 'tank'];

    public function __construct(private readonly Tenancy $tenancy, private readonly ClockInterface $clock) {}

    #[
        OA\Get(
            path: '/api/v1/water',
            operationId: 'showWater',
            summary: 'How the chain of treated water stands',
            tags: ['Water'],
        ),
    ]
    #[Returns('WaterState')]
    public function show(SumUpWater $sumUpWater): JsonResponse
    {
        Gate::authorize('viewAny', Gear::class);

        return new JsonResponse($sumUpWater());
    }

    #[
        OA\Get(
            path: '/api/v1/water/readings',
            operationId: 'listWaterReadings',
            summary: 'Newest first, paged by cursor',
            tags: ['Water'],
            parameters: [
                new OA\QueryParameter(name: 'site', schema: new OA\Schema(type: 'string', format: 'uuid')),
                new OA\QueryParameter(name: 'point', schema: new OA\Schema(type: 'string', enum: self::POINTS)),
            ],
        ),
    ]
    #[Returns('WaterReading', page: true)]
    public function readings(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Gear::class);
        $asked = $request->validate([
            'site' => ['sometimes', 'uuid'],
            'point' => ['sometimes', Rule::in(self::POINTS)],
        ]);
        $page = WaterReading::query()
            ->with('site:id,name')
            ->when(isset($asked['site']), static fn($query) => $query->where('site_id', $asked['site']))
            ->when(isset($asked['point']), static fn($query) => $query->where('point', $asked['point']))
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->cursorPaginate($this->size($request));

        return new JsonResponse([
            'data' => array_map($this->told(...), $page->items()),
            'next_cursor' => SignedCursor::told($page->nextCursor()),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/water/readings',
            operationId: 'noteWaterReading',
            summary: 'Written once; a tap reading becomes the site’s',
            tags: ['Water'],
        ),
    ]
    #[Takes('WaterReadingInput')]
    #[Returns('WaterReading', 201)]
    public function note(Request $request): JsonResponse
    {
        Gate::authorize('create', Gear::class);
        $given = $request->validate([
            'site_id' => [
                'sometimes',
                'nullable',
                'uuid',
                Rule::exists('sites', 'id')->where('workspace_id', $this->tenancy->workspace()->id),
            ],
            'point' => ['required', Rule::in(self::POINTS)],
            'tds_mg_l' => ['required', 'numeric', 'between:0,5000'],
            'litres' => ['sometimes', 'nullable', 'numeric', 'between:0,100000'],
            'at' => ['sometimes', 'date', 'after:2000-01-01', 'before:+5 minutes'],
            'note' => ['sometimes', 'nullable', 'string', 'max:240'],
        ]);
        $reading = WaterReading::query()->create([
            ...$given,
            'at' => isset($given['at']) ? Instant::of($given['at']) : $this->clock->now(),
            'written_by' => $request->user()?->getAuthIdentifier(),
        ]);
        $column = ['tap' => 'tds_mg_l', 'treated' => 'treated_tds_mg_l'][$reading->point] ?? null;
        if ($reading->site_id !== null && $column !== null) {
            Site::query()
                ->whereKey($reading->site_id)
                ->update([$column => $reading->tds_mg_l]);
        }

        return new JsonResponse($this->told($reading->refresh()->load('site:id,name')), 201);
    }

    #[
        OA\Post(
            path: '/api/v1/devices/pen',
            operationId: 'dipPen',
            summary: 'What the pen shows (a simulated one ships)',
            tags: ['Devices'],
        ),
    ]
    #[Takes('PenInput')]
    #[Returns('PenAnswer')]
    public function pen(Request $request, TdsPen $pen): JsonResponse
    {
        $given = $request->validate([
            'site_id' => ['sometimes', 'nullable', 'uuid'],
            'point' => ['required', Rule::in(self::POINTS)],
        ]);
        /** @var "tap"|"ro"|"treated"|"tank" $point */
        $point = $given['point'];

        return new JsonResponse([
            'tds_mg_l' => $pen->read($this->site($given['site_id'] ?? null)?->whereabouts(), $point),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/devices/thermometer',
            operationId: 'aimThermometer',
            summary: 'What the thermometer shows (a simulated one ships)',
            tags: ['Devices'],
        ),
    ]
    #[Takes('ThermometerInput')]
    #[Returns('ThermometerAnswer')]
    public function thermometer(Request $request, InfraredThermometer $thermometer): JsonResponse
    {
        $given = $request->validate([
            'site_id' => ['sometimes', 'nullable', 'uuid'],
            'tone' => ['required', Rule::enum(Tone::class)],
            'exposure' => ['sometimes', Rule::enum(Exposure::class)],
            'at' => ['sometimes', 'date'],
        ]);
        $at = isset($given['at']) ? Instant::of($given['at']) : CarbonImmutable::instance($this->clock->now());

        return new JsonResponse([
            'panel_c' => $thermometer->aim(
                $this->site($given['site_id'] ?? null)?->whereabouts(),
                Tone::from($given['tone']),
                Exposure::from($given['exposure'] ?? 'flat'),
                $at,
            ),
        ]);
    }

    private function site(?string $id): ?Site
    {
        return $id === null ? null : Site::query()->whereKey($id)->first();
    }

    /** @return Told<'WaterReading'> */
    private function told(WaterReading $reading): array
    {
        return [
            'id' => $reading->id,
            'site_id' => $reading->site_id,
            'site' => $reading->site?->name,
            'point' => $reading->point,
            'tds_mg_l' => $reading->tds_mg_l,
            'litres' => $reading->litres,
            'at' => $reading->at->utc()->format('Y-m-d\TH:i:s\Z'),
            'note' => $reading->note,
        ];
    }
}
