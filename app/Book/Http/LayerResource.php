<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Layer;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Tenancy\Tenancy;
use DateTimeInterface;
use Illuminate\Http\Request;

/** @extends RowResource<Layer> */
#[
    Shape(
        'LayerForecast',
        new Field('from_on', 'date?'),
        new Field('due_on', 'date?'),
        new Field('late_on', 'date?'),
        new Field('look_from_on', 'date?', 'A lasting base: when to look it over'),
        new Field('look_on', 'date?'),
        new Field('look_late_on', 'date?'),
        new Field('p10_weeks', 'number', 'Wear-weeks'),
        new Field('p50_weeks', 'number'),
        new Field('p90_weeks', 'number'),
        new Field('per_week', 'number', 'Wear-weeks a week from here on'),
        new Field('why', 'said'),
    ),
]
#[
    Shape(
        'Layer',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('zone', 'string'),
        new Field('kind', 'string', null, ['base', 'topper']),
        new Field('family', 'string'),
        new Field('product_id', 'uuid?'),
        new Field('turn_id', 'uuid?'),
        new Field('name', 'string?'),
        new Field('line', 'string?'),
        new Field('designed', 'string', null, ['beads', 'sheets']),
        new Field('label_low_weeks', 'number?'),
        new Field('label_high_weeks', 'number?'),
        new Field('on', 'date'),
        new Field('ended_on', 'date?'),
        new Field('ended_by', 'string?'),
        new Field('failed_on', 'date?'),
        new Field('forecast', 'LayerForecast?'),
        new Field('version', 'integer'),
    ),
]
final class LayerResource extends RowResource
{
    /** @return Told<'Layer'> */
    public function toArray(Request $request): array
    {
        $workspace = app(Tenancy::class)->workspace();
        $date = static fn(?DateTimeInterface $moment): ?string => $moment === null ? null : $workspace->dateOf($moment);
        $forecast = $this->forecast;

        return [
            ...$this->resource->only([
                'id',
                'vehicle_id',
                'zone',
                'kind',
                'family',
                'product_id',
                'turn_id',
                'name',
                'line',
                'designed',
                'label_low_weeks',
                'label_high_weeks',
                'ended_by',
                'version',
            ]),
            'on' => $workspace->dateOf($this->on_at),
            'ended_on' => $date($this->ended_at),
            'failed_on' => $date($this->failed_at),
            'forecast' =>
                $forecast === null
                    ? null
                    : [
                        'from_on' => $date($forecast->from_at),
                        'due_on' => $date($forecast->due_at),
                        'late_on' => $date($forecast->late_at),
                        'look_from_on' => $date($forecast->look_from_at),
                        'look_on' => $date($forecast->look_at),
                        'look_late_on' => $date($forecast->look_late_at),
                        'p10_weeks' => round($forecast->p10, 1),
                        'p50_weeks' => round($forecast->p50, 1),
                        'p90_weeks' => round($forecast->p90, 1),
                        'per_week' => round($forecast->per_week, 3),
                        'why' => $forecast->why,
                    ],
        ];
    }
}
