<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use stdClass;
use Symfony\Component\HttpFoundation\Response;
use Tests\Furnishes;
use Tests\TestCase;
use Vicissa\Core\Matching\Turn\School;

/**
 * What is answered is what docs/openapi.json says: every documented reading, and the writes that fill a workspace.
 * Nothing is said that isn't described.
 */
final class ContractTest extends TestCase
{
    use Furnishes;

    private Validator $validator;

    private stdClass $document;

    /** @var list<string> */
    private array $faults = [];

    /** @var array<string, true> operations whose answers were looked at */
    private array $seen = [];

    protected function setUp(): void
    {
        parent::setUp();
        config()->set('vicissa.limits.api', 100_000);
        $this->document = json_decode(
            (string) file_get_contents(base_path('docs/openapi.json')),
            false,
            512,
            JSON_THROW_ON_ERROR,
        );
        foreach ((array) $this->document->components->schemas as $schema) {
            // A map says what its values are; whatever else has named properties has no others.
            if ($schema instanceof stdClass && isset($schema->properties) && !isset($schema->additionalProperties)) {
                $schema->additionalProperties = false;
            }
        }
        $this->validator = new Validator(max_errors: 3);
        $this->validator
            ->resolver()
            ?->registerRaw((string) json_encode($this->document), 'https://vicissa.example/openapi.json');
    }

    public function testEveryAnswerIsAsDescribed(): void
    {
        [$owner, $workspace] = $this->business();
        $ids = $this->furnish($owner, $workspace);
        $else = [];
        config(['vicissa.watch_token' => 'sea-pink-watch']);
        $secret = basename(
            (string) $this->postJson("/api/v1/vehicles/{$ids['vehicle']}/record-links", ['kind' => 'history'])->json(
                'url',
            ),
        );
        $asks = [
            '/api/v1/bench/expected' => "vehicle={$ids['vehicle']}&at=2026-11-26T10:00:00Z",
            '/api/v1/weather' => 'from=2026-11-26T08:00:00Z&hours=3',
            '/api/v1/round' => 'on=2026-11-26',
            '/api/v1/load' => 'from=2026-11-26&to=2026-12-03',
            '/api/v1/find' => 'text=a',
            '/api/v1/money/closed' => 'from=2026-11-01&to=2026-11-30',
            '/api/v1/vehicles/{vehicle}/film/point' => 'on=2026-11-20',
            '/api/v1/vehicles/{vehicle}/record' => 'kind=history',
        ];
        foreach ((array) $this->document->paths as $path => $operations) {
            if (!isset($operations->get)) {
                continue;
            }
            $address = (string) preg_replace_callback(
                '/\{(\w+)\}/',
                static fn(array $found): string => $ids[$found[1]] ??
                    match ($found[1]) {
                        'kind' => 'vehicles',
                        'model' => 'bead',
                        'secret' => $secret,
                        default => $ids['turn'],
                    },
                $path,
            );
            $status = $this->getJson(
                $address . (isset($asks[$path]) ? "?{$asks[$path]}" : ''),
                $path === '/api/v1/operator' ? ['Authorization' => 'Bearer sea-pink-watch'] : [],
            )->getStatusCode();
            if ($status !== 200) {
                $else[$path] = $status;
            }
        }
        self::assertSame([], $this->faults);
        // What only a letter's secret opens.
        self::assertSame(
            [
                '/api/v1/answers/{proposal}/{signature}' => 404,
                '/api/v1/answers/{proposal}/{signature}/last' => 404,
                '/api/v1/answers/{proposal}/{signature}/photos/{photo}' => 404,
                '/api/v1/archive/runs/{run}' => 404,
                '/api/v1/archive/runs/{run}/file' => 404,
                '/api/v1/auth/invitation' => 422,
                '/api/v1/records/{secret}/photos/{photo}' => 404,
            ],
            $else,
        );
        self::assertGreaterThan(70, count($this->seen), implode("\n", array_keys($this->seen)));
    }

