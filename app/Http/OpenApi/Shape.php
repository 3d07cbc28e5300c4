<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Attribute;
use OpenApi\Attributes as OA;

/** A schema in short: every field is required unless its name ends in "?". */
#[Attribute(Attribute::TARGET_CLASS | Attribute::IS_REPEATABLE)]
final class Shape extends OA\Schema
{
    public function __construct(string $name, Field|Also ...$of)
    {
        $fields = self::spread($of);
        $required = array_values(
            array_map(
                static fn(Field $field): string => $field->property,
                array_filter($fields, static fn(Field $field): bool => !$field->mayBeAbsent()),
            ),
        );
        parent::__construct(
            schema: $name,
            type: 'object',
            required: $required === [] ? null : $required,
            properties: $fields,
        );
    }

    /**
     * @param array<Field|Also> $of
     * @return list<Field>
     */
    public static function spread(array $of): array
    {
        return array_merge(
            [],
            ...array_map(
                static fn(Field|Also $one): array => $one instanceof Also ? $one->fields() : [$one],
                array_values($of),
            ),
        );
    }
}
