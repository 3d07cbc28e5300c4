<?php

declare(strict_types=1);

namespace App\Sheets\Http;

use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\TableFile;
use App\Sheets\DrawLoad;
use App\Sheets\LoadTick;
use App\Tenancy\Tenancy;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;

/** What goes into the van, what has to be bought and washed for it. */
#[
    Shape(
        'LoadVisit',
        new Field('on', 'date'),
        new Field('vehicle_id', 'uuid'),
        new Field('name', 'string'),
        new Field('minutes', 'integer?'),
        new Field('sheet', 'boolean', 'Laid out already; otherwise as is to be expected'),
    ),
]
#[
    Shape(
        'LoadProduct',
        new Field('line', 'string'),
        new Field('ticked', 'boolean'),
        new Field('product_id', 'uuid'),
        new Field('name', 'string'),
        new Field('role', 'string'),
        new Field('supplier', 'string?'),
        new Field('need_ml', 'number'),
        new Field('maybe_ml', 'number', 'Only if a reading asks for it'),
        new Field('take_ml', 'number', 'With the margin'),
        new Field('stock_ml', 'number'),
        new Field('missing_ml', 'number'),
        new Field('packs', 'integer'),
        new Field('pack_ml', 'number?'),
        new Field('buy_ml', 'number'),
        new Field('price_minor', 'integer?'),
        new Field('batch', 'string?', 'In use now'),
        new Field('expires', 'date?', 'Soon, or past'),
    ),
]
#[
    Shape(
        'LoadFill',
        new Field('kind', 'string'),
        new Field('vessel', 'string?'),
        new Field('product', 'said'),
        new Field('product_id', 'uuid?'),
        new Field('mix_ml', 'number'),
        new Field('product_ml', 'number'),
        new Field('times', 'integer'),
    ),
]
#[Shape('LoadWash', new Field('before', 'date'), new Field('pieces', 'integer'))]
#[
    Shape(
        'LoadTowels',
        new Field('line', 'string'),
        new Field('ticked', 'boolean'),
        new Field('use', 'string'),
        new Field('pool', 'string?'),
        new Field('colour', 'string?'),
        new Field('need', 'integer'),
        new Field('take', 'integer'),
        new Field('clean', 'integer'),
        new Field('dirty', 'integer'),
        new Field('known', 'boolean', 'Whether anybody has counted such towels'),
        new Field('short', 'integer', 'Missing on some day, whatever is washed'),
        new Field('washes', 'LoadWash[]'),
    ),
]
#[
    Shape(
        'LoadWater',
        new Field('line', 'string'),
        new Field('ticked', 'boolean'),
        new Field('treated_l', 'number'),
        new Field('tank_l', 'number?'),
        new Field('holds_l', 'number?'),
        new Field('fills', 'integer', 'Times the tank has to be filled'),
    ),
]
#[
    Shape(
        'LoadPower',
        new Field('line', 'string'),
        new Field('ticked', 'boolean'),
        new Field('minutes', 'number', 'Blown where there is no mains'),
        new Field('wh', 'number'),
        new Field('packs', 'integer'),
        new Field('has', 'integer'),
        new Field('known', 'boolean'),
    ),
]
#[
    Shape(
        'ShoppingLine',
        new Field('name', 'string'),
        new Field('packs', 'integer'),
        new Field('pack_ml', 'number?'),
        new Field('buy_ml', 'number'),
        new Field('price_minor', 'integer?'),
        new Field('urgent', 'boolean', 'These days need it'),
    ),
]
#[
    Shape(
        'Shopping',
        new Field('supplier', 'string?'),
        new Field('lines', 'ShoppingLine[]'),
        new Field('total_minor', 'integer?', 'Owners read it'),
    ),
]
#[
    Shape(
        'Load',
        new Field('from', 'date'),
        new Field('to', 'date'),
        new Field('margin', 'number'),
        new Field('visits', 'LoadVisit[]'),
        new Field('products', 'LoadProduct[]'),
        new Field('fills', 'LoadFill[]'),
        new Field('towels', 'LoadTowels[]'),
        new Field('water', 'LoadWater'),
        new Field('power', 'LoadPower'),
        new Field('shopping', 'Shopping[]'),
    ),
]
#[
    Shape(
        'LoadTickInput',
        new Field('from', 'date'),
        new Field('to', 'date'),
        new Field('line', 'string'),
        new Field('ticked', 'boolean'),
    ),
]
final readonly class LoadController
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    #[
        OA\Get(
            path: '/api/v1/load',
            operationId: 'showLoad',
            summary: 'What the turns of some days need, against what there is',
            tags: ['Round'],
            parameters: [
                new OA\QueryParameter(
                    name: 'from',
                    description: 'Today when left out',
                    schema: new OA\Schema(type: 'string', format: 'date'),
                ),
                new OA\QueryParameter(
                    name: 'to',
                    description: 'The same day when left out; two weeks at most',
                    schema: new OA\Schema(type: 'string', format: 'date'),
                ),
            ],
        ),
    ]
    #[Returns('Load')]
    public function show(Request $request, DrawLoad $drawLoad): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);

        return new JsonResponse($drawLoad(...$this->span($request)));
    }

    #[
        OA\Put(
            path: '/api/v1/load/ticks',
            operationId: 'tickLoad',
            summary: 'A line lies in the van, or not after all',
            tags: ['Round'],
        ),
    ]
    #[Takes('LoadTickInput')]
    #[Returns(null, 204)]
    public function tick(Request $request): Response
    {
        Gate::authorize('create', Vehicle::class);
        $facts = $request->validate([
            'from' => ['sometimes'],
            'to' => ['sometimes'],
            'line' => [
                'required',
                'string',
                'max:80',
                'regex:/^(product:[0-9a-f-]{36}|towels:[a-z-]+|fill:.+|water|power)$/',
            ],
            'ticked' => ['required', 'boolean'],
        ]);
        [$from, $to] = $this->span($request);
        $which = [
            'workspace_id' => $this->tenancy->workspace()->id,
            'from_on' => $from,
            'to_on' => $to,
            'line' => $facts['line'],
        ];
        $facts['ticked']
            ? LoadTick::query()->firstOrCreate($which, [
                'ticked_by' => $request->user()?->getAuthIdentifier(),
                'at' => $this->clock->now(),
            ])
            : LoadTick::query()->where($which)->delete();

        return response()->noContent();
    }

    #[
        OA\Get(
            path: '/api/v1/load/shopping',
            operationId: 'shoppingFile',
            summary: 'What to buy as CSV',
            tags: ['Round'],
            parameters: [
                new OA\QueryParameter(name: 'from', schema: new OA\Schema(type: 'string', format: 'date')),
                new OA\QueryParameter(name: 'to', schema: new OA\Schema(type: 'string', format: 'date')),
            ],
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'CSV',
                    content: new OA\MediaType(mediaType: 'text/csv', schema: new OA\Schema(type: 'string')),
                ),
            ],
        ),
    ]
    public function shopping(Request $request, DrawLoad $drawLoad, Tenancy $tenancy): Response
    {
        Gate::authorize('viewAny', Vehicle::class);
        $owns = $tenancy->isOwner();
        $lines = [];
        foreach ($drawLoad(...$this->span($request))['shopping'] as $shop) {
            foreach ($shop['lines'] as $line) {
                $lines[] = [
                    (string) $shop['supplier'],
                    $line['name'],
                    (string) $line['packs'],
                    (string) $line['pack_ml'],
                    (string) round($line['buy_ml']),
                    !$owns || $line['price_minor'] === null
                        ? ''
                        : number_format($line['price_minor'] / 100, 2, '.', ''),
                    $line['urgent'] ? 'yes' : '',
                ];
            }
        }

        return TableFile::of(
            'vicissa-shopping.csv',
            ['supplier', 'product', 'packs', 'pack_ml', 'ml', 'price', 'needed_now'],
            $lines,
        );
    }

    /** @return array{string, string} */
    private function span(Request $request): array
    {
        $asked = $request->validate([
            'from' => ['sometimes', 'date_format:Y-m-d', 'after:-400 days', 'before:+400 days'],
            'to' => ['sometimes', 'date_format:Y-m-d', 'after_or_equal:from', 'before:+400 days'],
        ]);
        $from = $asked['from'] ?? $this->tenancy->workspace()->dateOf($this->clock->now());
        $to = $asked['to'] ?? $from;

        return [$from, min($to, date('Y-m-d', (int) strtotime("{$from} +13 days")))];
    }
}
