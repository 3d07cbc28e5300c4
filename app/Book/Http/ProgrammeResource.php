<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Programme;
use App\Book\Rhythm;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use Illuminate\Http\Request;

/** @extends RowResource<Programme> */
#[
    Shape(
        'Programme',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('cadence_min', 'integer'),
        new Field('cadence_target', 'integer'),
        new Field('cadence_max', 'integer'),
        new Field('salt_target', 'integer?', 'Days between visits in salt months'),
        new Field('topper_weeks', 'integer?', 'Null: by forecast'),
        new Field('decon_days', 'integer?', 'Null: when the surface asks'),
        new Field('scope', 'string'),
        new Field('full_every', 'integer?'),
        new Field('topper_washes', 'integer?'),
        new Field('version', 'integer'),
    ),
]
final class ProgrammeResource extends RowResource
{
    /** @return Told<'Programme'> */
    public function toArray(Request $request): array
    {
        return $this->resource->only(['id', 'name', ...Rhythm::FIELDS, 'version']);
    }
}