    /** Every case the models are held to is asked over HTTP: what goes in and what comes out is as described. */
    public function testEveryModelTakesAndGivesWhatIsDescribed(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner, 'web');
        // What is asked here is no attack, however slow the machine that answers.
        config(['vicissa.limits.reckon_ms' => 10_000_000, 'vicissa.limits.cpu_ms' => 1_000_000_000]);
        $asked = 0;
        foreach (glob(base_path('core/tests/vectors/*.json')) ?: [] as $file) {
            $model = basename($file, '.json');
            $cases = json_decode((string) file_get_contents($file), false, 512, JSON_THROW_ON_ERROR);
            foreach (array_slice($cases, 0, $model === 'plan' ? 2 : 40) as $case) {
                $schema = $this->refers(['$ref' => '#/components/schemas/Reckon' . ucfirst($model) . 'Input']);
                $fault = $this->validator->validate($case->input, $schema)->error();
                self::assertSame([], $fault === null ? [] : (new ErrorFormatter())->format($fault), $model);
                $input = json_decode((string) json_encode($case->input), true);
                $this->postJson("/api/v1/reckon/{$model}", $input);
                $this->postJson("/api/v1/reckon/{$model}", [$input, ['nonsense' => true]])->assertOk();
                $asked++;
            }
        }
        foreach (['match', 'visit'] as $model) {
            $example = json_decode((string) file_get_contents(base_path("docs/examples/{$model}.json")), true);
            $this->postJson("/api/v1/reckon/{$model}", $example)->assertOk();
        }
        self::assertSame([], $this->faults);
        self::assertGreaterThan(100, $asked);
    }

    public function testTheSchoolsAreThoseOfTheCore(): void
    {
        $sides = array_map(
            static fn(stdClass $school): array => $school->enum,
            (array) $this->document->components->schemas->Sides->properties,
        );
        self::assertEquals(
            array_map(
                static fn(School $school): array => array_map(strval(...), array_keys($school->sides())),
                array_combine(
                    array_map(static fn(School $school): string => $school->value, School::cases()),
                    School::cases(),
                ),
            ),
            $sides,
        );
    }

    /**
     * @param array<array-key, mixed> $data
     * @param array<string, string> $headers
     * @return TestResponse<Response>
     */
    public function json($method, $uri, array $data = [], array $headers = [], $options = 0): TestResponse
    {
        $response = parent::json($method, $uri, $data, $headers, $options);
        $this->compare(strtolower($method), (string) strtok((string) $uri, '?'), $response);

        return $response;
    }

    /** @param TestResponse<Response> $response */
    private function compare(string $method, string $address, TestResponse $response): void
    {
        foreach ((array) $this->document->paths as $path => $operations) {
            if (
                !isset($operations->{$method}) ||
                preg_match(
                    '#^' . preg_replace('/\\\\\{\w+\\\\\}/', '[^/]+', preg_quote($path, '#')) . '$#',
                    $address,
                ) !== 1
            ) {
                continue;
            }
            $status = (string) $response->getStatusCode();
            self::assertLessThan(500, $response->getStatusCode(), "{$method} {$address}");
            $described =
                $operations->{$method}->responses->{$status} ??
                ($response->getStatusCode() >= 400 ? $operations->{$method}->responses->default ?? null : null);
            if ($described === null) {
                $this->faults[] = "{$method} {$path} answers {$status}, which is not described";

                return;
            }
            $schema =
                $described->content->{'application/json'}->schema ??
                ($described->content->{'application/problem+json'}->schema ?? null);
            if ($schema === null || !str_contains((string) $response->headers->get('Content-Type'), 'json')) {
                return;
            }
            $within = $this->refers($schema);
            $result = $this->validator->validate(json_decode((string) $response->getContent(), false), $within);
            $error = $result->error();
            if ($error !== null) {
                $this->faults[] =
                    "{$method} {$path} ({$status}): " .
                    json_encode((new ErrorFormatter())->format($error), JSON_UNESCAPED_SLASHES);
            }
            $this->seen["{$method} {$path}"] = true;

            return;
        }
        self::fail("{$method} {$address} is not described");
    }

    /** A schema whose references lead into the document. */
    private function refers(mixed $schema): mixed
    {
        return json_decode(
            str_replace(
                '"#/',
                '"https://vicissa.example/openapi.json#/',
                (string) json_encode($schema, JSON_UNESCAPED_SLASHES),
            ),
            false,
        );
    }
}
