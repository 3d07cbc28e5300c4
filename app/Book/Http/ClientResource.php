<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Client;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use Illuminate\Http\Request;

/** @extends RowResource<Client> */
#[
    Shape(
        'Client',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('contact', 'string?'),
        new Field('phone', 'string?'),
        new Field('language', 'string?', null, ['en', 'de']),
        new Field('email', 'string?'),
        new Field('note', 'string?'),
        new Field('vehicles', 'integer'),
        new Field('version', 'integer'),
    ),
]
final class ClientResource extends RowResource
{
    /** @return Told<'Client'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only(['id', 'name', 'contact', 'phone', 'language', 'email', 'note', 'version']),
            'vehicles' => (int) ($this->resource->getAttributes()['vehicles_count'] ?? 0),
        ];
    }
}
