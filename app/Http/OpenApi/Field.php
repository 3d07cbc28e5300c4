<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Attribute;
use OpenApi\Attributes as OA;

/**
 * A property in short: Field('name', 'string'), Field('note', 'string?'), Field('tags', 'string[]'), Field('layer',
 * 'Layer'), Field('layers', 'Layer[]'), Field('since?', 'date') for one that may be absent. Capitalised kinds refer to
 * schemas; "?" allows null; "date", "date-time", "uuid" and "email" are string formats; "said" is a string that may be
 * something said in a code until it leaves the house; a "pair" is two numbers, of which one may be null,
 * a "table" rows of numbers; '{integer}' is an object with whatever keys, each an integer.
 */
#[Attribute(Attribute::TARGET_ALL | Attribute::IS_REPEATABLE)]
final class Field extends OA\Property
{
    /** Not public: it would be written into the document. */
    private bool $absent = false;

    /**
     * @param list<string|int>|null $oneOf  the values allowed
     */
    public function __construct(string $name, string $kind, ?string $says = null, ?array $oneOf = null)
    {
        $this->absent = str_ends_with($name, '?');
        $name = rtrim($name, '?');
        $nullable = str_ends_with($kind, '?');
        $kind = rtrim($kind, '?');
        $list = str_ends_with($kind, '[]');
        $kind = $list ? substr($kind, 0, -2) : $kind;
        [$type, $format, $ref] = match (true) {
            $kind === 'date', $kind === 'date-time', $kind === 'uuid', $kind === 'email' => ['string', $kind, null],
            ctype_upper($kind[0]) => [null, null, '#/components/schemas/' . $kind],
            $kind === 'said' => ['string', null, null],
            default => [$kind, null, null],
        };
        $marks = $kind === 'said' ? ['said' => true] : null;
        /**
         * @var list<string|int>|null $oneOf null is one of them where it is allowed, whatever the library's own types
         *     say
         */
        $oneOf = $oneOf !== null && $nullable && !$list ? [...$oneOf, null] : $oneOf;
        if (preg_match('/^\{(\w+)}$/', $kind, $of) === 1) {
            parent::__construct(
                property: $name,
                type: 'object',
                nullable: $nullable ?: null,
                description: $says,
                additionalProperties: match (true) {
                    $of[1] === 'table' => new OA\AdditionalProperties(
                        type: 'array',
                        items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
                    ),
                    ctype_upper($of[1][0]) => new OA\AdditionalProperties(ref: '#/components/schemas/' . $of[1]),
                    default => new OA\AdditionalProperties(type: $of[1]),
                },
            );

            return;
        }
        match (true) {
            $list => parent::__construct(
                property: $name,
                type: 'array',
                nullable: $nullable ?: null,
                description: $says,
                items: $kind === 'pair'
                    ? new OA\Items(type: 'array', items: new OA\Items(type: 'number', nullable: true))
                    : ($ref !== null
                        ? new OA\Items(ref: $ref)
                        : new OA\Items(type: $type, format: $format, enum: $oneOf, x: $marks)),
            ),
            // OpenAPI 3.1: beside a $ref, null is another alternative.
            $ref !== null && $nullable => parent::__construct(
                property: $name,
                description: $says,
                oneOf: [new OA\Schema(ref: $ref), new OA\Schema(type: 'null')],
            ),
            $ref !== null => parent::__construct(property: $name, ref: $ref),
            default => parent::__construct(
                property: $name,
                type: $type,
                format: $format,
                enum: $oneOf,
                nullable: $nullable ?: null,
                description: $says,
                x: $marks,
            ),
        };
    }

    public function mayBeAbsent(): bool
    {
        return $this->absent;
    }
}
