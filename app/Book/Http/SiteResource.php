<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Admission;
use App\Book\Site;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use Illuminate\Http\Request;

/** @extends RowResource<Site> */
#[
    Shape(
        'Site',
        new Field('id', 'uuid'),
        new Field('client_id', 'uuid?'),
        new Field('name', 'string'),
        new Field('address', 'string?'),
        new Field('water', 'string', null, ['none', 'tap', 'treated']),
        new Field('tds_mg_l', 'number?'),
        new Field('hardness_mg_l', 'number?', 'Of the tap water, CaCO₃'),
        new Field('treated_tds_mg_l', 'number?'),
        new Field('power', 'boolean'),
        new Field('pressure', 'boolean'),
        new Field('shade', 'boolean'),
        new Field('bay', 'boolean'),
        new Field('latitude', 'number?'),
        new Field('longitude', 'number?'),
        new Field('surface', 'string?'),
        new Field('run_off', 'string?'),
        new Field('hours', 'string?'),
        new Field('access', 'string?'),
        new Field('certificate_expires_on', 'date?'),
        new Field('travel_min', 'integer'),
        new Field('by_register', 'boolean'),
        new Field('admissions', 'Admission[]'),
        new Field('vehicles', 'integer'),
        new Field('version', 'integer'),
    ),
]
final class SiteResource extends RowResource
{
    /** @return Told<'Site'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only([
                'id',
                'client_id',
                'name',
                ...Site::TOLD,
                'travel_min',
                'by_register',
                'version',
            ]),
            'certificate_expires_on' => $this->certificate_expires_on?->toDateString(),
            'admissions' => array_values(
                $this->admissions
                    ->map(
                        static fn(Admission $one): array => [
                            'crew_id' => $one->crew_id,
                            'person' => $one->person,
                            'valid_until' => $one->valid_until?->toDateString(),
                        ],
                    )
                    ->all(),
            ),
            'vehicles' => (int) ($this->resource->getAttributes()['vehicles_count'] ?? 0),
        ];
    }
}
