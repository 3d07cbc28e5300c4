<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Tenancy\Workspace;
use Illuminate\Http\Request;
use Vicissa\Core\Matching\Turn\School;

/** @extends RowResource<Workspace> */
#[
    Shape(
        'Workspace',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('time_zone', 'string'),
        new Field('units', 'string', null, ['metric', 'us', 'imperial']),
        new Field('hardness_unit', 'string', null, ['mg/l', 'ppm', '°dH', '°fH', '°e', 'gpg']),
        new Field('caution', 'integer', 'Accepted risk of renewing too late, per cent', [10, 30, 50]),
        new Field('schools', 'Sides', 'Every school with the side taken'),
        new Field(
            'salt_months',
            'integer[]',
            'Months whose roads are salted; vehicles follow until they have their own',
        ),
        new Field('currency', 'string', 'Sign of the money it reckons in; what things cost stands in the rates'),
        new Field('ends_at', 'date-time?', 'It goes then, unless an owner keeps it'),
        new Field('version', 'integer'),
    ),
]
final class WorkspaceResource extends RowResource
{
    /** @return Told<'Workspace'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only(['id', 'name', 'time_zone', 'units', 'hardness_unit', 'salt_months', 'version']),
            'caution' => (int) $this->sides()->side(School::Caution),
            'schools' => (object) $this->sides()->all(),
            'currency' => $this->resource->rates()->currency,
            'ends_at' => $this->iso($this->ends_at),
        ];
    }
}
