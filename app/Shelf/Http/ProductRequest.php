<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\FactsRequest;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Says\Teller;
use App\Shelf\Product;
use App\Shelf\ProductRules;
use App\Tenancy\Tenancy;
use Illuminate\Validation\Validator;

#[
    Shape(
        'ProductInput',
        new Field('name?', 'string'),
        new Field('line?', 'string?'),
        new Field('maker?', 'string?'),
        new Field('role?', 'string'),
        new Field('surfaces?', 'string[]'),
        new Field('ph?', 'number?', 'Null: the label does not say'),
        new Field('leaves?', 'said'),
        new Field('strips?', 'string'),
        new Field('solvent?', 'boolean'),
        new Field('dilutions?', '{string}', 'Label text by way of use: bucket, lance, sprayer, bottle, wheel, tyre'),
        new Field('dwell_min_s?', 'integer'),
        new Field('dwell_max_s?', 'integer?'),
        new Field('may_dry?', 'boolean?', 'Null: the label does not say'),
        new Field('min_c?', 'number?'),
        new Field('max_c?', 'number?'),
        new Field('rinse?', 'boolean?', 'Null: the label does not say'),
        new Field('paste?', 'boolean', 'Out of a tin, dosed by weight'),
        new Field('family?', 'string?'),
        new Field('label_low_weeks?', 'number?'),
        new Field('label_high_weeks?', 'number?'),
        new Field('applied?', 'string?'),
        new Field('pack_ml?', 'number?'),
        new Field('price_minor?', 'integer?'),
        new Field('stock_ml?', 'number'),
        new Field('reorder_ml?', 'number'),
        new Field('cautions?', 'string[]'),
        new Field('supplier?', 'string?', 'Where it is bought'),
    ),
]
final class ProductRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ProductRules::fields($this->route('product') === null);
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), ...ProductRules::sentences()];
    }

    /**
     * What it costs is the owner’s to say; whoever reads null there says null without meaning it.
     *
     * @return array<string, mixed>
     */
    public function facts(): array
    {
        /** @var array<string, mixed> $facts */
        $facts = $this->validated();

        return app(Tenancy::class)->isOwner() ? $facts : array_diff_key($facts, ['price_minor' => 1]);
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                $product = $this->route('product');
                $has = $product instanceof Product ? $product : new Product();
                foreach (ProductRules::against($this->all(), $has) as $field => $says) {
                    $validator->errors()->add($field, Teller::here()->tell($says));
                }
            },
        ];
    }
}
