<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\TestCase;

/**
 * A phone in the middle of a sheet has the page of yesterday: whatever it sends is still taken, and whatever it reads is still
 * there. `before.json` is the phone's part of the API as the last page that went out knew it (BEFORE=docs/openapi.json, when one goes out).
 */
final class OlderPageTest extends TestCase
{
    /** What a page on a phone asks for with a sheet in hand, or sends when it has a signal again. */
    private const PHONE = [
        'get /api/v1/me',
        'get /api/v1/me/seal',
        'get /api/v1/pulse',
        'get /api/v1/round',
        'get /api/v1/load',
        'get /api/v1/sheets',
        'get /api/v1/sheets/{sheet}',
        'get /api/v1/sheets/{sheet}/pack',
        'post /api/v1/sheets',
        'post /api/v1/sheets/{sheet}/events',
        'post /api/v1/sheets/{sheet}/finish',
        'post /api/v1/sheets/{sheet}/rematch',
        'post /api/v1/vehicles/{vehicle}/photos',
        'post /api/v1/vehicles/{vehicle}/turns',
        'post /api/v1/auth/sign-in',
        'post /api/v1/auth/sign-out',
    ];

    private const FILE = __DIR__ . '/before.json';

    public function testWhatAnOlderPageSendsIsTakenAndWhatItReadsIsThere(): void
    {
        $now = self::phone(base_path('docs/openapi.json'));
        $newest = getenv('BEFORE');
        if (is_string($newest)) {
            $lines = [];
            foreach (self::phone($newest) as $door => $fields) {
                $lines[] =
                    json_encode($door, JSON_UNESCAPED_SLASHES) .
                    ':' .
                    json_encode($fields, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
            }
            file_put_contents(self::FILE, "{\n" . implode(",\n", $lines) . "\n}\n");
        }
        $before = (array) json_decode((string) file_get_contents(self::FILE), true);
        self::assertGreaterThan(10, count($before));
        $missing = [];
        foreach ($before as $door => ['sends' => $sends, 'reads' => $reads]) {
            if (!isset($now[$door])) {
                $missing[] = "{$door} is gone";

                continue;
            }
            foreach ($reads as $field => $kinds) {
                // Kinds may become fewer: never null any more is fine, suddenly null or absent is not.
                $is = $now[$door]['reads'][$field] ?? null;
                $stays = $is !== null && in_array('required', $is, true) >= in_array('required', $kinds, true);
                if (!$stays || array_diff($is, $kinds, ['required']) !== []) {
                    $missing[] = "{$door} answers {$field} as " . json_encode($is) . ', was ' . json_encode($kinds);
                }
            }
            foreach ($sends as $field => $kinds) {
                // And more may be taken.
                $is = $now[$door]['sends'][$field] ?? null;
                if ($is === null || array_diff($kinds, $is, ['required']) !== []) {
                    $missing[] = "{$door} takes {$field} as " . json_encode($is) . ', was ' . json_encode($kinds);
                }
            }
            foreach (array_diff_key($now[$door]['sends'], $sends) as $field => $kinds) {
                if (in_array('required', $kinds, true)) {
                    $missing[] = "{$door} insists on {$field}";
                }
            }
        }
        self::assertSame([], $missing);
    }

    /** @return array<string, array{sends: array<string, list<string>>, reads: array<string, list<string>>}> */
    private static function phone(string $file): array
    {
        $document = (array) json_decode((string) file_get_contents($file), true);
        $told = [];
        foreach (self::PHONE as $door) {
            [$method, $path] = explode(' ', $door);
            $operation = $document['paths'][$path][$method] ?? null;
            if ($operation === null) {
                continue;
            }
            $good = array_filter(
                $operation['responses'],
                static fn(int|string $status): bool => (int) $status < 300,
                ARRAY_FILTER_USE_KEY,
            );
            $told[$door] = [
                'sends' => self::fields(
                    $document,
                    $operation['requestBody']['content']['application/json']['schema'] ?? [],
                ),
                'reads' => self::fields(
                    $document,
                    array_values($good)[0]['content']['application/json']['schema'] ?? [],
                ),
            ];
        }

        return $told;
    }

    /**
     * Each field by its path, with what it may be.
     *
     * @param array<string, mixed> $document
     * @param array<string, mixed> $schema
     * @return array<string, list<string>>
     */
    private static function fields(array $document, array $schema, string $at = '', int $deep = 0): array
    {
        if (isset($schema['$ref'])) {
            $schema = $document['components']['schemas'][basename((string) $schema['$ref'])] ?? [];
        }
        $found = [];
        if ($deep > 7) {
            return $found;
        }
        foreach ([...$schema['allOf'] ?? [], ...$schema['anyOf'] ?? [], ...$schema['oneOf'] ?? []] as $part) {
            $found = [...$found, ...self::fields($document, $part, $at, $deep + 1)];
        }
        if (isset($schema['items'])) {
            $found = [...$found, ...self::fields($document, $schema['items'], "{$at}[]", $deep + 1)];
        }
        foreach ($schema['properties'] ?? [] as $name => $field) {
            $kinds = array_map(strval(...), (array) ($field['type'] ?? 'any'));
            if (($field['nullable'] ?? false) === true) {
                $kinds[] = 'null';
            }
            foreach ($field['enum'] ?? [] as $value) {
                $kinds[] = "‘{$value}’";
            }
            if (in_array($name, $schema['required'] ?? [], true)) {
                $kinds[] = 'required';
            }
            sort($kinds);
            $found["{$at}/{$name}"] = $kinds;
            $found = [...$found, ...self::fields($document, $field, "{$at}/{$name}", $deep + 1)];
        }

        return $found;
    }
}
