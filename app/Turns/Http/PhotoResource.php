<?php

declare(strict_types=1);

namespace App\Turns\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Record\Photo;

#[
    Shape(
        'Photo',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('turn_id', 'uuid?'),
        new Field('zone', 'string'),
        new Field('stage', 'string', null, ['before', 'during', 'after']),
        new Field('note', 'string?'),
        new Field('width', 'integer'),
        new Field('height', 'integer'),
        new Field('taken_at', 'date-time'),
        new Field('url', 'string'),
    ),
]
final class PhotoResource
{
    /** @return Told<'Photo'> */
    public static function facts(Photo $photo): array
    {
        return [
            ...$photo->only(['id', 'vehicle_id', 'turn_id', 'zone', 'stage', 'note', 'width', 'height']),
            'taken_at' => $photo->taken_at->format('Y-m-d\TH:i:s\Z'),
            'url' => "/api/v1/photos/{$photo->id}",
        ];
    }
}
