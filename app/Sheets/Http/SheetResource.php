<?php

declare(strict_types=1);

namespace App\Sheets\Http;

use App\Book\GateRules;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Record\Sheet;
use App\Record\SheetEvent;
use App\Turns\Http\PhotoResource;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use LogicException;

/** @extends RowResource<Sheet> */
#[
    Shape(
        'SheetWait',
        new Field('of', 'string'),
        new Field('min_s', 'number'),
        new Field('max_s', 'number?'),
        new Field('label_max_s', 'number?'),
        new Field('on_s', 'number', 'What putting it on takes: the first panel has waited that long already'),
        new Field('film', 'string?'),
    ),
]
#[
    Shape(
        'SheetPortion',
        new Field('product_id', 'string'),
        new Field('name', 'string'),
        new Field('role', 'string'),
        new Field('zone', 'string'),
        new Field('ml', 'number?', 'Grams of a paste'),
        new Field('why', 'said'),
        new Field('paste?', 'boolean'),
    ),
]
#[
    Shape(
        'SheetCaution',
        new Field('says', 'said'),
        new Field('grave', 'boolean'),
        new Field('hazard?', 'string', 'What the danger is'),
    ),
]
#[
    Shape(
        'FactDiffers',
        new Field('fact', 'string', null, [
            'soil',
            'grit',
            'water',
            'weather',
            'panel',
            'place',
            'found',
            'choices',
            'scope',
            'kinds',
            'crew',
        ]),
        new Field('is', 'string'),
        new Field('was', 'string'),
        new Field('minutes', 'integer?', 'More than if it were as expected; null where one of the two can’t be worked'),
    ),
]
#[Shape('VisitExpected', new Field('minutes', 'integer?'), new Field('facts', 'FactDiffers[]', 'What is otherwise'))]
#[
    Shape(
        'SheetTotals',
        new Field('minutes', 'integer?'),
        new Field('nine_in_ten', 'integer?', 'Nine such visits in ten stay within'),
        new Field('people', 'integer'),
        new Field('tap_l', 'number'),
        new Field('treated_l', 'number'),
        new Field('mix_l', 'number'),
        new Field('textiles', 'Textiles'),
        new Field('pools', '{integer}', 'Pieces by pool'),
        new Field('product_ml', '{number}', 'By product'),
        new Field('maybe_ml', '{number}', 'What only a reading will ask for'),
        new Field('blows_min', 'number'),
    ),
]
#[Shape('SheetOffered', new Field('id', 'uuid'), new Field('name', 'string'), new Field('zone', 'string'))]
#[
    Shape(
        'SheetUrge',
        new Field('kind', 'string', null, ['shade', 'hour']),
        new Field('says', 'said'),
        new Field('hour', 'integer?'),
    ),
]
#[
    Shape(
        'SheetStep',
        new Field('id', 'string'),
        new Field('kind', 'string', 'What is timed together'),
        new Field('group', 'string', 'The step of the match it belongs to'),
        new Field('name', 'said'),
        new Field('minutes', 'integer'),
        new Field('estimate_min', 'number', 'By the rules, before anybody’s pace'),
        new Field('pace_from', 'integer', 'Measured visits behind the minutes'),
        new Field('people', 'integer'),
        new Field('after', 'string[]'),
        new Field('wait', 'SheetWait?'),
        new Field('portions', 'SheetPortion[]'),
        new Field('panels', 'string[]'),
        new Field('how', 'said[]'),
        new Field('cautions', 'SheetCaution[]'),
        new Field('textiles', 'Textiles'),
        new Field('only_if', 'said?'),
        new Field('water_l', 'number'),
        new Field('looks', 'said[]', 'What is looked at, one after the other'),
        new Field('fulfils?', 'string?', 'A planned kind that is done by ticking it'),
        new Field('reads?', 'string?', 'Which reading is taken here'),
        new Field('start', 'integer?'),
        new Field('end', 'integer?'),
        new Field('slack', 'integer?'),
        new Field('who', 'integer[]'),
    ),
]
#[
    Shape(
        'SheetRemedy',
        new Field('kind', 'string', null, ['helper', 'shade', 'product']),
        new Field('says', 'said'),
        new Field('finish', 'integer'),
        new Field('without', 'string?'),
    ),
]
#[Shape('SheetPanel', new Field('id', 'string'), new Field('name', 'said'), new Field('share', 'number'))]
#[Shape('SheetTopper', new Field('decision', 'string'), new Field('says', 'said'), new Field('why', 'said'))]
#[Shape('SheetNow', new Field('panel_c', 'number'), new Field('sun_w_m2', 'number'))]
#[
    Shape(
        'WaterTalk',
        new Field('verdict', 'string'),
        new Field('next', 'string'),
        new Field('says', 'said'),
        new Field('now', 'said'),
        new Field('next_time', 'said'),
        new Field('parts', 'OddPart[]'),
    ),
]
#[
    Shape(
        'TalkTable',
        new Field('designed', 'string', null, ['beads', 'sheets']),
        new Field('topper', 'boolean'),
        new Field('of', '{string}', 'A letter for each behaviour'),
        new Field('answers', 'WaterTalk[]'),
        new Field('by', '{integer}', 'Which answer stands for the letters of the four stages'),
    ),
]
#[
    Shape(
        'SheetWindows',
        new Field('panels_c', 'number[]'),
        new Field('suns_w_m2', 'number[]'),
        new Field('films', '{table}'),
    ),
]
#[
    Shape(
        'SheetPlan',
        new Field('possible', 'boolean'),
        new Field('finish', 'integer?', 'Minutes; null when it can’t be worked as it stands'),
        new Field('proven', 'boolean'),
        new Field('problems', 'said[]'),
        new Field('clash', 'string[]'),
        new Field('remedies', 'SheetRemedy[]'),
        new Field('method', 'string?'),
        new Field('why', 'said'),
        new Field('topper', 'SheetTopper'),
        new Field('water', 'string'),
        new Field('water_why', 'said'),
        new Field('drying?', 'string', 'How the water comes off'),
        new Field('scope?', 'string'),
        new Field('kinds?', 'string[]?', 'What is planned; null when nothing is'),
        new Field('totals?', 'SheetTotals'),
        new Field('offered?', 'SheetOffered[]', 'Acids, for a person to take'),
        new Field('urges?', 'SheetUrge[]'),
        new Field('expected?', 'VisitExpected?', 'What the plan reckoned with'),
        new Field('assumed', 'said[]'),
        new Field('missing', 'said[]'),
        new Field('refused', 'Refusal[]'),
        new Field('fills', 'DoseFill[]'),
        new Field('steps', 'SheetStep[]'),
        new Field('done', 'string[]'),
        new Field('panels', 'SheetPanel[]'),
        new Field('now', 'SheetNow'),
        new Field('windows?', 'SheetWindows'),
        new Field('talk?', 'TalkTable'),
    ),
]
#[
    Shape(
        'SheetVehicle',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('model', 'string?'),
        new Field('plate', 'string?'),
        new Field('body', 'string'),
        new Field('tone', 'string'),
        new Field('paint_m2', 'number'),
        new Field('finish', 'string[]'),
        new Field('note', 'string?'),
        new Field('client', 'string?'),
    ),
]
#[
    Shape(
        'SheetSite',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('address', 'string?'),
        new Field('run_off', 'string?'),
    ),
]
#[
    Shape(
        'SheetEvent',
        new Field('id', 'uuid'),
        new Field('device', 'uuid'),
        new Field('seq', 'integer'),
        new Field('kind', 'string'),
        new Field('step', 'string?'),
        new Field('facts', 'object'),
        new Field('at', 'date-time'),
        new Field('by', 'string'),
        new Field('conflict', 'said?'),
    ),
]
#[
    Shape(
        'Sheet',
        new Field('id', 'uuid'),
        new Field('vehicle', 'SheetVehicle'),
        new Field('site', 'SheetSite?'),
        new Field('on', 'date'),
        new Field('crew', 'integer'),
        new Field('status', 'string', null, ['laid', 'begun', 'finished', 'dropped']),
        new Field('holder', 'string?'),
        new Field('facts', 'SheetFacts'),
        new Field('plan', 'SheetPlan'),
        new Field('gate', 'SheetCaution[]', 'What the place asks of those who come'),
        new Field('events', 'SheetEvent[]'),
        new Field('photos', 'Photo[]'),
        new Field('begun_at', 'date-time?'),
        new Field('finished_at', 'date-time?'),
        new Field('turn_id', 'uuid?'),
        new Field('version', 'integer'),
    ),
]
#[
    Shape(
        'SheetFacts',
        new Field('seen', 'BenchSeen'),
        new Field('place', 'BenchPlace'),
        new Field('weather', 'BenchWeather'),
        new Field('panel_c?', 'number?'),
        new Field('schools?', 'Sides'),
        new Field('without?', 'string[]', 'Products left out'),
        new Field('taken?', 'string[]', 'Products somebody chose by hand'),
        new Field('kinds?', 'string[]', 'What is planned'),
        new Field('scope?', 'string', 'quick, usual, full, or what it takes in'),
        new Field('expected?', 'boolean', 'Nobody has looked yet: as it was last time, in the weather forecast'),
    ),
]
#[
    Shape(
        'SheetInput',
        new Field('id?', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('on?', 'date', 'Today when left out'),
        new Field('crew?', 'integer'),
        new Field('scope?', 'string', 'As planned when left out'),
        new Field('facts?', 'SheetFacts', 'What is to be expected when left out'),
    ),
]
#[
    Shape(
        'RematchInput',
        new Field('facts', 'SheetFacts'),
        new Field('crew?', 'integer'),
        new Field('done?', 'string[]'),
    ),
]
#[
    Shape(
        'SheetEventInput',
        new Field('id', 'uuid'),
        new Field('device', 'uuid'),
        new Field('seq', 'integer'),
        new Field('kind', 'string'),
        new Field('step?', 'string?'),
        new Field('facts?', 'object'),
        new Field('at', 'date-time'),
    ),
]
#[Shape('SheetEventsInput', new Field('events', 'SheetEventInput[]'))]
#[
    Shape(
        'SheetFinished',
        new Field('turn', 'Turn'),
        new Field('twice', 'boolean', 'Someone else had closed it already; both versions are kept'),
    ),
]
#[
    Shape(
        'SheetOtherwise',
        new Field('sheet', 'Sheet'),
        new Field(
            'otherwise',
            '{SheetPlan}',
            'Plans by what else might be found: "soil:4", "grit", "on:tar", "read:weak", "scope:quick"',
        ),
    ),
]
#[
    Shape(
        'SheetLine',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('vehicle', 'string'),
        new Field('on', 'date'),
        new Field('crew', 'integer'),
        new Field('status', 'string'),
        new Field('holder', 'string?'),
        new Field('finish', 'integer?'),
        new Field('steps', 'integer'),
        new Field('done', 'integer'),
        new Field('turn_id', 'uuid?'),
        new Field('version', 'integer'),
    ),
]
final class SheetResource extends RowResource
{
    /** @return Told<'Sheet'> */
    public function toArray(Request $request): array
    {
        $vehicle = $this->vehicle ?? throw new LogicException('A sheet has a vehicle.');
        $site = $vehicle->site;
        $finish = $this->plan['finish'] ?? null;

        return [
            ...$this->resource->only(['id', 'crew', 'status', 'facts', 'turn_id', 'version']),
            'plan' => self::plan($this->plan),
            'on' => $this->on->toDateString(),
            'vehicle' => [
                ...$vehicle->only(['id', 'name', 'model', 'plate', 'body', 'tone', 'paint_m2', 'finish', 'note']),
                'client' => $vehicle->client?->name,
            ],
            'site' => $site?->only(['id', 'name', 'address', 'run_off']),
            'holder' => $this->holder?->name,
            'gate' => GateRules::for(
                $site,
                CarbonImmutable::parse($this->on->toDateString()),
                $this->startMinute(),
                is_int($finish) ? $finish : null,
            ),
            'events' => array_values(
                $this->events
                    ->map(
                        fn(SheetEvent $event): array => [
                            ...$event->only(['id', 'device', 'seq', 'kind', 'step', 'conflict']),
                            'facts' => (object) $event->facts,
                            'at' => $event->at->format('Y-m-d\TH:i:s.v\Z'),
                            'by' => $event->writer->name ?? '',
                        ],
                    )
                    ->all(),
            ),
            'photos' => array_values($this->photos->map(PhotoResource::facts(...))->all()),
            'begun_at' => $this->iso($this->begun_at),
            'finished_at' => $this->iso($this->finished_at),
        ];
    }

    /**
     * Empty objects come back from the database as empty lists.
     *
     * @param Told<'SheetPlan'> $plan
     * @return Told<'SheetPlan'>
     */
    public static function plan(array $plan): array
    {
        $plan['steps'] = array_map(
            static fn(array $step): array => [...$step, 'textiles' => (object) $step['textiles']],
            $plan['steps'],
        );
        if (isset($plan['totals'])) {
            $plan['totals'] = [
                ...$plan['totals'],
                'textiles' => (object) $plan['totals']['textiles'],
                'pools' => (object) $plan['totals']['pools'],
                'product_ml' => (object) $plan['totals']['product_ml'],
                'maybe_ml' => (object) $plan['totals']['maybe_ml'],
            ];
        }

        return $plan;
    }

    /** When it began, in the workspace's minutes of the day; null before. */
    private function startMinute(): ?int
    {
        $begun = $this->begun_at?->setTimezone($this->workspace->time_zone ?? 'UTC');

        return $begun === null ? null : 60 * $begun->hour + $begun->minute;
    }
}
