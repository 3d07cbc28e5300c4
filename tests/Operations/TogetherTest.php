<?php

declare(strict_types=1);

namespace Tests\Operations;

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Pool;
use GuzzleHttp\Psr7\Request;
use GuzzleHttp\RequestOptions;
use Illuminate\Support\Str;
use PHPUnit\Framework\TestCase;
use Psr\Http\Message\ResponseInterface;

/** Many at the same work at once, against the real thing: nobody is told that something broke, nothing comes twice. */
final class TogetherTest extends TestCase
{
    private const AT_ONCE = 16;

    private static Installation $here;

    private static Client $client;

    /** @var array<string, string> */
    private static array $headers = [];

    /** @var list<string> */
    private static array $cars = [];

    public static function setUpBeforeClass(): void
    {
        self::$here = Installation::fresh('together', [
            'VICISSA_LIMIT_API' => '100000',
            'VICISSA_LIMIT_AT_ONCE' => '64',
            'VICISSA_LIMIT_CPU_MS' => '100000000',
        ]);
        self::assertTrue(self::$here->start(), self::$here->said());
        $base = 'http://127.0.0.1:' . self::$here->port;
        $jar = new CookieJar();
        $client = new Client([
            'base_uri' => "{$base}/",
            RequestOptions::HTTP_ERRORS => false,
            RequestOptions::COOKIES => $jar,
            RequestOptions::HEADERS => ['Accept' => 'application/json', 'Origin' => $base],
        ]);
        $token = static function () use ($client, $jar): array {
            $client->get('sanctum/csrf-cookie');

            return ['X-XSRF-TOKEN' => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue())];
        };
        $made = static fn(string $path, array $body): array => (array) json_decode(
            (string) $client
                ->post("api/v1/{$path}", [RequestOptions::JSON => $body, RequestOptions::HEADERS => $token()])
                ->getBody(),
            true,
        );
        $made('auth/register', [
            'name' => 'Dunlin',
            'workspace' => 'Dunlin',
            'email' => 'dunlin@example.test',
            'password' => 'sea-pink-tide',
        ]);
        $secret = $made('tokens', ['name' => 'many', 'abilities' => ['read', 'write']])['secret'];
        self::$headers = [
            'Authorization' => "Bearer {$secret}",
            'Accept' => 'application/json',
            'Content-Type' => 'application/json',
        ];
        self::$client = new Client(['base_uri' => "{$base}/api/v1/", RequestOptions::HTTP_ERRORS => false]);
        for ($n = 0; $n < 6; $n++) {
            self::$cars[] = self::said('POST', 'start', [
                'name' => "Car {$n}",
                'body' => 'estate',
                'family' => 'wax',
                'since' => gmdate('Y-m-d', strtotime('-60 days')),
            ])['id'];
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$here->stop();
    }

    /** Turns of some vehicles with the same products in either order; their sheets closed, noted on and laid meanwhile. */
    public function testFortyTurnsAtOnce(): void
    {
        $products = array_column(self::said('GET', 'products?limit=50')['data'], null, 'role');
        [$soap, $topper] = [$products['soap']['id'], $products['topper']['id']];
        $ask = [];
        for ($n = 0; $n < 40; $n++) {
            $use = [
                ['product_id' => $soap, 'zone' => 'paint', 'quantity_ml' => 2],
                ['product_id' => $topper, 'zone' => 'paint', 'quantity_ml' => 3],
            ];
            $ask[] = [
                'POST',
                'vehicles/' . self::$cars[$n % 6] . '/turns',
                self::turn($n, ['products' => $n % 2 === 0 ? $use : array_reverse($use)]),
            ];
        }
        self::assertSame([201 => 40], self::together($ask));
        foreach ([$soap => 1000 - 80, $topper => 1000 - 120] as $id => $left) {
            self::assertEquals($left, self::said('GET', "products/{$id}")['stock_ml']);
        }
        $ask = [];
        foreach (self::$cars as $n => $car) {
            $sheet = self::said('POST', 'sheets', ['vehicle_id' => $car])['id'];
            $ask[] = ['POST', "sheets/{$sheet}/events", ['events' => [self::event()]]];
            $ask[] = ['POST', "vehicles/{$car}/turns", self::turn(50 + $n)];
            $ask[] = ['POST', "sheets/{$sheet}/finish", [...self::turn(60 + $n), 'steps' => []]];
            $ask[] = ['POST', "vehicles/{$car}/turns", self::turn(70 + $n)];
            $ask[] = ['POST', "sheets/{$sheet}/finish", [...self::turn(80 + $n), 'steps' => []]];
            $ask[] = ['GET', 'film', null];
        }
        $codes = self::together($ask);
        self::assertSame(
            [],
            array_filter(array_keys($codes), static fn(int $code): bool => $code >= 300),
            (string) json_encode($codes),
        );
        self::assertSame(
            '18',
            self::$here->database("select count(*) from turns where worked_at < now() - interval '45 hours'"),
            'besides forty: two of each car written down, and one closed',
        );
    }

