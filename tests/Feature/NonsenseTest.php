<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\Furnishes;
use Tests\TestCase;

/**
 * Sends nonsense to every address in every field its description names: whatever comes, it is told what is wrong, and
 * nothing breaks.
 */
final class NonsenseTest extends TestCase
{
    use Furnishes;

    /** @return array<string, mixed> */
    private static function nonsense(): array
    {
        return [
            'nothing' => null,
            'a word' => 'sea-pink',
            'a number' => -1,
            'much' => 1e300,
            'half' => 0.5,
            'yes' => true,
            'a list' => ['x', ['y']],
            'an object' => ['a' => ['b' => 'c']],
            'empty' => [],
            'no text' => "\xc3\x28",
            'a nought byte' => "a\0b",
            'long' => str_repeat('ä', 21_000),
            'an id of nobody' => '01900000-0000-7000-8000-000000000000',
            'a far day' => '9999-12-31',
            'no day' => '2026-02-30',
            'a list of ids' => ['01900000-0000-7000-8000-000000000000'],
            'deep' => self::deep(60),
            'a saying' => ['@said' => 'nobody.says-this', 'with' => ['@amount' => 'much']],
        ];
    }

    private const BODY = ['requestBody', 'content', 'application/json', 'schema'];

    public function testWhateverIsSentIsAnswered(): void
    {
        Storage::fake('photos');
        config()->set('vicissa.limits.api', 1_000_000);
        config()->set('vicissa.limits.sign_in', 1_000_000);
        config()->set('vicissa.limits.registrations', 1_000_000);
        config()->set('vicissa.limits.cpu_ms', 1_000_000_000);
        [$owner, $workspace] = $this->business();
        $ids = $this->furnish($owner, $workspace);
        /**
         * @var array{paths: array<string, array<string, array<string, mixed>>>,
         *     components: array{schemas: array<string, mixed>}} $api
         */
        $api = json_decode((string) file_get_contents(base_path('docs/openapi.json')), true, 512, JSON_THROW_ON_ERROR);
        $broken = [];
        $tried = $turnedAway = $turn = 0;
        // What is taken in bits is tried in bits there; the same fields elsewhere go through the same rules.
        $inBits = array_map(
            static fn(array $operations): mixed => data_get($operations, self::BODY),
            array_column($api['paths'], 'patch'),
        );
        foreach ($api['paths'] as $path => $operations) {
            foreach ($operations as $method => $operation) {
                // Whoever signs out, deletes or forgets leaves nothing to try.
                if (
                    !is_array($operation) ||
                    $method === 'delete' ||
                    preg_match('#sign-out|forget$|auth/#', $path) === 1
                ) {
                    continue;
                }
                $fields = array_keys($this->fields($operation, $api['components']['schemas']));
                $asked = array_column(
                    array_filter(
                        $operation['parameters'] ?? [],
                        static fn(array $one): bool => ($one['in'] ?? '') === 'query',
                    ),
                    'name',
                );
                $address = preg_replace_callback(
                    '/\{(\w+)\}/',
                    static fn(array $found): string => $ids[$found[1]] ?? Str::uuid7()->toString(),
                    $path,
                );
                // Every other kind at every other address.
                $nth = $half = ++$turn % 2;
                foreach ($fields === [] && $asked === [] ? [] : self::nonsense() as $kind => $value) {
                    if (++$half % 2 === 0) {
                        $nth++;

                        continue;
                    }
                    foreach (
                        $this->bodies(
                            $fields,
                            $value,
                            $nth++,
                            ($method === 'patch' || !in_array(data_get($operation, self::BODY), $inBits, true)) &&
                                $this->asksForNothing($operation, $api['components']['schemas']),
                        )
                        as $body
                    ) {
                        $tried++;
                        $query =
                            $asked === [] || (is_float($value) && $value > 1e100)
                                ? ''
                                : '?' .
                                    http_build_query(array_fill_keys($asked, is_array($value) ? $value : $value ?? ''));
                        // Each is tried on the same book, whatever the one before left of it.
                        DB::beginTransaction();
                        $response = $this->json(
                            strtoupper($method),
                            $address . $query,
                            $kind === 'no text' ? [] : $body,
                            ['If-Match' => '"1"'],
                        );
                        DB::rollBack();
                        $turnedAway += $response->getStatusCode() === 429 ? 1 : 0;
                        if ($response->getStatusCode() >= 500) {
                            $broken[] =
                                strtoupper($method) .
                                " {$path}, {$kind} as " .
                                implode(', ', array_keys($body)) .
                                ': ' .
                                substr((string) $response->exception?->getMessage(), 0, 160) .
                                ' at ' .
                                basename((string) $response->exception?->getFile()) .
                                ':' .
                                $response->exception?->getLine();
                        }
                    }
                }
            }
        }
        self::assertGreaterThan(1000, $tried);
        self::assertSame(0, $turnedAway);
        self::assertSame([], array_slice($broken, 0, 60));
    }

    /**
     * All fields nonsense; and where none must be there, so that one alone may come through, every third field alone:
     * over three kinds of nonsense each of them, and every kind in a third of all fields.
     *
     * @param list<string> $fields
     * @return iterable<array<string, mixed>>
     */
    private function bodies(array $fields, mixed $value, int $nth, bool $alone): iterable
    {
        yield array_fill_keys($fields, $value);
        foreach ($alone && count($fields) > 1 ? $fields : [] as $i => $field) {
            if (($i + $nth) % 3 !== 0) {
                continue;
            }
            yield [$field => $value];
        }
    }

    /**
     * @param array<string, mixed> $operation
     * @param array<string, mixed> $schemas
     * @return array<string, mixed>
     */
    private function fields(array $operation, array $schemas): array
    {
        $of = $this->schema($operation, $schemas);

        return is_array($of['properties'] ?? null) ? $of['properties'] : [];
    }

    /**
     * @param array<string, mixed> $operation
     * @param array<string, mixed> $schemas
     */
    private function asksForNothing(array $operation, array $schemas): bool
    {
        return ($this->schema($operation, $schemas)['required'] ?? []) === [];
    }

    /**
     * @param array<string, mixed> $operation
     * @param array<string, mixed> $schemas
     * @return array<string, mixed>
     */
    private function schema(array $operation, array $schemas): array
    {
        $schema = data_get($operation, self::BODY);
        $name = is_array($schema) && is_string($schema['$ref'] ?? null) ? basename($schema['$ref']) : null;
        $of = $name === null ? $schema : $schemas[$name] ?? [];

        return is_array($of) ? $of : [];
    }

    /** @return array<string, mixed> */
    private static function deep(int $levels): array
    {
        return $levels === 0 ? [] : ['a' => self::deep($levels - 1)];
    }
}
