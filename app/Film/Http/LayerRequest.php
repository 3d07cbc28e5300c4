<?php

declare(strict_types=1);

namespace App\Film\Http;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Http\FactsRequest;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Says\Teller;
use App\Shelf\ProductRules;
use App\Tenancy\Tenancy;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Family;

#[
    Shape(
        'LayerInput',
        new Field('zone?', 'string'),
        new Field('kind?', 'string', null, ['base', 'topper']),
        new Field('family?', 'string'),
        new Field('product_id?', 'uuid?'),
        new Field('name?', 'string?'),
        new Field('line?', 'string?', 'Of its maker, where no product of the shelf says it'),
        new Field('designed?', 'string', null, ['beads', 'sheets']),
        new Field('on?', 'date'),
        new Field('label_low_weeks?', 'number?'),
        new Field('label_high_weeks?', 'number?'),
    ),
]
final class LayerRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $new = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'zone' => [$new, Rule::enum(Zone::class)],
            'kind' => [$new, 'in:base,topper'],
            'family' => [$new, Rule::enum(Family::class)->except([Family::Bare])],
            'product_id' => ['sometimes', 'nullable', 'uuid', $this->mine('products')],
            'name' => ['sometimes', 'nullable', 'string', 'max:120'],
            'line' => ['sometimes', 'nullable', 'string', 'max:80'],
            'designed' => ['sometimes', Rule::enum(Designed::class)],
            'on' => [$new, 'date_format:Y-m-d', 'after:1950-01-01'],
            ...ProductRules::labelWeeks(['gte:label_low_weeks']),
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                $on = $validator->errors()->has('on') ? '' : $this->string('on')->value();
                if ($on === '') {
                    return;
                }
                $layer = $this->route('layer');
                $vehicle = $layer instanceof Layer ? $layer->vehicle()->first() : $this->route('vehicle');
                if ($on > app(Tenancy::class)->workspace()->dateOf(app(ClockInterface::class)->now())) {
                    $validator->errors()->add('on', Teller::here()->say('layer.to-come'));
                } elseif (
                    $vehicle instanceof Vehicle &&
                    $vehicle->in_service_on !== null &&
                    $on < $vehicle->in_service_on->toDateString()
                ) {
                    $validator
                        ->errors()
                        ->add(
                            'on',
                            Teller::here()->say('layer.before-service', since: $vehicle->in_service_on->toDateString()),
                        );
                }
            },
        ];
    }
}
