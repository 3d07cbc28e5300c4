<?php

declare(strict_types=1);

namespace App\Archive\Http;

use Attribute;
use OpenApi\Attributes as OA;

/** Which table of the book an address speaks of. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final class KindOfTable extends OA\PathParameter
{
    public function __construct()
    {
        parent::__construct(
            name: 'kind',
            required: true,
            schema: new OA\Schema(type: 'string', enum: ['clients', 'sites', 'vehicles', 'turns', 'readings']),
        );
    }
}
