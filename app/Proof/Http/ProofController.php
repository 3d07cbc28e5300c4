<?php

declare(strict_types=1);

namespace App\Proof\Http;

use App\Http\OpenApi\Also;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Proof\WeighProof;
use App\Shelf\Product;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** What really lasts on these vehicles. */
#[
    Shape(
        'SurvivalPoint',
        new Field('wear', 'number', 'Wear-weeks'),
        new Field('holds', 'number'),
        new Field('low', 'number'),
        new Field('high', 'number'),
    ),
]
#[Shape('ModelPoint', new Field('wear', 'number'), new Field('holds', 'number'))]
#[
    Shape(
        'ProofCurve',
        new Field('layers', 'integer'),
        new Field('failed', 'integer'),
        new Field('too_few', 'boolean'),
        new Field('median', 'number?', 'Of the curve alone'),
        new Field('points', 'SurvivalPoint[]', 'The non-parametric curve with its 80 % band'),
    ),
]
#[Shape('ProofUnder', new Field('family', 'string', 'What lies under it'), new Also(self::class, 'ProofCurve'))]
#[
    Shape(
        'RestsOn',
        new Field('label', 'number', 'Share of what is known'),
        new Field('product', 'number', 'This product on other vehicles'),
        new Field('vehicle', 'number', 'This product on this vehicle'),
    ),
]
#[
    Shape(
        'ProofProduct',
        new Field('product_id', 'uuid'),
        new Field('name', 'string'),
        new Field('zone', 'string'),
        new Field('applied', 'string?'),
        new Field('label_low_weeks', 'number'),
        new Field('label_high_weeks', 'number'),
        new Field('life', 'number', 'Found, wear-weeks: what the model makes of label and layers'),
        new Field('p10', 'number'),
        new Field('p90', 'number'),
        new Field('spread_layer', 'number', 'Of ln life, from layer to layer'),
        new Field('spread_vehicle', 'number', 'From vehicle to vehicle'),
        new Field('rests_on', 'RestsOn'),
        new Field('cost_minor_week', 'number?', 'Of the product, for each week it protects'),
        new Also(self::class, 'ProofCurve'),
        new Field('model', 'ModelPoint[]'),
        new Field('under', 'ProofUnder[]'),
    ),
]
#[
    Shape(
        'ProofGroup',
        new Field('kind', 'string', 'What tells the layers apart', [
            'family',
            'way',
            'method',
            'drying-aid',
            'prewash',
        ]),
        new Field('answer', 'string'),
        new Field(
            'unit',
            'string',
            'Of wear; middle-lives: 1 is the middle life of the same product, weather and road alone',
            ['wear-weeks', 'middle-lives'],
        ),
        new Also(self::class, 'ProofCurve'),
    ),
]
#[
    Shape(
        'ProofVehicle',
        new Field('vehicle_id', 'uuid'),
        new Field('name', 'string'),
        new Field('layers', 'integer'),
        new Field('share', 'number', 'Of the life its habits would let a layer have'),
    ),
]
#[
    Shape(
        'CalibrationPoint',
        new Field('said', 'number'),
        new Field('was', 'number'),
        new Field('low', 'number'),
        new Field('high', 'number'),
    ),
]
#[
    Shape(
        'ProofCalibration',
        new Field('layers', 'integer'),
        new Field('off_by', 'number', 'Points of 100'),
        new Field('place', 'string', 'Where the middle of lives lies', ['right', 'sooner', 'longer', 'too-early']),
        new Field('spread', 'string', 'The room that was left', ['right', 'too-narrow', 'too-wide', 'too-early']),
        new Field('says', 'said'),
        new Field('points', 'CalibrationPoint[]'),
    ),
]
#[
    Shape(
        'Proof',
        new Field('products', 'ProofProduct[]'),
        new Field('groups', 'ProofGroup[]'),
        new Field('vehicles', 'ProofVehicle[]'),
        new Field('calibration', 'ProofCalibration'),
        new Field('weighed_at', 'date-time'),
        new Field('newer', 'boolean', 'Whether there is more since, which is being weighed'),
    ),
]
final class ProofController
{
    #[
        OA\Get(
            path: '/api/v1/proof',
            operationId: 'showProof',
            summary: 'What really lasts: survival by product against its label, cost per protected week, vehicles that wear faster than their habits explain, and whether forecasts were right',
            tags: ['Proof'],
        ),
    ]
    #[Returns('Proof')]
    public function __invoke(WeighProof $weighProof): JsonResponse
    {
        Gate::authorize('viewAny', Product::class);

        $proof = $weighProof();

        return new JsonResponse($proof, headers: $proof['newer'] ? ['Retry-After' => '30'] : []);
    }
}
