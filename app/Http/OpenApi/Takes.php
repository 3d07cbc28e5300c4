<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Attribute;
use OpenApi\Attributes as OA;

/** The JSON body of an operation. */
#[Attribute(Attribute::TARGET_METHOD)]
final class Takes extends OA\RequestBody
{
    public function __construct(string $schema)
    {
        parent::__construct(required: true, content: new OA\JsonContent(ref: '#/components/schemas/' . $schema));
    }
}
