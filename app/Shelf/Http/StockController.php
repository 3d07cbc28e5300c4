<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Says\Teller;
use App\Shelf\Product;
use App\Shelf\StockBook;
use App\Shelf\StockMove;
use App\Turns\MoveStock;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;

/** What came into a bottle's shelf and what went out of it. */
#[
    Shape(
        'StockMove',
        new Field('id', 'uuid'),
        new Field('kind', 'string', null, ['buy', 'use', 'mix', 'waste', 'count']),
        new Field('ml', 'number', 'What it changed; below nought when it went out'),
        new Field('at', 'date-time'),
        new Field('turn_id', 'uuid?'),
        new Field('batch', 'string?'),
        new Field('expires_on', 'date?'),
        new Field('counted_ml', 'number?'),
        new Field('note', 'string?'),
    ),
]
#[
    Shape(
        'StockBatch',
        new Field('batch', 'string?', 'Null: nobody has written down which'),
        new Field('expires', 'date?'),
        new Field('ml', 'number'),
    ),
]
#[
    Shape(
        'StockCount',
        new Field('at', 'date-time'),
        new Field('counted_ml', 'number'),
        new Field('since', 'date-time?', 'The count before'),
        new Field('bought_ml', 'number'),
        new Field('used_ml', 'number'),
        new Field('turns', 'integer'),
        new Field('other_ml', 'number', 'Mixed ahead, gone bad'),
        new Field('difference_ml', 'number', 'Found more than the book said, or less'),
        new Field('note', 'string?'),
    ),
]
#[
    Shape(
        'Stock',
        new Field('product_id', 'uuid'),
        new Field('stock_ml', 'number'),
        new Field('batches', 'StockBatch[]', 'Oldest first'),
        new Field('counts', 'StockCount[]', 'Newest first'),
        new Field('moves', 'StockMove[]', 'Newest first, the last hundred'),
    ),
]
#[
    Shape(
        'StockMoveInput',
        new Field('kind', 'string', null, ['buy', 'mix', 'waste', 'count']),
        new Field('ml', 'number', 'How much; of a count: what was found'),
        new Field('batch?', 'string?'),
        new Field('expires_on?', 'date?'),
        new Field('note?', 'string?', 'Needed where a count differs by more than a tenth'),
    ),
]
final readonly class StockController
{
    private const SHOWN = 100;

    public function __construct(private MoveStock $moveStock, private ClockInterface $clock) {}

    #[
        OA\Get(
            path: '/api/v1/products/{product}/stock',
            operationId: 'showStock',
            summary: 'Movements, batches, and what counts found',
            tags: ['Products'],
        ),
    ]
    #[Returns('Stock')]
    public function show(Product $product): JsonResponse
    {
        Gate::authorize('view', $product);

        return new JsonResponse($this->stock($product));
    }

    #[
        OA\Post(
            path: '/api/v1/products/{product}/stock',
            operationId: 'moveStock',
            summary: 'Bought, mixed ahead, gone bad, counted',
            tags: ['Products'],
        ),
    ]
    #[Takes('StockMoveInput')]
    #[Returns('Stock', 201)]
    public function store(Request $request, Product $product): JsonResponse
    {
        Gate::authorize('update', $product);
        $facts = $request->validate([
            'kind' => ['required', 'in:buy,mix,waste,count'],
            'ml' => ['required', 'numeric', 'between:0,10000000'],
            'batch' => ['sometimes', 'nullable', 'string', 'max:60'],
            'expires_on' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
            'note' => ['sometimes', 'nullable', 'string', 'max:240'],
        ]);
        $ml = (float) $facts['ml'];
        $note = $facts['note'] ?? null;
        $by = $request->user()?->getAuthIdentifier();
        $by = is_string($by) ? $by : null;
        $now = CarbonImmutable::instance($this->clock->now());
        if ($ml < 0.1 && $facts['kind'] !== 'count') {
            throw ValidationException::withMessages(['ml' => Teller::here()->say('stock.nothing')]);
        }
        if (
            $facts['kind'] === 'count' &&
            $note === null &&
            abs($ml - $product->stock_ml) > max(20.0, 0.1 * $product->stock_ml)
        ) {
            throw ValidationException::withMessages([
                'note' => Teller::here()->say('stock.difference', ml: round($product->stock_ml)),
            ]);
        }
        match ($facts['kind']) {
            'buy' => $this->moveStock->bought($product, $ml, $now, $by, [
                'batch' => $facts['batch'] ?? null,
                'expires_on' => $facts['expires_on'] ?? null,
                'note' => $note,
            ]),
            'count' => $this->moveStock->counted($product, $ml, $now, $by, $note),
            default => $this->moveStock->out(
                $product,
                $facts['kind'] === 'mix' ? 'mix' : 'waste',
                $ml,
                $now,
                $by,
                $note,
            ),
        };

        return new JsonResponse($this->stock($product->refresh()), 201);
    }

    /** @return Told<'Stock'> */
    private function stock(Product $product): array
    {
        $book = StockBook::of([$product->id]);
        $time = static fn(CarbonImmutable $at): string => $at->toIso8601ZuluString();

        return [
            'product_id' => $product->id,
            'stock_ml' => $product->stock_ml,
            'batches' => array_map(
                static fn(array $one): array => [...$one, 'ml' => round($one['ml'], 1)],
                $book->batches($product)->left,
            ),
            'counts' => array_map(
                static fn(array $one): array => [
                    ...$one,
                    'at' => $time($one['at']),
                    'since' => $one['since'] === null ? null : $time($one['since']),
                ],
                $book->counts($product),
            ),
            'moves' => array_values(
                StockMove::query()
                    ->where('product_id', $product->id)
                    ->orderByDesc('at')
                    ->orderByDesc('id')
                    ->limit(self::SHOWN)
                    ->get()
                    ->map(
                        static fn(StockMove $move): array => [
                            ...$move->only(['id', 'kind', 'ml', 'turn_id', 'batch', 'counted_ml', 'note']),
                            'at' => $time($move->at),
                            'expires_on' => $move->expires_on?->toDateString(),
                        ],
                    )
                    ->all(),
            ),
        ];
    }
}
