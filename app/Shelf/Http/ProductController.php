<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\Paged;
use App\Http\PutsAway;
use App\Http\Versioned;
use App\Shelf\Product;
use App\Shelf\ProductChanged;
use App\Turns\MoveStock;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;

/** The shelf, as it stands on the labels. */
#[Shape('RestockInput', new Field('ml', 'number'))]
final class ProductController
{
    use Paged;
    use PutsAway;
    use Versioned;

    public function __construct(private readonly ClockInterface $clock, private readonly MoveStock $moveStock) {}

    #[
        OA\Get(
            path: '/api/v1/products',
            operationId: 'listProducts',
            summary: 'By name, paged by cursor',
            tags: ['Products'],
            parameters: [
                new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string')),
                new OA\QueryParameter(
                    name: 'archived',
                    description: 'Also what was put away',
                    schema: new OA\Schema(type: 'boolean'),
                ),
            ],
        ),
    ]
    #[Returns('Product', page: true)]
    public function index(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Product::class);
        $search = $this->search($request);

        return $this->page(
            Product::query()
                ->when(!$request->boolean('archived'), static fn($query) => $query->whereNull('archived_at'))
                ->when(
                    $search !== '',
                    fn($query) => $query->whereAny(['name', 'line', 'maker', 'role'], 'ilike', $this->like($search)),
                )
                ->orderBy('name')
                ->orderBy('id')
                ->cursorPaginate($this->size($request)),
            ProductResource::class,
        );
    }

    #[OA\Post(path: '/api/v1/products', operationId: 'createProduct', tags: ['Products'])]
    #[Takes('ProductInput')]
    #[Returns('Product', 201)]
    public function store(ProductRequest $request): JsonResponse
    {
        Gate::authorize('create', Product::class);
        $product = DB::transaction(static fn(): Product => Product::query()->create($request->facts()));

        return $this->sent(new ProductResource($product->refresh()), $product, 201);
    }

    #[OA\Get(path: '/api/v1/products/{product}', operationId: 'showProduct', tags: ['Products'])]
    #[Returns('Product')]
    public function show(Product $product): JsonResponse
    {
        Gate::authorize('view', $product);

        return $this->sent(new ProductResource($product), $product);
    }

    #[
        OA\Patch(
            path: '/api/v1/products/{product}',
            operationId: 'updateProduct',
            summary: 'Change some fields; needs If-Match',
            tags: ['Products'],
        ),
    ]
    #[IfMatch]
    #[Takes('ProductInput')]
    #[Returns('Product')]
    public function update(ProductRequest $request, Product $product): JsonResponse
    {
        Gate::authorize('update', $product);
        $product = $this->changed(
            $request,
            $product,
            static fn(Product $row): ProductResource => new ProductResource($row),
            fn(Product $row): Product => $this->put($request, $row),
        );
        event(ProductChanged::of($product));

        return $this->sent(new ProductResource($product), $product);
    }

    #[
        OA\Delete(
            path: '/api/v1/products/{product}',
            operationId: 'archiveProduct',
            summary: 'Put away; nothing recorded is lost',
            tags: ['Products'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Product $product): Response
    {
        return $this->putAway($product);
    }

    #[
        OA\Post(
            path: '/api/v1/products/{product}/restore',
            operationId: 'restoreProduct',
            summary: 'Take out again',
            tags: ['Products'],
        ),
    ]
    #[Returns(null, 204)]
    public function restore(Product $product): Response
    {
        return $this->takeOut($product);
    }

    #[
        OA\Post(
            path: '/api/v1/products/{product}/restock',
            operationId: 'restockProduct',
            summary: 'So much more has come in',
            tags: ['Products'],
        ),
    ]
    #[Takes('RestockInput')]
    #[Returns('Product')]
    public function restock(Request $request, Product $product): JsonResponse
    {
        Gate::authorize('update', $product);
        $facts = $request->validate(['ml' => ['required', 'numeric', 'between:0.1,10000000']]);
        $this->moveStock->bought(
            $product,
            (float) $facts['ml'],
            CarbonImmutable::instance($this->clock->now()),
            $request->user()?->getAuthIdentifier(),
        );

        return $this->sent(new ProductResource($product->refresh()), $product);
    }

    /** What is said to lie there is a count: the difference to the book is a movement, and nothing of it is lost. */
    private function put(ProductRequest $request, Product $row): Product
    {
        $facts = $request->facts();
        $found = $facts['stock_ml'] ?? null;
        if (is_numeric($found) && abs((float) $found - $row->stock_ml) >= 0.05) {
            $by = $request->user()?->getAuthIdentifier();
            $this->moveStock->counted(
                $row,
                (float) $found,
                CarbonImmutable::instance($this->clock->now()),
                is_string($by) ? $by : null,
            );
            $row->refresh();
        }

        return $row->fill(array_diff_key($facts, ['stock_ml' => 1]));
    }
}
