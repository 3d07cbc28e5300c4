<?php

declare(strict_types=1);

namespace App\Sheets\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Tenancy\StateMark;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/**
 * One short answer that changes whenever anything in the workspace does, so that a desk sees at once what
 * happened on the driveway.
 */
#[Shape('Pulse', new Field('mark', 'string'))]
final class PulseController
{
    #[OA\Get(path: '/api/v1/pulse', operationId: 'pulse', tags: ['Sheets'])]
    #[Returns('Pulse')]
    public function __invoke(StateMark $stateMark): JsonResponse
    {
        return new JsonResponse(['mark' => dechex($stateMark())]);
    }
}
