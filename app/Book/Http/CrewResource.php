<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Crew;
use App\Book\CrewDay;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use Illuminate\Http\Request;

/** @extends RowResource<Crew> */
#[
    Shape(
        'CrewWeek',
        new Field('1?', 'integer', 'Minutes on Mondays'),
        new Field('2?', 'integer'),
        new Field('3?', 'integer'),
        new Field('4?', 'integer'),
        new Field('5?', 'integer'),
        new Field('6?', 'integer'),
        new Field('7?', 'integer'),
    ),
]
#[
    Shape(
        'CrewDay',
        new Field('on', 'date'),
        new Field('minutes', 'integer', '0 is a day off'),
        new Field('note?', 'string?'),
    ),
]
#[
    Shape(
        'Crew',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('minutes', 'CrewWeek'),
        new Field('people', 'integer'),
        new Field('members', 'uuid[]'),
        new Field('days', 'CrewDay[]'),
        new Field('version', 'integer'),
    ),
]
final class CrewResource extends RowResource
{
    /** @return Told<'Crew'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only(['id', 'name', 'people', 'members', 'version']),
            'minutes' => (object) $this->minutes,
            'days' => array_values(
                $this->days
                    ->map(
                        static fn(CrewDay $day): array => [
                            'on' => $day->on->toDateString(),
                            'minutes' => $day->minutes,
                            'note' => $day->note,
                        ],
                    )
                    ->all(),
            ),
        ];
    }
}
