<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Reckon\Reckoning;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Route;
use OpenApi\Attributes as OA;
use OpenApi\Generator;

/** Writes docs/openapi.json from the attributes in app/Http. bin/test checks that the committed one is the same. */
#[
    OA\Info(
        version: '1',
        title: 'Vicissa',
        description: 'Care of coated, sealed, waxed and wrapped vehicles. Quantities in SI units, moments in UTC; errors as RFC 9457 problems.',
    ),
]
#[
    OA\SecurityScheme(
        securityScheme: 'session',
        type: 'apiKey',
        in: 'cookie',
        name: 'vicissa_session',
        description: 'From sign-in; writes also need the X-XSRF-TOKEN header.',
    ),
]
#[
    OA\SecurityScheme(
        securityScheme: 'token',
        type: 'http',
        scheme: 'bearer',
        description: 'From Workspace → Tokens, with the abilities read, write and reckon.',
    ),
]
#[
    OA\Schema(
        schema: 'ProblemError',
        type: 'object',
        required: ['pointer', 'detail'],
        properties: [
            new OA\Property(property: 'pointer', type: 'string'),
            new OA\Property(property: 'detail', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Problem',
        type: 'object',
        required: ['type', 'title', 'status', 'detail'],
        properties: [
            new OA\Property(property: 'type', type: 'string'),
            new OA\Property(property: 'title', type: 'string'),
            new OA\Property(property: 'status', type: 'integer'),
            new OA\Property(property: 'detail', type: 'string', description: 'A sentence for the person'),
            new OA\Property(
                property: 'errors',
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/ProblemError'),
            ),
            new OA\Property(
                property: 'current',
                type: 'object',
                description: 'With 412: what is saved now; with 409: what goes on',
            ),
            new OA\Property(
                property: 'request',
                type: 'string',
                description: 'With 5xx: the name of the request in the log',
            ),
        ],
    ),
]
final class WriteOpenApi extends Command
{
    protected $signature = 'vicissa:openapi {--check : Compare with the committed document instead of writing it}';

    protected $description = 'Write the OpenAPI document from the code, or check it for drift';

    public function handle(Reckoning $reckoning): int
    {
        $document = (new Generator())->setVersion('3.1.0')->generate([app_path()]);
        if ($document === null) {
            $this->error('The attributes gave no document.');

            return self::FAILURE;
        }
        /**
         * @var array{paths: array<string, array<string, array<string, mixed>>>,
         *     components: array{schemas: array<string, array<string, mixed>>}} $api
         */
        $api = json_decode($document->toJson(), true, 512, JSON_THROW_ON_ERROR);
        foreach ($reckoning->names() as $model) {
            $api['paths']["/api/v1/reckon/{$model}"]['post'] = self::reckons($model);
            $api['components']['schemas']['Reckon' . ucfirst($model) . 'Input']['properties']['units'] = [
                'description' => 'In which sentences are told',
                'type' => 'string',
                'enum' => ['metric', 'us', 'imperial'],
            ];
        }
        foreach ($api['paths'] as $path => &$operations) {
            foreach ($operations as $method => &$operation) {
                $parameters = [...$operation['parameters'] ?? [], ...self::understood($path, $method, $operation)];
                if ($parameters !== []) {
                    $operation['parameters'] = $parameters;
                }
                $operation['responses']['default'] = [
                    'description' => 'What went wrong',
                    'content' => [
                        'application/problem+json' => ['schema' => ['$ref' => '#/components/schemas/Problem']],
                    ],
                ];
            }
        }
        unset($operations, $operation);
        // Where a comment's line ends is a matter of its layout.
        array_walk_recursive($api, static function (mixed &$value, int|string $key): void {
            if ($key === 'description' && is_string($value)) {
                $value = (string) preg_replace('/(?<!\n)\n(?!\n)/', ' ', $value);
            }
        });
        ksort($api['paths']);
        ksort($api['components']['schemas']);
        $api['security'] = [['session' => []], ['token' => []]];
        $json =
            json_encode(
                $api,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ) . "\n";
        $file = base_path('docs/openapi.json');
        if ($this->option('check')) {
            if (@file_get_contents($file) !== $json) {
                $this->error(
                    'docs/openapi.json no longer matches the code. Run: php artisan vicissa:openapi && npm run api',
                );

                return self::FAILURE;
            }

            return self::SUCCESS;
        }
        file_put_contents($file, $json);
        $this->info(sprintf('docs/openapi.json: %d addresses.', count($api['paths'])));

        return self::SUCCESS;
    }

    /** The shape of what a model gives; what it takes is called the same with "Input" behind. */
    private static function shape(string $model): string
    {
        return ['match' => 'ReckonedMatch', 'visit' => 'SheetPlan', 'diagnose' => 'WaterTalk'][$model] ??
            'Reckon' . ucfirst($model);
    }

    /**
     * A model takes an object and gives one, or a list of objects and gives as many, with what is wrong in its place.
     *
     * @return array<string, mixed>
     */
    private static function reckons(string $model): array
    {
        $ref = static fn(string $shape): array => ['$ref' => "#/components/schemas/{$shape}"];
        $json = static fn(array $schema): array => ['content' => ['application/json' => ['schema' => $schema]]];
        $given = [
            $ref(self::shape($model)),
            ...$model === 'lance' ? [$ref('ReckonLanceSpan')] : [],
            $ref('ReckonFault'),
        ];
        $asked = $ref('Reckon' . ucfirst($model) . 'Input');

        return [
            'tags' => ['Reckon'],
            'summary' => 'One object, or a list of them; what each means stands in docs/formats.md',
            'operationId' => 'reckon' . ucfirst($model),
            'requestBody' => [
                'required' => true,
                ...$json(['oneOf' => [$asked, ['type' => 'array', 'items' => $asked]]]),
            ],
            'responses' => [
                '200' => [
                    'description' => 'In the shape of the request',
                    ...$json(['oneOf' => [...$given, ['type' => 'array', 'items' => ['oneOf' => $given]]]]),
                ],
            ],
        ];
    }

    /**
     * What goes without saying: rows are named by their ids, pages are asked for by limit and cursor, and where the route
     * answers a repeated request once, it takes a key.
     *
     * @param array<string, mixed> $operation
     * @return list<array<string, mixed>>
     */
    private static function understood(string $path, string $method, array $operation): array
    {
        $said = array_column(is_array($operation['parameters'] ?? null) ? $operation['parameters'] : [], 'name');
        $parameters = [];
        preg_match_all('/\{(\w+)}/', $path, $named);
        foreach (array_diff($named[1], $said) as $name) {
            $parameters[] = [
                'name' => $name,
                'in' => 'path',
                'required' => true,
                'schema' => ['type' => 'string', 'format' => 'uuid'],
            ];
        }
        $page = data_get($operation, ['responses', '200', 'content', 'application/json', 'schema', 'properties']);
        if (is_array($page) && isset($page['next_cursor'])) {
            $parameters[] = ['name' => 'limit', 'in' => 'query', 'schema' => ['type' => 'integer', 'maximum' => 200]];
            $parameters[] = ['name' => 'cursor', 'in' => 'query', 'schema' => ['type' => 'string']];
        }
        foreach (Route::getRoutes()->get(strtoupper($method)) as $route) {
            if ('/' . $route->uri() === $path && in_array('once', $route->gatherMiddleware(), true)) {
                $parameters[] = ['name' => 'Idempotency-Key', 'in' => 'header', 'schema' => ['type' => 'string']];
            }
        }

        return $parameters;
    }
}
