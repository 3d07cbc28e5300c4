<?php

declare(strict_types=1);

namespace App\Money\Http;

use App\Book\Vehicle;
use App\Door\Http\WorkspaceResource;
use App\Http\OpenApi\Also;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\ReturnsFile;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\Versioned;
use App\Money\CostBook;
use App\Money\DrawMoney;
use App\Money\Price;
use App\Money\Quote;
use App\Money\QuoteSheet;
use App\Money\QuoteYear;
use App\Problems\Problem;
use App\Record\Turn;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Money\Rates;
use Vicissa\Core\Money\TurnCost;

/** What turns cost, what is asked for them, what a year would come to. Hundredths of the workspace's currency. */
#[
    Shape(
        'Rates',
        new Field('currency', 'string'),
        new Field('labour_minor_h', 'number', 'An hour of a person'),
        new Field('travel_minor_min', 'number', 'A minute of the van'),
        new Field('water_minor_m3', 'number'),
        new Field('resin_minor_l', 'number'),
        new Field('launder_minor', 'number', 'A piece through the drum'),
        new Field('towel_minor', 'number', 'A towel without a price of its own'),
        new Field('margin_percent', 'number', 'On top of the cost, where the list has no price'),
    ),
]
#[
    Shape(
        'CostParts',
        new Field('products', 'integer'),
        new Field('towels', 'integer'),
        new Field('water', 'integer'),
        new Field('resin', 'integer'),
        new Field('time', 'integer'),
        new Field('travel', 'integer'),
        new Field('total', 'integer'),
    ),
]
#[
    Shape(
        'TurnMoney',
        new Field('turn_id', 'uuid'),
        new Field('worked_on', 'date'),
        new Field('minutes', 'integer?'),
        new Field('cost', 'CostParts'),
        new Field('unpriced', 'string[]', 'Used, and not in the cost: no price is known'),
    ),
]
#[
    Shape(
        'VehicleMoney',
        new Field('currency', 'string'),
        new Field('turns', 'TurnMoney[]', 'Of the last year, newest first'),
        new Field('cost', 'CostParts'),
        new Field('hours', 'number'),
        new Field('unpriced', 'string[]'),
    ),
]
#[
    Shape(
        'MoneyRow',
        new Field('turns', 'integer'),
        new Field('untimed', 'integer', 'Without minutes'),
        new Field('unpriced', 'string[]', 'Used, and not in the cost: no price is known'),
        new Field('hours', 'number'),
        new Field('cost', 'CostParts'),
        new Field('each_minor', 'integer'),
    ),
]
#[
    Shape(
        'MoneyVehicle',
        new Field('vehicle_id', 'uuid'),
        new Field('name', 'string'),
        new Field('client', 'string?'),
        new Field('programme', 'string?'),
        new Also(self::class, 'MoneyRow'),
    ),
]
#[Shape('MoneyProgramme', new Field('programme', 'string?'), new Also(self::class, 'MoneyRow'))]
#[
    Shape(
        'MoneyTopper',
        new Field('product_id', 'uuid'),
        new Field('name', 'string'),
        new Field('times', 'integer'),
        new Field('ml', 'number'),
        new Field('minutes', 'number'),
        new Field('each_minor', 'integer', 'Product and time of one application'),
        new Field('found_weeks', 'number', 'Reference weeks, from what was found'),
        new Field('label_weeks', 'number?'),
        new Field('evidence', 'integer', 'Layers that rests on'),
        new Field('found_minor', 'integer', 'A protected week, as found'),
        new Field('label_minor', 'integer?', 'By the label'),
    ),
]
#[
    Shape(
        'MoneyAhead',
        new Field('from', 'date'),
        new Field('to', 'date'),
        new Field('visits', 'integer'),
        new Field('hours', 'number', 'Of people'),
        new Field('listed_minor', 'integer', 'By the price list'),
        new Field('unlisted', 'integer', 'Kinds of visits the list has no price for'),
    ),
]
#[
    Shape(
        'Money',
        new Field('currency', 'string'),
        new Field('since', 'date'),
        new Field('vehicles', 'MoneyVehicle[]'),
        new Field('programmes', 'MoneyProgramme[]'),
        new Field('toppers', 'MoneyTopper[]', 'Cheapest week first'),
        new Field('total', 'MoneyRow'),
        new Field('ahead', 'MoneyAhead', 'The seven days to come'),
    ),
]
#[
    Shape(
        'Price',
        new Field('programme_id', 'uuid?', 'Null: for all'),
        new Field('body', 'string'),
        new Field('kind', 'string', null, ['wash', 'topper', 'decon', 'inspection', 'base']),
        new Field('minor', 'integer'),
    ),
]
#[Shape('PriceList', new Field('prices', 'Price[]'))]
#[
    Shape(
        'QuoteVehicle',
        new Field('vehicle_id', 'uuid'),
        new Field('programme_id?', 'uuid?', 'Its own rhythm when left out'),
        new Field('topper?', 'boolean'),
    ),
]
#[
    Shape(
        'QuoteInput',
        new Field('title', 'string'),
        new Field('client_id?', 'uuid?'),
        new Field('vehicles', 'QuoteVehicle[]'),
    ),
]
#[
    Shape(
        'QuoteKind',
        new Field('kind', 'string'),
        new Field('times', 'integer'),
        new Field('each_minor', 'integer'),
        new Field('minor', 'integer'),
        new Field('listed', 'boolean', 'From the price list'),
    ),
]
#[
    Shape(
        'QuoteLine',
        new Field('vehicle_id', 'uuid'),
        new Field('vehicle', 'string'),
        new Field('programme', 'string?'),
        new Field('every_days', 'integer'),
        new Field('salt_every_days', 'integer?'),
        new Field('topper_weeks', 'number?'),
        new Field('decon_days', 'integer?'),
        new Field('lines', 'QuoteKind[]'),
        new Field('hours', 'number'),
        new Field('cost', 'CostParts'),
        new Field('price_minor', 'integer'),
        new Field('margin_minor', 'integer'),
    ),
]
#[
    Shape(
        'QuoteAnswer',
        new Field('vehicles', 'QuoteLine[]'),
        new Field('visits', 'integer'),
        new Field('toppers', 'integer'),
        new Field('hours', 'number'),
        new Field('cost', 'CostParts'),
        new Field('price_minor', 'integer'),
        new Field('margin_minor', 'integer'),
        new Field('currency', 'string'),
        new Field('assumes', 'said[]', 'What it takes for granted, also for the client to read'),
        new Field('inside', 'said[]', 'What it takes for granted of our costs; on no paper of the client’s'),
    ),
]
#[
    Shape(
        'Quote',
        new Field('id', 'uuid'),
        new Field('title', 'string'),
        new Field('client_id', 'uuid?'),
        new Field('client', 'string?'),
        new Field('made_at', 'date-time'),
        new Field('answer', 'QuoteAnswer'),
    ),
]
final readonly class MoneyController
{
    use Versioned;

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    #[OA\Get(path: '/api/v1/rates', operationId: 'showRates', summary: 'What things cost here', tags: ['Money'])]
    #[Returns('Rates')]
    public function rates(): JsonResponse
    {
        $workspace = $this->tenancy->workspace();
        Gate::authorize('manage', $workspace);

        return (new JsonResponse($workspace->rates()->named()))->header('ETag', $this->tag($workspace));
    }

    #[
        OA\Put(
            path: '/api/v1/rates',
            operationId: 'setRates',
            summary: 'Needs If-Match of the workspace',
            tags: ['Money'],
        ),
    ]
    #[IfMatch]
    #[Takes('Rates')]
    #[Returns('Rates')]
    public function setRates(Request $request): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $rates = Rates::read($request->json()->all());
        $workspace = $this->changed(
            $request,
            $this->tenancy->workspace(),
            static fn(Workspace $row): WorkspaceResource => new WorkspaceResource($row),
            static fn(Workspace $row): Workspace => $row->fill(['rates' => $rates->named()]),
        );
        $this->tenancy->renew($workspace);

        return (new JsonResponse($rates->named()))->header('ETag', $this->tag($workspace));
    }

    #[OA\Get(path: '/api/v1/money', operationId: 'showMoney', summary: 'What the last year has cost', tags: ['Money'])]
    #[Returns('Money')]
    public function show(DrawMoney $drawMoney): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());

        return new JsonResponse($drawMoney());
    }

    #[OA\Get(path: '/api/v1/turns/{turn}/cost', operationId: 'turnCost', tags: ['Money'])]
    #[Returns('TurnMoney')]
    public function turn(Turn $turn): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $book = CostBook::since(
            $this->tenancy->workspace(),
            $turn->worked_at->subSecond(),
            [$turn->vehicle_id],
            $turn->id,
        );

        return new JsonResponse($this->line($turn->id, $book->turns[$turn->id]));
    }

    #[
        OA\Get(
            path: '/api/v1/vehicles/{vehicle}/money',
            operationId: 'vehicleMoney',
            summary: 'Turn by turn, the last year',
            tags: ['Money'],
        ),
    ]
    #[Returns('VehicleMoney')]
    public function vehicle(Vehicle $vehicle): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $book = CostBook::since(
            $this->tenancy->workspace(),
            CarbonImmutable::instance($this->clock->now())->subYear(),
            [$vehicle->id],
        );
        $sum = array_reduce($book->turns, static fn($sum, array $turn) => $sum->plus($turn['cost']), new TurnCost());

        return new JsonResponse([
            'currency' => $this->tenancy->workspace()->rates()->currency,
            'turns' => array_reverse(array_map($this->line(...), array_keys($book->turns), array_values($book->turns))),
            'cost' => $sum->rounded(),
            'hours' => round(array_sum(array_column($book->turns, 'minutes')) / 60.0, 1),
            'unpriced' => CostBook::unpriced(array_values($book->turns)),
        ]);
    }

    #[OA\Get(path: '/api/v1/prices', operationId: 'listPrices', tags: ['Money'])]
    #[Returns('PriceList')]
    public function prices(): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $prices = self::listed();

        return (new JsonResponse(['prices' => $prices]))->header('ETag', self::asListed($prices));
    }

    /** @return list<array<string, mixed>> */
    private static function listed(): array
    {
        return array_values(
            Price::query()
                ->orderBy('body')
                ->orderBy('kind')
                ->orderBy('programme_id')
                ->get()
                ->map(static fn(Price $price): array => $price->only(['programme_id', 'body', 'kind', 'minor']))
                ->all(),
        );
    }

    /**
     * The list has no row of its own that could count its versions: what it says names it.
     *
     * @param list<array<string, mixed>> $prices
     */
    private static function asListed(array $prices): string
    {
        return sprintf('"%s"', hash('xxh128', json_encode($prices, JSON_THROW_ON_ERROR)));
    }

    #[
        OA\Put(
            path: '/api/v1/prices',
            operationId: 'setPrices',
            summary: 'The whole list; with If-Match only where it still is the one that was read',
            tags: ['Money'],
            parameters: [
                new OA\HeaderParameter(name: 'If-Match', required: false, schema: new OA\Schema(type: 'string')),
            ],
        ),
    ]
    #[Takes('PriceList')]
    #[Returns('PriceList')]
    public function setPrices(Request $request): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $given = $request->validate([
            'prices' => ['present', 'array', 'max:2000'],
            'prices.*.programme_id' => [
                'nullable',
                'uuid',
                Rule::exists('programmes', 'id')->where('workspace_id', $this->tenancy->workspace()->id),
            ],
            'prices.*.body' => ['required', Rule::enum(Body::class)],
            'prices.*.kind' => ['required', 'in:wash,topper,decon,inspection,base'],
            'prices.*.minor' => ['required', 'integer', 'between:0,100000000'],
        ]);
        DB::transaction(function () use ($request, $given): void {
            // One list at a time: two that are written at once would both find what they have read.
            Workspace::query()
                ->whereKey($this->tenancy->workspace()->id)
                ->lock('for no key update')
                ->firstOrFail();
            $prices = self::listed();
            if ($request->hasHeader('If-Match') && $this->seen($request) !== self::asListed($prices)) {
                throw Problem::outdated(['prices' => $prices]);
            }
            Price::query()->delete();
            foreach ($given['prices'] as $price) {
                Price::query()->updateOrCreate(
                    [
                        'programme_id' => $price['programme_id'] ?? null,
                        'body' => $price['body'],
                        'kind' => $price['kind'],
                    ],
                    ['minor' => $price['minor']],
                );
            }
        });

        return $this->prices();
    }

    #[
        OA\Get(
            path: '/api/v1/quotes',
            operationId: 'listQuotes',
            summary: 'Newest first, the last fifty',
            tags: ['Money'],
        ),
    ]
    #[Returns('Quote', list: true)]
    public function quotes(): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());

        return new JsonResponse([
            'data' => Quote::query()
                ->with('client:id,name')
                ->orderByDesc('made_at')
                ->limit(50)
                ->get()
                ->map(self::quoted(...))
                ->all(),
        ]);
    }

    #[OA\Post(path: '/api/v1/quotes', operationId: 'makeQuote', summary: 'A year for some vehicles', tags: ['Money'])]
    #[Takes('QuoteInput')]
    #[Returns('Quote', 201)]
    public function quote(Request $request, QuoteYear $quoteYear): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $mine = fn(string $table) => Rule::exists($table, 'id')->where('workspace_id', $this->tenancy->workspace()->id);
        /**
         * @var array{title: string, client_id?: string|null, vehicles: list<array{vehicle_id: string,
         *     programme_id?: string|null, topper?: bool}>} $facts
         */
        $facts = $request->validate(
            [
                'title' => ['required', 'string', 'min:1', 'max:160'],
                'client_id' => ['sometimes', 'nullable', 'uuid', $mine('clients')],
                'vehicles' => ['required', 'array', 'min:1', 'max:60'],
                'vehicles.*.vehicle_id' => [
                    'required',
                    'uuid',
                    'distinct',
                    $mine('vehicles')->whereNull('archived_at'),
                ],
                'vehicles.*.programme_id' => ['sometimes', 'nullable', 'uuid', $mine('programmes')],
                'vehicles.*.topper' => ['sometimes', 'boolean'],
            ],
            [
                'vehicles.required' => Teller::here()->say('money.choose'),
                'vehicles.min' => Teller::here()->say('money.choose'),
            ],
        );
        $user = $request->user();
        abort_unless($user instanceof User, 401);

        return new JsonResponse(self::quoted($quoteYear($user, $facts)->load('client')), 201);
    }

    #[OA\Get(path: '/api/v1/quotes/{quote}', operationId: 'showQuote', tags: ['Money'])]
    #[Returns('Quote')]
    public function showQuote(Quote $quote): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());

        return new JsonResponse(self::quoted($quote->load('client')));
    }

    #[
        OA\Get(
            path: '/api/v1/quotes/{quote}/pdf',
            operationId: 'printQuote',
            summary: 'Without what it costs the business',
            tags: ['Money'],
        ),
    ]
    #[ReturnsFile('application/pdf', 'PDF')]
    public function printQuote(Quote $quote, QuoteSheet $quoteSheet): Response
    {
        Gate::authorize('manage', $this->tenancy->workspace());

        return new Response(
            $quoteSheet->pdf($quote->load('client'), Teller::here()->in($quote->client?->language)),
            200,
            [
                'Content-Type' => 'application/pdf',
                'Content-Disposition' => 'attachment; filename="vicissa-quote.pdf"',
            ],
        );
    }

    /**
     * @param array{at: CarbonImmutable, minutes: int|null, cost: TurnCost, unpriced: array<string, string>, ...} $turn
     * @return Told<'TurnMoney'>
     */
    private function line(string $id, array $turn): array
    {
        return [
            'turn_id' => $id,
            'worked_on' => $this->tenancy->workspace()->dateOf($turn['at']),
            'minutes' => $turn['minutes'],
            'cost' => $turn['cost']->rounded(),
            'unpriced' => CostBook::unpriced([$turn]),
        ];
    }

    /** @return Told<'Quote'> */
    private static function quoted(Quote $quote): array
    {
        return [
            ...$quote->only(['id', 'title', 'client_id']),
            'answer' => $quote->told(),
            'client' => $quote->client?->name,
            'made_at' => $quote->made_at->toIso8601ZuluString(),
        ];
    }
}
