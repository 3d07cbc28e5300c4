<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Bench\JudgeShelf;
use App\Film\RenameOnShelf;
use App\Http\OpenApi\Also;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Shelf\ImportProducts;
use App\Shelf\Product;
use App\Shelf\ProductFile;
use App\Tables\Counted;
use App\Tables\UnreadableFile;
use App\Tenancy\Tenancy;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** The shelf as a whole: what fits what, files in and out, lines and makers. */
#[
    Shape(
        'FitFamily',
        new Field('family', 'string'),
        new Field('vehicles', 'integer', 'How many have it on their paint'),
    ),
]
#[
    Shape(
        'FitCell',
        new Field('family', 'string'),
        new Field('allowed', 'boolean'),
        new Field('remarks', 'ShelfRemark[]'),
    ),
]
#[
    Shape(
        'FitProduct',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('role', 'string'),
        new Field('line', 'string?'),
        new Field('zone', 'string'),
        new Field('cells', 'FitCell[]'),
    ),
]
#[Shape('FitTable', new Field('families', 'FitFamily[]'), new Field('products', 'FitProduct[]'))]
#[
    Shape(
        'FitVehicle',
        new Field('vehicle_id', 'uuid'),
        new Field('name', 'string'),
        new Field('remarks', 'ShelfRemark[]'),
    ),
]
#[
    Shape(
        'FitPreview',
        new Field('zone', 'string'),
        new Field('cells', 'FitCell[]'),
        new Field('fits', 'integer'),
        new Field('of', 'integer'),
        new Field('refused', 'FitVehicle[]'),
        new Field('warned', 'FitVehicle[]'),
    ),
]
#[
    Shape(
        'ProductImportInput',
        new Field('text', 'string', 'The file: CSV or JSON'),
        new Field('commit?', 'boolean', 'False only looks'),
    ),
]
#[Shape('ImportError', new Field('field', 'string'), new Field('says', 'said'))]
#[
    Shape(
        'ImportRow',
        new Field('row', 'integer'),
        new Field('name', 'string'),
        new Field('does', 'string', null, ['new', 'change', 'same', 'wrong']),
        new Field('changes', 'string[]'),
        new Field('errors', 'ImportError[]'),
        new Field('unknown', 'string[]'),
    ),
]
#[
    Shape(
        'TableTaken',
        new Field('done', 'boolean'),
        new Field('new', 'integer'),
        new Field('changed', 'integer'),
        new Field('same', 'integer'),
        new Field('wrong', 'integer'),
    ),
]
#[Shape('ProductImport', new Field('rows', 'ImportRow[]'), new Also(self::class, 'TableTaken'))]
#[
    Shape(
        'RenameInput',
        new Field('what', 'string', null, ['line', 'maker']),
        new Field('from', 'string'),
        new Field('to', 'string?'),
    ),
]
#[Shape('Renamed', new Field('products', 'integer'))]
final class ShelfController
{
    private const LARGEST = 2_000_000;

    #[
        OA\Get(
            path: '/api/v1/products/fit',
            operationId: 'fitTable',
            summary: 'Products × families of protection',
            tags: ['Products'],
        ),
    ]
    #[Returns('FitTable')]
    public function fit(JudgeShelf $judgeShelf): JsonResponse
    {
        Gate::authorize('viewAny', Product::class);

        return new JsonResponse($judgeShelf->table());
    }

    #[
        OA\Post(
            path: '/api/v1/products/preview',
            operationId: 'previewProduct',
            summary: 'A product as typed, saved or not, against families and vehicles',
            tags: ['Products'],
        ),
    ]
    #[Takes('ProductInput')]
    #[Returns('FitPreview')]
    public function preview(ProductRequest $request, JudgeShelf $judgeShelf): JsonResponse
    {
        Gate::authorize('viewAny', Product::class);

        return new JsonResponse($judgeShelf->preview((new Product())->fill($request->validated())));
    }

    #[
        OA\Get(
            path: '/api/v1/products/export',
            operationId: 'exportProducts',
            summary: 'The shelf as a file (docs/formats.md)',
            tags: ['Products'],
            parameters: [
                new OA\QueryParameter(name: 'format', schema: new OA\Schema(type: 'string', enum: ['json', 'csv'])),
            ],
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The file',
            content: [new OA\MediaType(mediaType: 'text/csv'), new OA\MediaType(mediaType: 'application/json')],
        ),
    ]
    public function export(Request $request, Tenancy $tenancy): Response
    {
        Gate::authorize('viewAny', Product::class);
        $products = Product::query()->whereNull('archived_at')->orderBy('name')->orderBy('id')->get();
        if (!$tenancy->isOwner()) {
            $products->each(static fn(Product $one): Product => $one->setAttribute('price_minor', null));
        }
        $csv = $request->query('format') === 'csv';
        $name =
            preg_replace('/[^a-z0-9]+/', '-', strtolower($tenancy->workspace()->name)) .
            '-shelf.' .
            ($csv ? 'csv' : 'json');

        return new Response($csv ? ProductFile::csv($products) : ProductFile::json($products), 200, [
            'Content-Type' => $csv ? 'text/csv; charset=utf-8' : 'application/json',
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/products/import',
            operationId: 'importProducts',
            summary: 'Look at a file, or put it on the shelf; with one wrong row nothing is done',
            tags: ['Products'],
        ),
    ]
    #[Takes('ProductImportInput')]
    #[Returns('ProductImport')]
    public function import(Request $request, ImportProducts $importProducts): JsonResponse
    {
        Gate::authorize('create', Product::class);
        $facts = $request->validate([
            'text' => ['required', 'string', 'max:' . self::LARGEST],
            'commit' => ['sometimes', 'boolean'],
        ]);
        try {
            $result = $importProducts($facts['text'], (bool) ($facts['commit'] ?? false));
        } catch (UnreadableFile $e) {
            throw Problem::field('text', $e->says);
        }

        return new JsonResponse([...$result, 'rows' => Counted::told($result['rows'])]);
    }

    #[
        OA\Post(
            path: '/api/v1/products/rename',
            operationId: 'renameOnShelf',
            summary: 'Give a line or a maker another name, everywhere at once',
            tags: ['Products'],
        ),
    ]
    #[Takes('RenameInput')]
    #[Returns('Renamed')]
    public function rename(Request $request, RenameOnShelf $renameOnShelf): JsonResponse
    {
        Gate::authorize('create', Product::class);
        $facts = $request->validate([
            'what' => ['required', 'in:line,maker'],
            'from' => ['required', 'string', 'max:80'],
            'to' => ['present', 'nullable', 'string', 'max:80'],
        ]);
        $what = $facts['what'] === 'line' ? 'line' : 'maker';

        return new JsonResponse(['products' => $renameOnShelf($what, $facts['from'], $facts['to'])]);
    }
}
