<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Http\OpenApi\Returns;
use App\Problems\Problem;
use App\Tenancy\Removals;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Vicissa\Core\Says\Said;

/** Clients, places, programmes, deadlines and days off that were removed a moment ago. */
final readonly class RemovedController
{
    public function __construct(private Removals $removals) {}

    #[
        OA\Post(
            path: '/api/v1/removed/{removed}/restore',
            operationId: 'restoreRemoved',
            summary: 'Have back what one has removed within the last quarter of an hour, with all that hung on it',
            tags: ['Vehicles'],
        ),
    ]
    #[Returns(null, 204)]
    public function restore(string $removed): Response
    {
        return $this->removals->restore($removed)
            ? response()->noContent()
            : throw Problem::missing(Said::of('problem.not-removed'));
    }
}
