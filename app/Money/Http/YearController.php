<?php

declare(strict_types=1);

namespace App\Money\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Money\TryYear;
use App\Tenancy\Tenancy;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Vicissa\Core\Ahead\TopperRule;
use Vicissa\Core\Matching\Method;

/** A year ahead, tried under two or three ways of keeping a vehicle, or the whole book. */
#[
    Shape(
        'YearRegime',
        new Field('name', 'string'),
        new Field('programme_id?', 'uuid?', 'Its own rhythm when left out'),
        new Field('every_days?', 'integer?'),
        new Field('salt_every_days?', 'integer?'),
        new Field('topper', 'string', null, ['never', 'every-wash', 'weeks', 'forecast', 'reading']),
        new Field('topper_weeks?', 'integer?'),
        new Field('method', 'string'),
    ),
]
#[
    Shape(
        'YearInput',
        new Field('vehicle_id?', 'uuid?', 'Null: the whole book'),
        new Field('regimes', 'YearRegime[]'),
        new Field('seed?', 'integer'),
        new Field('trials?', 'integer'),
    ),
]
#[
    Shape(
        'YearSpread',
        new Field('mean', 'number'),
        new Field('low', 'number', 'Five in a hundred lie below'),
        new Field('high', 'number', 'Five in a hundred lie above'),
    ),
]
#[
    Shape(
        'YearFigures',
        new Field('weeks_below', 'YearSpread', 'Weeks with the topper spent'),
        new Field('hours', 'YearSpread'),
        new Field('litres', 'YearSpread'),
        new Field('minor', 'YearSpread', 'Materials'),
        new Field('risk', 'YearSpread', 'Contact, relative'),
        new Field('washes', 'YearSpread'),
        new Field('toppers', 'YearSpread'),
        new Field('refused', 'YearSpread', 'Visits at which the method was refused'),
    ),
]
#[
    Shape(
        'YearBand',
        new Field('day', 'integer'),
        new Field('low', 'number'),
        new Field('mid', 'number'),
        new Field('high', 'number'),
    ),
]
#[Shape('YearStep', new Field('day', 'integer'), new Field('left', 'number'), new Field('topped', 'boolean'))]
#[
    Shape(
        'YearOutcome',
        new Field('name', 'string'),
        new Field('figures', 'YearFigures'),
        new Field(
            'band',
            'YearBand[]',
            'Of a single vehicle: what is left, a tenth, half and nine tenths of the trials lying below',
        ),
        new Field('typical', 'YearStep[]', 'One trial of the middle'),
    ),
]
#[
    Shape(
        'YearAhead',
        new Field('vehicles', 'integer'),
        new Field('left_out', 'string[]', 'Nothing is known of a topper on these'),
        new Field('trials', 'integer'),
        new Field('seed', 'integer'),
        new Field('currency', 'string'),
        new Field('today', 'date-time'),
        new Field('regimes', 'YearOutcome[]'),
        new Field('assumes', 'said[]'),
    ),
]
final readonly class YearController
{
    public function __construct(private Tenancy $tenancy) {}

    #[
        OA\Post(
            path: '/api/v1/year',
            operationId: 'tryYear',
            summary: 'The same seed gives the same years; nothing is written',
            tags: ['Film'],
        ),
    ]
    #[Takes('YearInput')]
    #[Returns('YearAhead')]
    public function __invoke(Request $request, TryYear $tryYear): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $mine = fn(string $table) => Rule::exists($table, 'id')->where('workspace_id', $this->tenancy->workspace()->id);
        $asked = $request->validate([
            'vehicle_id' => ['sometimes', 'nullable', 'uuid', $mine('vehicles')],
            'regimes' => ['required', 'array', 'min:1', 'max:3'],
            'regimes.*.name' => ['required', 'string', 'max:60'],
            'regimes.*.programme_id' => ['sometimes', 'nullable', 'uuid', $mine('programmes')],
            'regimes.*.every_days' => ['sometimes', 'nullable', 'integer', 'between:1,180'],
            'regimes.*.salt_every_days' => ['sometimes', 'nullable', 'integer', 'between:1,180'],
            'regimes.*.topper' => ['required', Rule::enum(TopperRule::class)],
            'regimes.*.topper_weeks' => ['sometimes', 'nullable', 'integer', 'between:1,104'],
            'regimes.*.method' => ['required', Rule::enum(Method::class)],
            'seed' => ['sometimes', 'integer', 'between:1,1000000'],
            'trials' => ['sometimes', 'integer', 'between:20,1000'],
        ]);
        $single = isset($asked['vehicle_id']);

        return new JsonResponse(
            $tryYear(
                $single ? [$asked['vehicle_id']] : null,
                array_values($asked['regimes']),
                (int) ($asked['seed'] ?? 1),
                (int) ($asked['trials'] ?? ($single ? 300 : 60)),
            ),
        );
    }
}