    /** The same said by many at once happens once, and everybody is told so. */
    public function testTheSameByTenAtOnceHappensOnce(): void
    {
        $id = Str::uuid7()->toString();
        $codes = self::together(
            array_fill(0, 10, ['POST', 'vehicles/' . self::$cars[0] . '/turns', self::turn(100, ['id' => $id])]),
        );
        self::assertSame(1, $codes[201] ?? 0, (string) json_encode($codes));
        self::assertSame([], array_diff(array_keys($codes), [201, 409, 422]));

        $day = gmdate('Y-m-d', strtotime('+5 days'));
        $codes = self::together(array_fill(0, 10, ['POST', 'sheets', ['vehicle_id' => self::$cars[1], 'on' => $day]]));
        self::assertSame([201 => 10], $codes, 'each makes way for the next');
        self::assertSame(
            '1',
            self::$here->database(
                "select count(*) from sheets where \"on\" = '{$day}' and status in ('laid', 'begun')",
            ),
        );
        $open = self::$here->database("select id from sheets where \"on\" = '{$day}' and status = 'laid'");
        self::said('POST', "sheets/{$open}/events", ['events' => [self::event()]]);
        self::assertSame(
            [409 => 10],
            self::together(array_fill(0, 10, ['POST', 'sheets', ['vehicle_id' => self::$cars[1], 'on' => $day]])),
        );
    }

    public function testTenUndosAtOnceTakeBackOnePlan(): void
    {
        $wait = static function (): array {
            $run = self::said('POST', 'weeks/plan', []);
            $until = microtime(true) + 120;
            while (in_array($run['status'], ['waiting', 'running'], true) && microtime(true) < $until) {
                usleep(200_000);
                $run = self::said('GET', "weeks/runs/{$run['id']}");
            }
            self::assertSame('done', $run['status']);

            return self::said('GET', 'weeks')['plan'];
        };
        $first = $wait();
        $second = $wait();
        self::assertSame(
            [200 => 10],
            self::together(array_fill(0, 10, ['POST', 'weeks/undo', ['plan' => $second['id']]])),
        );
        self::assertSame($first['id'], self::said('GET', 'weeks')['plan']['id']);
    }

    /**
     * @param list<array{string, string, array<string, mixed>|null}> $ask
     * @return array<int, int> answers by status
     */
    private static function together(array $ask): array
    {
        $codes = [];
        $requests = array_map(self::request(...), $ask);
        (new Pool(self::$client, $requests, [
            'concurrency' => self::AT_ONCE,
            'fulfilled' => static function (ResponseInterface $answer) use (&$codes): void {
                $codes[$answer->getStatusCode()] = ($codes[$answer->getStatusCode()] ?? 0) + 1;
                if ($answer->getStatusCode() >= 500) {
                    fwrite(STDERR, $answer->getBody() . "\n");
                }
            },
        ]))
            ->promise()
            ->wait();
        ksort($codes);

        return $codes;
    }

    /** @param array{string, string, array<string, mixed>|null} $ask */
    private static function request(array $ask): Request
    {
        [$method, $path, $body] = $ask;

        return new Request(
            $method,
            $path,
            self::$headers,
            $body === null ? null : (string) json_encode($body ?: (object) []),
        );
    }

    /**
     * @param array<string, mixed>|null $body
     * @return array<string, mixed>
     */
    private static function said(string $method, string $path, ?array $body = null): array
    {
        $answer = self::$client->send(self::request([$method, $path, $body]));
        self::assertLessThan(300, $answer->getStatusCode(), "{$path}: {$answer->getBody()}");

        return (array) json_decode((string) $answer->getBody(), true);
    }

    /**
     * @param array<string, mixed> $facts
     * @return array<string, mixed>
     */
    private static function turn(int $hoursAgo, array $facts = []): array
    {
        return [
            'worked_at' => gmdate(DATE_ATOM, time() - 3600 * $hoursAgo - 60),
            'soil' => 2,
            'method' => 'multi-towel',
            'water' => 'tap',
            ...$facts,
        ];
    }

    /** @return array<string, mixed> */
    private static function event(): array
    {
        return [
            'id' => Str::uuid7()->toString(),
            'device' => Str::uuid7()->toString(),
            'seq' => 1,
            'kind' => 'start',
            'step' => 'look',
            'facts' => (object) [],
            'at' => gmdate(DATE_ATOM),
        ];
    }
}
