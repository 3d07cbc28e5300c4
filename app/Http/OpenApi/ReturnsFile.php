<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Attribute;
use OpenApi\Attributes as OA;

/** The answer of an operation that is a file. */
#[Attribute(Attribute::TARGET_METHOD | Attribute::IS_REPEATABLE)]
final class ReturnsFile extends OA\Response
{
    public function __construct(string $mediaType, string $says)
    {
        parent::__construct(
            response: 200,
            description: $says,
            content: new OA\MediaType(
                mediaType: $mediaType,
                schema: new OA\Schema(type: 'string', format: str_starts_with($mediaType, 'text/') ? null : 'binary'),
            ),
        );
    }
}
