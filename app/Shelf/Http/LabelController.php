<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Shelf\LabelSheet;
use App\Shelf\Product;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Vicissa\Core\Says\Said;

/** Labels for bottles that were mixed. */
#[
    Shape(
        'BottleLabel',
        new Field('name', 'string'),
        new Field('dilution', 'string'),
        new Field('mixed_on', 'date'),
        new Field('caution?', 'string?'),
        new Field('copies?', 'integer'),
    ),
]
#[
    Shape(
        'LabelInput',
        new Field('size', 'string', null, ['small', 'medium', 'large']),
        new Field('labels', 'BottleLabel[]'),
    ),
]
final class LabelController
{
    /** Labels in one file. */
    private const MOST = 120;

    #[
        OA\Post(
            path: '/api/v1/labels',
            operationId: 'printLabels',
            summary: 'A PDF, one label a page of its own size',
            tags: ['Gear'],
        ),
    ]
    #[Takes('LabelInput')]
    #[
        OA\Response(
            response: 200,
            description: 'The labels',
            content: [
                new OA\MediaType(mediaType: 'application/pdf', schema: new OA\Schema(type: 'string', format: 'binary')),
            ],
        ),
    ]
    public function print(Request $request, LabelSheet $sheet): Response
    {
        Gate::authorize('viewAny', Product::class);
        $given = $request->validate([
            'size' => ['required', 'in:small,medium,large'],
            'labels' => ['required', 'array', 'min:1', 'max:40'],
            'labels.*.name' => ['required', 'string', 'max:80'],
            'labels.*.dilution' => ['required', 'string', 'max:120'],
            'labels.*.mixed_on' => ['required', 'date_format:Y-m-d'],
            'labels.*.caution' => ['sometimes', 'nullable', 'string', 'max:160'],
            'labels.*.copies' => ['sometimes', 'integer', 'between:1,40'],
        ]);

        $sheets = array_sum(array_map(static fn(array $one): int => (int) ($one['copies'] ?? 1), $given['labels']));
        if ($sheets > self::MOST) {
            throw Problem::field('labels', Said::of('problem.labels', count: $sheets, most: self::MOST));
        }

        return new Response($sheet->pdf($given['size'], array_values($given['labels'])), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="labels.pdf"',
        ]);
    }
}
