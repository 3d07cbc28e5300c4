<?php

declare(strict_types=1);

namespace App\Reckon\Http;

use App\Problems\Problem;
use App\Reckon\Reckoning;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use Vicissa\Core\Says\Said;

/** The models of the core, one JSON object or an array of them. */
final class ReckonController
{
    private const MOST = 2000;

    #[
        OA\Post(
            path: '/api/v1/reckon/{model}',
            operationId: 'reckon',
            tags: ['Reckon'],
            summary: 'Reckon a model: an object gives an object, an array an array with errors in their places (docs/formats.md)',
            parameters: [
                new OA\PathParameter(
                    name: 'model',
                    required: true,
                    schema: new OA\Schema(
                        type: 'string',
                        enum: [
                            'ratio',
                            'wear',
                            'due',
                            'bead',
                            'diagnose',
                            'verdict',
                            'window',
                            'spots',
                            'towels',
                            'match',
                            'lance',
                            'tank',
                            'resin',
                            'curve',
                            'sheet',
                            'area',
                            'gauge',
                        ],
                    ),
                ),
            ],
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    oneOf: [
                        new OA\Schema(type: 'object', additionalProperties: true),
                        new OA\Schema(type: 'array', items: new OA\Items(type: 'object', additionalProperties: true)),
                    ],
                ),
            ),
            responses: [
                new OA\Response(
                    response: 200,
                    description: 'The result in the shape of the request',
                    content: new OA\JsonContent(
                        oneOf: [
                            new OA\Schema(type: 'object', additionalProperties: true),
                            new OA\Schema(
                                type: 'array',
                                items: new OA\Items(type: 'object', additionalProperties: true),
                            ),
                        ],
                    ),
                ),
            ],
        ),
    ]
    public function __invoke(Request $request, string $model, Reckoning $reckoning): JsonResponse
    {
        abort_unless($reckoning->knows($model), 404);
        $body = json_decode($request->getContent(), true, 64);
        if (!is_array($body)) {
            throw Problem::field('', Said::of('input.json'));
        }
        if ($body !== [] && array_is_list($body)) {
            if (count($body) > self::MOST) {
                throw Problem::field('', Said::of('input.most', most: self::MOST));
            }

            return $this->answer($reckoning->all($model, $body)['results']);
        }

        return $this->answer($reckoning->one($model, $body));
    }

    /** @param array<array-key, mixed> $result */
    private function answer(array $result): JsonResponse
    {
        // 250.0 stays 250.0, as on the command line.
        return new JsonResponse($result, options: JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE);
    }
}
