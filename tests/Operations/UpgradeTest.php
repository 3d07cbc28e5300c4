<?php

declare(strict_types=1);

namespace Tests\Operations;

use GuzzleHttp\Client;
use GuzzleHttp\HandlerStack;
use GuzzleHttp\Middleware;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Psr\Http\Message\RequestInterface;
use Psr\Http\Message\ResponseInterface;

/**
 * Whoever comes from an earlier version ends with the same tables as whoever begins today, and with all they had.
 * `schemas/` holds a dump of the demo as each version had written it, named after that version's last migration.
 */
final class UpgradeTest extends TestCase
{
    /** What nobody may lose. */
    private const KEPT = [
        'vehicles',
        'layers',
        'turns',
        'turn_entries',
        'readings',
        'products',
        'stock_moves',
        'sheets',
    ];

    /** @return iterable<string, array{string}> */
    public static function earlier(): iterable
    {
        foreach (glob(__DIR__ . '/schemas/*.dump') ?: [] as $file) {
            yield basename($file, '.dump') => [$file];
        }
    }

    #[DataProvider('earlier')]
    public function testItIsBroughtUpToDateWithAllThatWasInIt(string $dump): void
    {
        $here = Installation::fresh('upgraded');
        try {
            [$code, $says] = $here->run('bin/restore ' . escapeshellarg($dump) . ' --yes');
            self::assertSame(0, $code, $says);
            self::assertTrue($here->start(), $here->said());
            self::assertSame($this->tables($here, 'fresh', fresh: true), $this->tables($here, 'vicissa'));
            [, $list] = $here->run('pg_restore -l ' . escapeshellarg($dump));
            foreach (self::KEPT as $table) {
                [, $rows] = $here->run(
                    sprintf('pg_restore -a -t %s -f - %s | grep -c "^[0-9a-f]\{8\}-"', $table, escapeshellarg($dump)),
                );
                self::assertGreaterThan(5, (int) $rows, $list);
                self::assertSame($rows, $here->database("select count(*) from {$table}"), $table);
            }
            if (basename($dump) < '2026_11_28_000021') {
                $this->assertSaidInCodes($here);
            }
            $this->assertItIsLivedOn($here);
        } finally {
            $here->stop();
        }
    }

    /** Sentences of before are codes now, where they are of the program's own making. */
    private function assertSaidInCodes(Installation $here): void
    {
        foreach (
            ['plans' => 'why', 'plan_runs' => 'says', 'sheet_events' => 'conflict', 'forecasts' => 'why']
            as $table => $column
        ) {
            self::assertSame(
                'jsonb',
                $here->database(
                    "select data_type from information_schema.columns where table_name = '{$table}' and column_name = '{$column}'",
                ),
            );
        }
        self::assertSame('0', $here->database("select count(*) from plans where jsonb_typeof(why) = 'string'"));
        self::assertNotSame('0', $here->database("select count(*) from plans where why ? '@said'"));
        self::assertSame(
            '0',
            $here->database(
                "select count(*) from quotes, jsonb_array_elements(answer -> 'assumes' || answer -> 'inside') as one where jsonb_typeof(one) = 'string'",
            ),
        );
        self::assertNotSame('0', $here->database('select count(*) from quotes'));
        self::assertSame(
            '{"kind": "end", "name": "Tam", "time": "10:15", "@said": "sheet.step-twice"}',
            $here->database('select conflict from sheet_events where conflict is not null'),
        );
        self::assertSame('person', $here->database('select distinct tokenable_type from personal_access_tokens'));
    }

    private function assertItIsLivedOn(Installation $here): void
    {
        $base = "http://127.0.0.1:{$here->port}";
        $client = new Client([
            'base_uri' => $base,
            'cookies' => true,
            'http_errors' => false,
            'timeout' => 60,
            'handler' => self::comingBack(),
        ]);
        $client->get('/sanctum/csrf-cookie');
        $jar = $client->getConfig('cookies');
        $headers = [
            'Accept' => 'application/json',
            'Origin' => $base,
            'X-XSRF-TOKEN' => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue()),
        ];
        $in = $client->post('/api/v1/auth/sign-in', [
            'headers' => $headers,
            'json' => ['email' => 'rhona@marram-sedge.example', 'password' => 'sea-pink-tide'],
        ]);
        self::assertSame(204, $in->getStatusCode(), (string) $in->getBody());
        foreach (
            ['film', 'weeks', 'round', 'money', 'load', 'vehicles', 'products', 'gear', 'quotes', 'proof', 'drill']
            as $place
        ) {
            $answer = $client->get("/api/v1/{$place}", ['headers' => $headers]);
            self::assertSame(200, $answer->getStatusCode(), "{$place}: " . substr((string) $answer->getBody(), 0, 400));
        }
    }

    /** What takes longer than patience is laid meanwhile; whoever asks comes back when told to, as pages do. */
    private static function comingBack(): HandlerStack
    {
        $stack = HandlerStack::create();
        $stack->push(
            Middleware::retry(
                static fn(int $tries, RequestInterface $request, ?ResponseInterface $answer = null): bool => $tries <
                    30 &&
                    $answer?->getStatusCode() === 503 &&
                    $answer->hasHeader('Retry-After'),
                static fn(int $tries, ?ResponseInterface $answer = null): int => 1000 *
                    (int) $answer?->getHeaderLine('Retry-After'),
            ),
        );

        return $stack;
    }

    /**
     * The tables as SQL. PostgreSQL spells a condition otherwise once it has been read in again, so both have been.
     *
     * @param bool $fresh  made by today's migrations alone
     */
    private function tables(Installation $here, string $database, bool $fresh = false): string
    {
        [$code, $sql] = $here->run(
            'set -e; . bin/lib.sh; load_env; DB_OWNER_PASSWORD=$(keep_secret owner); export PGPASSWORD=$(keep_secret admin); ' .
                ($fresh ? "make_database {$database}; migrate {$database}; " : '') .
                "make_database again_{$database}; " .
                "tables() { \"\$PG_BIN/pg_dump\" -s -h 127.0.0.1 -p \"\$DB_PORT\" -U vicissa_admin \"\$@\"; }; " .
                "tables {$database} | psql_admin -d again_{$database} >/dev/null; " .
                "tables again_{$database} | grep -v 'restrict '",
        );
        self::assertSame(0, $code, $sql);

        return $sql;
    }
}
