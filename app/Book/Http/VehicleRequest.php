<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Vehicle;
use App\Http\FactsRequest;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Says\Teller;
use App\Tenancy\Instant;
use App\Tenancy\Tenancy;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;

#[
    Shape(
        'VehicleInput',
        new Field('name?', 'string'),
        new Field('body?', 'string'),
        new Field('model?', 'string?'),
        new Field('plate?', 'string?'),
        new Field('client_id?', 'uuid?'),
        new Field('site_id?', 'uuid?'),
        new Field('in_service_on?', 'date?'),
        new Field('colour?', 'string?'),
        new Field('tone?', 'string'),
        new Field('hardness?', 'string'),
        new Field('finish?', 'string[]'),
        new Field('wheel_finish?', 'string'),
        new Field('paint_m2?', 'number'),
        new Field('storage?', 'string'),
        new Field('road?', 'string'),
        new Field('km_per_week?', 'integer'),
        new Field('salt_months?', 'integer[]', 'Months, 1 to 12, whose roads are salted where it drives'),
        new Field('cadence_min?', 'integer'),
        new Field('cadence_target?', 'integer'),
        new Field('cadence_max?', 'integer'),
        new Field('programme_id?', 'uuid?', 'Takes over its rhythm where no own is given'),
        new Field('salt_target?', 'integer?', 'Days between visits in salt months'),
        new Field('topper_weeks?', 'integer?', 'Null: by forecast'),
        new Field('decon_days?', 'integer?', 'Null: when the surface asks'),
        new Field('scope?', 'string', 'quick, usual, full, or what it takes in, with commas'),
        new Field('full_every?', 'integer?', 'Every so many visits it is a full one'),
        new Field('topper_washes?', 'integer?', 'A topper every so many washes, if that comes first'),
        new Field('own_minutes?', 'integer?', 'Of a visit, typed; counts as ten that were measured'),
        new Field('material?', 'string', null, ['steel', 'aluminium', 'fibreglass']),
        new Field('base_unknown?', 'boolean', 'Nobody knows what lies on the paint'),
        new Field('schools?', 'Sides', 'Its own sides; what is left out follows the workspace'),
        new Field('note?', 'string?'),
    ),
]
final class VehicleRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $new = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'name' => [$new, 'string', 'min:1', 'max:120'],
            'body' => [$new, Rule::enum(Body::class)],
            'model' => ['sometimes', 'nullable', 'string', 'max:120'],
            'plate' => ['sometimes', 'nullable', 'string', 'max:20'],
            'client_id' => ['sometimes', 'nullable', 'uuid', $this->mine('clients')],
            'site_id' => ['sometimes', 'nullable', 'uuid', $this->mine('sites')],
            'in_service_on' => [
                'sometimes',
                'nullable',
                'date_format:Y-m-d',
                'after:1900-01-01',
                'before_or_equal:' . self::today(),
            ],
            'colour' => ['sometimes', 'nullable', 'string', 'max:60'],
            'tone' => ['sometimes', 'in:white,silver,mid,dark,black'],
            'hardness' => ['sometimes', 'in:soft,medium,hard'],
            'finish' => ['sometimes', 'array'],
            'finish.*' => [Rule::enum(Finish::class), 'distinct'],
            'wheel_finish' => ['sometimes', Rule::enum(WheelFinish::class)],
            'paint_m2' => ['sometimes', 'numeric', 'between:1,200'],
            'storage' => ['sometimes', Rule::enum(Storage::class)],
            'road' => ['sometimes', Rule::enum(Road::class)],
            'km_per_week' => ['sometimes', 'integer', 'between:0,10000'],
            'salt_months' => ['sometimes', 'array', 'max:12'],
            'salt_months.*' => ['integer', 'between:1,12', 'distinct'],
            'programme_id' => ['sometimes', 'nullable', 'uuid', $this->mine('programmes')],
            ...RhythmRules::of(),
            'own_minutes' => ['sometimes', 'nullable', 'integer', 'between:5,1440'],
            'material' => ['sometimes', Rule::enum(Material::class)],
            'base_unknown' => ['sometimes', 'boolean'],
            'schools' => ['sometimes', 'array'],
            'note' => ['sometimes', 'nullable', 'string', 'max:2000'],
        ];
    }

    private static function today(): string
    {
        return app(Tenancy::class)->workspace()->dateOf(app(ClockInterface::class)->now());
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }
                try {
                    Schools::of($this->array('schools'));
                } catch (InvalidInput $e) {
                    $validator->errors()->add($e->field, Teller::here()->tell($e->says));
                }
                $vehicle = $this->route('vehicle');
                $has = $vehicle instanceof Vehicle ? $vehicle : new Vehicle();
                [$min, $target, $max] = array_map(fn(string $field): int => $this->integer($field, $has->{$field}), [
                    'cadence_min',
                    'cadence_target',
                    'cadence_max',
                ]);
                if ($min > $target || $target > $max) {
                    $validator->errors()->add('cadence_target', Teller::here()->say('vehicle.cadence'));
                }
                $since = $this->string('in_service_on')->value();
                if ($vehicle instanceof Vehicle && $since !== '') {
                    $first = $vehicle->layers()->min('on_at');
                    $on = is_string($first) ? app(Tenancy::class)->workspace()->dateOf(Instant::of($first)) : null;
                    if ($on !== null && $on < $since) {
                        $validator
                            ->errors()
                            ->add('in_service_on', Teller::here()->say('vehicle.layer-before', on: $on));
                    }
                }
            },
        ];
    }
}
