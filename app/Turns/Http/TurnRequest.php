<?php

declare(strict_types=1);

namespace App\Turns\Http;

use App\Book\Http\KnownScope;
use App\Book\Vehicle;
use App\Http\FactsRequest;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Record\Sheet;
use App\Record\Turn;
use App\Says\Teller;
use App\Tenancy\Instant;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Part;
use Vicissa\Core\Protection\Stage;

#[
    Shape(
        'ReadingInput',
        new Field('stage', 'string', null, ['arrival', 'after_wash', 'after_decon', 'after_topper']),
        new Field('zone', 'string'),
        new Field('behaviour', 'string', null, ['tight', 'good', 'weak', 'sheeting', 'flat']),
        new Field('angle_deg?', 'number?'),
        new Field('part?', 'string', 'Where on the paint', ['whole', 'top', 'sides', 'low']),
        new Field('sheets_s?', 'number?', 'Seconds until a sheet of water had left the panel'),
    ),
]
#[Shape('LeftOut', new Field('kind', 'string'), new Field('why', 'said'))]
#[
    Shape(
        'InspectionSeen',
        new Field('seen', 'string[]', 'sound, thin, flat-spots, water-marks, chips, edges-lift'),
        new Field('note?', 'string?'),
    ),
]
#[
    Shape(
        'UseInput',
        new Field('product_id', 'uuid'),
        new Field('zone', 'string'),
        new Field('quantity_ml?', 'number?'),
        new Field('batch?', 'string?', 'The one in use when left out'),
        new Field('as_base?', 'boolean', 'It renewed the layer that is meant to last'),
    ),
]
#[
    Shape(
        'TurnInput',
        new Field('id?', 'uuid', 'Made on the device, so that a repeat is known'),
        new Field('worked_at', 'date-time'),
        new Field('minutes?', 'integer?'),
        new Field('soil', 'integer'),
        new Field('grit?', 'boolean'),
        new Field('method', 'string'),
        new Field('purpose?', 'string', null, ['maintain', 'reset']),
        new Field('water', 'string', null, ['none', 'tap', 'treated']),
        new Field('panel_c?', 'number?'),
        new Field('clay?', 'boolean'),
        new Field('looked_over?', 'boolean', 'The base was inspected'),
        new Field('note?', 'string?'),
        new Field('readings?', 'ReadingInput[]'),
        new Field('products?', 'UseInput[]'),
        new Field('crew?', 'integer?'),
        new Field('water_l?', 'number?'),
        new Field('textiles?', 'Textiles'),
        new Field('steps?', 'StepTaken[]'),
        new Field('refused?', 'Refusal[]'),
        new Field('recommended?', 'string?'),
        new Field('scope?', 'string', 'What the visit took in'),
        new Field('kinds?', 'string[]?', 'What was planned for it'),
        new Field('left_out?', 'LeftOut[]', 'What was planned and not done'),
        new Field('inspection?', 'InspectionSeen?', 'What was seen of the base'),
        new Field('reason?', 'string', 'Why, when this corrects a saved turn'),
    ),
]
final class TurnRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'id' => ['sometimes', 'uuid', Rule::unique('turns', 'id')],
            'worked_at' => ['required', 'date', 'after:1990-01-01'],
            'minutes' => ['sometimes', 'nullable', 'integer', 'between:1,1440'],
            'soil' => ['required', 'integer', 'between:0,5'],
            'grit' => ['sometimes', 'boolean'],
            'method' => ['required', Rule::enum(Method::class)],
            'purpose' => ['sometimes', Rule::enum(Purpose::class)],
            'water' => ['required', Rule::enum(Water::class)],
            'panel_c' => ['sometimes', 'nullable', 'numeric', 'between:-30,95'],
            'clay' => ['sometimes', 'boolean'],
            'looked_over' => ['sometimes', 'boolean'],
            'note' => ['sometimes', 'nullable', 'string', 'max:2000'],
            'readings' => ['sometimes', 'array', 'max:60'],
            'readings.*.stage' => ['required', Rule::enum(Stage::class)],
            'readings.*.zone' => ['required', Rule::enum(Zone::class)],
            'readings.*.behaviour' => ['required', Rule::enum(Behaviour::class)],
            'readings.*.angle_deg' => ['sometimes', 'nullable', 'numeric', 'between:0,180'],
            'readings.*.part' => ['sometimes', Rule::enum(Part::class)],
            'readings.*.sheets_s' => ['sometimes', 'nullable', 'numeric', 'between:0,600'],
            'products' => ['sometimes', 'array', 'max:20'],
            'products.*.product_id' => ['required', 'uuid', $this->mine('products')],
            'products.*.zone' => ['required', Rule::enum(Zone::class)],
            'products.*.as_base' => ['sometimes', 'boolean'],
            'products.*.batch' => ['sometimes', 'nullable', 'string', 'max:60'],
            'products.*.quantity_ml' => ['sometimes', 'nullable', 'numeric', 'between:0.1,20000'],
            'crew' => ['sometimes', 'nullable', 'integer', 'between:1,8'],
            'water_l' => ['sometimes', 'nullable', 'numeric', 'between:0,20000'],
            'textiles' => ['sometimes', 'array:large,medium,catch,sills,wheels,jambs,glass,sides,mitts,topper'],
            'textiles.*' => ['integer', 'between:0,1000'],
            'steps' => ['sometimes', 'array', 'max:150'],
            'steps.*' => ['array:id,name,kind,took_s,estimate_min,skipped'],
            'steps.*.id' => ['required', 'string', 'max:40'],
            'steps.*.name' => ['required', 'string', 'max:120'],
            'steps.*.kind' => ['required', 'string', 'max:24'],
            'steps.*.took_s' => ['present', 'nullable', 'integer', 'between:0,86400'],
            'steps.*.estimate_min' => ['present', 'nullable', 'numeric', 'between:0,1440'],
            'steps.*.skipped' => ['required', 'boolean'],
            'scope' => ['sometimes', 'string', 'max:80', new KnownScope()],
            'kinds' => ['sometimes', 'nullable', 'array', 'max:6'],
            'kinds.*' => [Rule::enum(Kind::class), 'distinct'],
            'left_out' => ['sometimes', 'array', 'max:6'],
            'left_out.*' => ['array:kind,why'],
            'left_out.*.kind' => ['required', Rule::enum(Kind::class), 'distinct'],
            'left_out.*.why' => ['required', 'string', 'max:120'],
            'inspection' => ['sometimes', 'nullable', 'array:seen,note'],
            'inspection.seen' => ['required_with:inspection', 'array', 'max:8'],
            'inspection.seen.*' => ['in:sound,thin,flat-spots,water-marks,chips,edges-lift', 'distinct'],
            'inspection.note' => ['sometimes', 'nullable', 'string', 'max:500'],
            'refused' => ['sometimes', 'array', 'max:100'],
            'refused.*' => ['array:what,why'],
            'refused.*.what' => ['required', 'string', 'max:160'],
            'refused.*.why' => ['required', 'string', 'max:400'],
            'recommended' => ['sometimes', 'nullable', 'string', 'max:2000'],
            'reason' => [$this->route('turn') instanceof Turn ? 'required' : 'sometimes', 'string', 'min:3', 'max:240'],
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }
                $turn = $this->route('turn');
                $sheet = $this->route('sheet');
                $vehicle = match (true) {
                    $turn instanceof Turn => $turn->vehicle()->first(),
                    $sheet instanceof Sheet => $sheet->vehicle()->first(),
                    default => $this->route('vehicle'),
                };
                $at = Instant::of($this->string('worked_at')->value());
                // A phone's clock may be a little ahead of ours.
                if ($at > CarbonImmutable::instance(app(ClockInterface::class)->now())->addMinutes(5)) {
                    $validator->errors()->add('worked_at', Teller::here()->say('turn.to-come'));
                } elseif (
                    $vehicle instanceof Vehicle &&
                    $vehicle->in_service_on !== null &&
                    app(Tenancy::class)->workspace()->dateOf($at) < $vehicle->in_service_on->toDateString()
                ) {
                    $validator
                        ->errors()
                        ->add(
                            'worked_at',
                            Teller::here()->say('turn.before-service', since: $vehicle->in_service_on->toDateString()),
                        );
                }
                $seen = [];
                foreach ($this->array('readings') as $i => $reading) {
                    $part = $reading['part'] ?? Part::Whole->value;
                    $key = $reading['stage'] . ' ' . $reading['zone'] . ' ' . $part;
                    if ($part !== Part::Whole->value && $reading['zone'] !== Zone::Paint->value) {
                        $validator->errors()->add("readings.{$i}.part", Teller::here()->say('turn.parts'));
                    }
                    if (isset($seen[$key])) {
                        $validator->errors()->add("readings.{$i}.stage", Teller::here()->say('turn.reading-twice'));
                    }
                    $seen[$key] = true;
                }
            },
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'reason.required' => Teller::here()->say('turn.reason'),
            'soil.required' => Teller::here()->say('turn.soil'),
            'soil.between' => Teller::here()->say('turn.soil-range'),
            'method.required' => Teller::here()->say('turn.method'),
            'id.unique' => Teller::here()->say('turn.saved'),
        ];
    }
}
