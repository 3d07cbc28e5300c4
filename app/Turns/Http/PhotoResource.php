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
    Shape(
        'LabelPhoto',
        new Field('id', 'uuid'),
        new Field('product_id', 'uuid'),
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
            ...$photo->only(['id', 'turn_id', 'stage', 'note', 'width', 'height']),
            'vehicle_id' => (string) $photo->vehicle_id,
            'zone' => (string) $photo->zone,
            ...self::file($photo),
        ];
    }

    /** @return Told<'LabelPhoto'> */
    public static function label(Photo $photo): array
    {
        return [
            ...$photo->only(['id', 'width', 'height']),
            'product_id' => (string) $photo->product_id,
            ...self::file($photo),
        ];
    }

    /** @return array{taken_at: string, url: string} */
    private static function file(Photo $photo): array
    {
        return [
            'taken_at' => $photo->taken_at->format('Y-m-d\TH:i:s\Z'),
            'url' => "/api/v1/photos/{$photo->id}",
        ];
    }
}
