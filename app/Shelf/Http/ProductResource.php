<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Shelf\Product;
use Illuminate\Http\Request;

/** @extends RowResource<Product> */
#[
    Shape(
        'Dilutions',
        new Field('bucket?', 'string'),
        new Field('lance?', 'string'),
        new Field('sprayer?', 'string'),
        new Field('bottle?', 'string'),
        new Field('wheel?', 'string'),
        new Field('tyre?', 'string'),
    ),
]
#[
    Shape(
        'Product',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('line', 'string?'),
        new Field('maker', 'string?'),
        new Field('supplier', 'string?'),
        new Field('role', 'string'),
        new Field('surfaces', 'string[]'),
        new Field('ph', 'number?', 'Null: the label does not say'),
        new Field('leaves', 'said'),
        new Field('strips', 'string'),
        new Field('solvent', 'boolean'),
        new Field('dilutions', 'Dilutions'),
        new Field('dwell_min_s', 'integer'),
        new Field('dwell_max_s', 'integer?'),
        new Field('may_dry', 'boolean?'),
        new Field('min_c', 'number?'),
        new Field('max_c', 'number?'),
        new Field('rinse', 'boolean?'),
        new Field('paste', 'boolean'),
        new Field('unknown', 'string[]', 'What its label does not say, and is therefore taken carefully'),
        new Field('family', 'string?'),
        new Field('label_low_weeks', 'number?'),
        new Field('label_high_weeks', 'number?'),
        new Field('applied', 'string?'),
        new Field('pack_ml', 'number?'),
        new Field('price_minor', 'integer?'),
        new Field('stock_ml', 'number'),
        new Field('reorder_ml', 'number'),
        new Field('cautions', 'string[]'),
        new Field('archived', 'boolean'),
        new Field('version', 'integer'),
    ),
]
final class ProductResource extends RowResource
{
    /** @return Told<'Product'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only(['id', ...Product::IS, ...Product::WORKS, 'paste', ...Product::HOLDS, 'version']),
            'dilutions' => (object) $this->dilutions,
            'unknown' => $this->label()->unknown(),
            'archived' => $this->archived_at !== null,
        ];
    }
}
