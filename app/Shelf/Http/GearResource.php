<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Shelf\Gear;
use App\Shelf\GearEvent;
use App\Shelf\GearRules;
use Illuminate\Http\Request;
use Vicissa\Core\Kit\Retirement;

/** @extends RowResource<Gear> */
#[
    Shape(
        'GearFacts',
        new Field('l_min?', 'number', 'Washer: l/min'),
        new Field('ml?', 'number', 'Vessels'),
        new Field('count?', 'number', 'Towels'),
        new Field('use?', 'string', 'What towels are for', GearRules::USES),
        new Field('colour?', 'string', 'Towels: the workspace’s own code'),
        new Field('cycles?', 'number', 'Towels: launderings they are good for'),
        new Field('price_minor?', 'number?', 'Towels: what one costs; owners read it'),
        new Field('wh?', 'number', 'Batteries: what one holds'),
        new Field('w?', 'number', 'Blower: what it draws'),
        new Field('l?', 'number', 'Tank and resin: litres'),
        new Field('on_below_l?', 'number', 'Tank: the float switch'),
        new Field('rejection?', 'number'),
        new Field('recovery?', 'number'),
        new Field('make_l_min?', 'number'),
        new Field('capacity_g_per_l?', 'number'),
    ),
]
#[
    Shape(
        'GearEventFacts',
        new Field('washer_l_min?', 'number'),
        new Field('bottle_ml?', 'number'),
        new Field('empties_s?', 'number'),
        new Field('l?', 'number'),
        new Field('count?', 'number', 'Towels used, washed, bought, thrown away or moved'),
        new Field('to?', 'string', 'Moved: what they are for from now on'),
    ),
]
#[
    Shape(
        'GearEvent',
        new Field('id', 'uuid'),
        new Field('kind', 'string', null, [
            'calibration',
            'refill',
            'level',
            'used',
            'washed',
            'bought',
            'thrown',
            'moved',
        ]),
        new Field('facts', 'GearEventFacts'),
        new Field('at', 'date-time'),
    ),
]
#[
    Shape(
        'LanceCalibration',
        new Field('washer_l_min', 'number'),
        new Field('bottle_ml', 'number'),
        new Field('empties_s', 'number'),
        new Field('draw_l_min', 'number'),
        new Field('carry', 'number'),
        new Field('at', 'date-time'),
    ),
]
#[
    Shape(
        'Gear',
        new Field('id', 'uuid'),
        new Field('kind', 'string', null, [
            'washer',
            'lance',
            'bottle',
            'sprayer',
            'bucket',
            'towel',
            'tank',
            'ro',
            'resin',
            'battery',
            'blower',
        ]),
        new Field('name', 'string'),
        new Field('facts', 'GearFacts'),
        new Field('note', 'string?'),
        new Field('archived', 'boolean'),
        new Field('events', 'GearEvent[]', 'Newest first'),
        new Field('calibration', 'LanceCalibration?', 'Of a lance; null when it has never been calibrated'),
        new Field('dirty', 'integer?', 'Of towels: used since they were last washed'),
        new Field('wear', 'PoolWear?', 'Of towels'),
        new Field('version', 'integer'),
    ),
]
#[
    Shape(
        'PoolWear',
        new Field('cycles', 'number', 'Launderings of a piece in the mean'),
        new Field('of', 'integer'),
        new Field('due', 'boolean'),
        new Field('down', 'string?', 'What they step down to; null: thrown away'),
    ),
]
#[
    Shape(
        'GearInput',
        new Field('kind?', 'string'),
        new Field('name?', 'string'),
        new Field('facts?', 'GearFacts'),
        new Field('note?', 'string?'),
    ),
]
#[
    Shape(
        'GearEventInput',
        new Field('kind', 'string', null, ['calibration', 'refill', 'level', 'washed', 'bought', 'thrown', 'moved']),
        new Field('facts', 'GearEventFacts'),
        new Field('at?', 'date-time'),
    ),
]
#[
    Shape(
        'WaterReading',
        new Field('id', 'uuid'),
        new Field('site_id', 'uuid?'),
        new Field('site', 'string?'),
        new Field('point', 'string', null, ['tap', 'ro', 'treated', 'tank']),
        new Field('tds_mg_l', 'number'),
        new Field('litres', 'number?'),
        new Field('at', 'date-time'),
        new Field('note', 'string?'),
    ),
]
#[
    Shape(
        'WaterReadingInput',
        new Field('site_id?', 'uuid?'),
        new Field('point', 'string', null, ['tap', 'ro', 'treated', 'tank']),
        new Field('tds_mg_l', 'number'),
        new Field('litres?', 'number?', 'Treated through the resin since the reading before'),
        new Field('at?', 'date-time'),
        new Field('note?', 'string?'),
    ),
]
#[
    Shape(
        'WaterPoint',
        new Field('point', 'string'),
        new Field('tds_mg_l', 'number'),
        new Field('at', 'date-time'),
        new Field('site', 'string?'),
    ),
]
#[
    Shape(
        'ResinState',
        new Field('gear_id', 'uuid'),
        new Field('name', 'string'),
        new Field('share_left', 'number'),
        new Field('litres_left', 'number?'),
        new Field('warns', 'boolean'),
        new Field('used_g', 'number'),
        new Field('litres_since', 'number'),
        new Field('litres_a_week', 'number'),
        new Field('runs_out_on', 'date?'),
    ),
]
#[Shape('WaterState', new Field('points', 'WaterPoint[]'), new Field('resin', 'ResinState?'))]
final class GearResource extends RowResource
{
    private const EVENTS = 12;

    /** @return Told<'Gear'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only(['id', 'kind', 'name', 'note', 'version']),
            'facts' => (object) $this->facts,
            'archived' => $this->archived_at !== null,
            'events' => array_values(
                $this->events
                    ->take(self::EVENTS)
                    ->map(
                        static fn(GearEvent $event): array => [
                            'id' => $event->id,
                            'kind' => $event->kind,
                            'facts' => (object) $event->facts,
                            'at' => $event->at->format('Y-m-d\TH:i:s\Z'),
                        ],
                    )
                    ->all(),
            ),
            'calibration' => $this->calibration(),
            'dirty' => $this->kind === 'towel' ? $this->dirty() : null,
            'wear' => $this->kind === 'towel' ? $this->wear() : null,
        ];
    }

    /** @return Told<'PoolWear'> */
    private function wear(): array
    {
        $use = is_string($this->facts['use'] ?? null) ? $this->facts['use'] : '';
        $cycles = $this->resource->fact('cycles');

        return [
            ...Retirement::of(
                $use,
                (int) ($this->resource->fact('count') ?? 0),
                $this->resource->laundered(),
                $cycles === null ? null : (int) $cycles,
            ),
            'down' => Retirement::after($use),
        ];
    }

    /** @return Told<'LanceCalibration'>|null */
    private function calibration(): ?array
    {
        $event = $this->events->firstWhere('kind', 'calibration');
        $lance = $this->lance();
        if (!($event instanceof GearEvent) || $lance === null) {
            return null;
        }

        return [
            'washer_l_min' => (float) $event->facts['washer_l_min'],
            'bottle_ml' => (float) $event->facts['bottle_ml'],
            'empties_s' => (float) $event->facts['empties_s'],
            'draw_l_min' => $lance->drawLMin,
            'carry' => $lance->carry,
            'at' => $event->at->format('Y-m-d\TH:i:s\Z'),
        ];
    }
}
