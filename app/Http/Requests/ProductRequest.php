<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Models\Product;
use DomainException;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\AmbiguousDilution;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\InMeans;
use Vicissa\Core\Protection\Family;

#[Shape(
    'ProductInput',
    new Field('name?', 'string'),
    new Field('line?', 'string?'),
    new Field('maker?', 'string?'),
    new Field('role?', 'string'),
    new Field('surfaces?', 'string[]'),
    new Field('ph?', 'number'),
    new Field('leaves?', 'string'),
    new Field('strips?', 'string'),
    new Field('solvent?', 'boolean'),
    new Field('dilutions?', 'object', 'Label text by way of use: bucket, lance, sprayer, bottle, wheel, tyre'),
    new Field('dwell_min_s?', 'integer'),
    new Field('dwell_max_s?', 'integer?'),
    new Field('may_dry?', 'boolean'),
    new Field('min_c?', 'number?'),
    new Field('max_c?', 'number?'),
    new Field('rinse?', 'boolean'),
    new Field('family?', 'string?'),
    new Field('label_low_weeks?', 'number?'),
    new Field('label_high_weeks?', 'number?'),
    new Field('applied?', 'string?'),
    new Field('pack_ml?', 'number?'),
    new Field('price_minor?', 'integer?'),
    new Field('stock_ml?', 'number'),
    new Field('reorder_ml?', 'number'),
    new Field('cautions?', 'string[]'),
)]
final class ProductRequest extends FactsRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $new = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'name' => [$new, 'string', 'min:1', 'max:120'],
            'line' => ['sometimes', 'nullable', 'string', 'max:80'],
            'maker' => ['sometimes', 'nullable', 'string', 'max:80'],
            'role' => [$new, Rule::enum(Role::class)],
            'surfaces' => [$new, 'array', 'min:1'],
            'surfaces.*' => [Rule::enum(Zone::class), 'distinct'],
            'ph' => ['sometimes', 'numeric', 'between:0,14'],
            'leaves' => ['sometimes', Rule::enum(Leaves::class)],
            'strips' => ['sometimes', Rule::enum(Strips::class)],
            'solvent' => ['sometimes', 'boolean'],
            'dilutions' => ['sometimes', 'array:bucket,lance,sprayer,bottle,wheel,tyre'],
            'dilutions.*' => ['string', 'max:80'],
            'dwell_min_s' => ['sometimes', 'integer', 'between:0,86400'],
            'dwell_max_s' => ['sometimes', 'nullable', 'integer', 'between:0,86400'],
            'may_dry' => ['sometimes', 'boolean'],
            'min_c' => ['sometimes', 'nullable', 'numeric', 'between:-40,90'],
            'max_c' => ['sometimes', 'nullable', 'numeric', 'between:-40,90'],
            'rinse' => ['sometimes', 'boolean'],
            'family' => ['sometimes', 'nullable', Rule::enum(Family::class)->except([Family::Bare])],
            'label_low_weeks' => ['sometimes', 'nullable', 'numeric', 'between:0.1,2000', 'required_with:label_high_weeks'],
            'label_high_weeks' => ['sometimes', 'nullable', 'numeric', 'between:0.1,2000', 'required_with:label_low_weeks'],
            'applied' => ['sometimes', 'nullable', 'in:wet-rinse,foam-rinse,drying-aid,wipe'],
            'pack_ml' => ['sometimes', 'nullable', 'numeric', 'between:1,1000000'],
            'price_minor' => ['sometimes', 'nullable', 'integer', 'between:0,100000000'],
            'stock_ml' => ['sometimes', 'numeric', 'between:0,10000000'],
            'reorder_ml' => ['sometimes', 'numeric', 'between:0,10000000'],
            'cautions' => ['sometimes', 'array', 'max:12'],
            'cautions.*' => ['string', 'max:240'],
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [function (Validator $validator): void {
            $product = $this->route('product');
            $has = $product instanceof Product ? $product : new Product;
            foreach ([['label_low_weeks', 'label_high_weeks', 'The longest label life is shorter than the shortest.'],
                ['min_c', 'max_c', 'The coldest panel allowed is warmer than the hottest.'],
                ['dwell_min_s', 'dwell_max_s', 'The longest dwell is shorter than the shortest.']] as [$low, $high, $says]) {
                [$a, $b] = [$this->input($low, $has->getAttribute($low)), $this->input($high, $has->getAttribute($high))];
                if (is_numeric($a) && is_numeric($b) && (float) $a > (float) $b) {
                    $validator->errors()->add($high, $says);
                }
            }
            foreach ($this->array('dilutions') as $way => $text) {
                try {
                    (new DilutionReader(capMl: 10.0, pumpMl: 2.0, inMeans: InMeans::Total))->read((string) $text);
                } catch (AmbiguousDilution|DomainException $e) {
                    $validator->errors()->add("dilutions.{$way}", $e->getMessage());
                }
            }
        }];
    }
}
