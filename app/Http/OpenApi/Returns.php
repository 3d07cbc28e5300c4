<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Attribute;
use OpenApi\Attributes as OA;

/** The answer of an operation: a schema, or a page of it. */
#[Attribute(Attribute::TARGET_METHOD | Attribute::IS_REPEATABLE)]
final class Returns extends OA\Response
{
    public function __construct(
        ?string $schema,
        int $status = 200,
        bool $page = false,
        bool $list = false,
        string $says = 'Done.',
    ) {
        $ref = '#/components/schemas/' . $schema;
        parent::__construct(
            response: $status,
            description: $says,
            content: match (true) {
                $schema === null => null,
                $page => new OA\JsonContent(
                    required: ['data', 'next_cursor'],
                    properties: [
                        new OA\Property(property: 'data', type: 'array', items: new OA\Items(ref: $ref)),
                        new OA\Property(property: 'next_cursor', type: 'string', nullable: true),
                    ],
                ),
                $list => new OA\JsonContent(
                    required: ['data'],
                    properties: [new OA\Property(property: 'data', type: 'array', items: new OA\Items(ref: $ref))],
                ),
                default => new OA\JsonContent(ref: $ref),
            },
        );
    }
}
