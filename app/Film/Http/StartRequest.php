<?php

declare(strict_types=1);

namespace App\Film\Http;

use App\Http\FactsRequest;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Protection\Family;

#[
    Shape(
        'StartInput',
        new Field('id?', 'uuid'),
        new Field('name', 'string'),
        new Field('body', 'string'),
        new Field('tone?', 'string'),
        new Field('finish?', 'string[]'),
        new Field('family', 'string', 'A family, bare, or unknown when nobody knows'),
        new Field('product_id?', 'uuid?'),
        new Field('layer_name?', 'string?'),
        new Field('since?', 'date?'),
    ),
]
final class StartRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'id' => ['sometimes', 'uuid', Rule::unique('vehicles', 'id')],
            'name' => ['required', 'string', 'min:1', 'max:120'],
            'body' => ['required', Rule::enum(Body::class)],
            'tone' => ['sometimes', 'in:white,silver,mid,dark,black'],
            'finish' => ['sometimes', 'array'],
            'finish.*' => [Rule::enum(Finish::class)],
            'family' => ['required', Rule::in([...array_column(Family::cases(), 'value'), 'unknown'])],
            'product_id' => ['sometimes', 'nullable', 'uuid', $this->mine('products')],
            'layer_name' => ['sometimes', 'nullable', 'string', 'max:120'],
            'since' => ['sometimes', 'nullable', 'date_format:Y-m-d', 'after:1950-01-01'],
        ];
    }

    /**
     * @return array{id?: string, name: string, body: string, tone?: string, finish?: list<string>, family: string,
     *     product_id?: string|null, layer_name?: string|null, since?: string|null}
     */
    public function answers(): array
    {
        /**
         * @var array{id?: string, name: string, body: string, tone?: string, finish?: list<string>, family: string,
         *     product_id?: string|null, layer_name?: string|null, since?: string|null}
         */
        return $this->validated();
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                $since = $validator->errors()->has('since') ? '' : $this->string('since')->value();
                if (
                    $since !== '' &&
                    $since > app(Tenancy::class)->workspace()->dateOf(app(ClockInterface::class)->now())
                ) {
                    $validator->errors()->add('since', Teller::here()->say('layer.when'));
                }
            },
        ];
    }
}
