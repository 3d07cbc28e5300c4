<?php

declare(strict_types=1);

namespace App\Archive\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Tenancy\Change;
use Illuminate\Http\Request;

/** @extends RowResource<Change> */
#[
    Shape(
        'Change',
        new Field('id', 'uuid'),
        new Field('what', 'string'),
        new Field('row_id', 'uuid'),
        new Field('name', 'string'),
        new Field('did', 'string', null, ['created', 'changed', 'removed']),
        new Field('before', 'object'),
        new Field('after', 'object'),
        new Field('by', 'string?', 'Null: the program itself'),
        new Field('at', 'date-time'),
    ),
]
final class ChangeResource extends RowResource
{
    /** @return Told<'Change'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only(['id', 'what', 'row_id', 'name', 'did']),
            'before' => (object) $this->before,
            'after' => (object) $this->after,
            'by' => $this->person?->name,
            'at' => $this->iso($this->at),
        ];
    }
}
