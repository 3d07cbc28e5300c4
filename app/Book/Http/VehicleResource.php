<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Layer;
use App\Book\Rhythm;
use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use Illuminate\Http\Request;

/** @extends RowResource<Vehicle> */
#[Shape('VehicleClient', new Field('id', 'uuid'), new Field('name', 'string'))]
#[Shape('VehicleSite', new Field('id', 'uuid'), new Field('name', 'string'), new Field('water', 'string'))]
#[
    Shape(
        'Vehicle',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('model', 'string?'),
        new Field('plate', 'string?'),
        new Field('client', 'VehicleClient?'),
        new Field('site', 'VehicleSite?'),
        new Field('client_id', 'uuid?'),
        new Field('site_id', 'uuid?'),
        new Field('in_service_on', 'date?'),
        new Field('body', 'string'),
        new Field('colour', 'string?'),
        new Field('tone', 'string'),
        new Field('hardness', 'string'),
        new Field('finish', 'string[]'),
        new Field('wheel_finish', 'string'),
        new Field('paint_m2', 'number'),
        new Field('storage', 'string'),
        new Field('road', 'string'),
        new Field('km_per_week', 'integer'),
        new Field('salt_months', 'integer[]'),
        new Field('programme_id', 'uuid?'),
        new Field('salt_target', 'integer?'),
        new Field('topper_weeks', 'integer?'),
        new Field('decon_days', 'integer?'),
        new Field('scope', 'string'),
        new Field('full_every', 'integer?'),
        new Field('topper_washes', 'integer?'),
        new Field('own_minutes', 'integer?'),
        new Field('cadence_min', 'integer'),
        new Field('cadence_target', 'integer'),
        new Field('cadence_max', 'integer'),
        new Field('material', 'string', null, ['steel', 'aluminium', 'fibreglass']),
        new Field('base_unknown', 'boolean'),
        new Field('schools', 'Sides', 'Its own sides, where it differs from the workspace'),
        new Field('note', 'string?'),
        new Field('archived', 'boolean'),
        new Field('layers?', 'Layer[]'),
        new Field('version', 'integer'),
    ),
]
final class VehicleResource extends RowResource
{
    /** @return Told<'Vehicle'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only([
                'id',
                'name',
                'model',
                'plate',
                'client_id',
                'site_id',
                'body',
                ...Vehicle::LOOKS,
                'storage',
                'road',
                'km_per_week',
                'salt_months',
                'programme_id',
                ...Rhythm::FIELDS,
                'own_minutes',
                'material',
                'base_unknown',
                'note',
                'version',
            ]),
            'schools' => (object) $this->schools,
            'client' => $this->client?->only(['id', 'name']),
            'site' => $this->site?->only(['id', 'name', 'water']),
            'in_service_on' => $this->in_service_on?->toDateString(),
            'archived' => $this->archived_at !== null,
            ...$this->resource->relationLoaded('layers')
                ? [
                    'layers' => array_values(
                        $this->layers
                            ->map(static fn(Layer $layer): array => (new LayerResource($layer))->toArray($request))
                            ->all(),
                    ),
                ]
                : [],
        ];
    }
}
