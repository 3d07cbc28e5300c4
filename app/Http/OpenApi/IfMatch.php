<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Attribute;
use OpenApi\Attributes as OA;

/** The operation changes only what the caller has seen: the ETag it was read with has to come along. */
#[Attribute(Attribute::TARGET_METHOD)]
final class IfMatch extends OA\HeaderParameter
{
    public function __construct()
    {
        parent::__construct(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'));
    }
}
