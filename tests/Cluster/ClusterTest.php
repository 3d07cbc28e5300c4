<?php

declare(strict_types=1);

namespace Tests\Cluster;

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\RequestOptions;
use PHPUnit\Framework\TestCase;

/** Machines that are lost while people work: what was acknowledged is there, once, and writing goes on by itself. */
final class ClusterTest extends TestCase
{
    private const PHONES = 6;

    private static Cluster $cluster;

    public static function setUpBeforeClass(): void
    {
        self::$cluster = new Cluster();
        self::until(
            90,
            static fn(): bool => self::$cluster->first() !== null &&
                self::$cluster->following() === 2 &&
                self::$cluster->isSynchronous(),
            'three databases',
        );
        self::$cluster->serve();
    }

    public static function tearDownAfterClass(): void
    {
        self::$cluster->stop();
    }

    public function testMachinesAreLostUnderLoadAndNothingElseIs(): void
    {
        [$secret, $cars, $soap] = self::business();
        $phones = array_map(
            static fn(int $n): Phone => new Phone(self::$cluster->front, $secret, $cars[$n], $soap),
            range(0, self::PHONES - 1),
        );

        self::work($phones, 6);
        self::assertSame(0, self::sum($phones, 'again'), 'On a quiet day nobody asks twice.');

        self::$cluster->loseNode(0);
        self::work($phones, 12);

        $first = (string) self::$cluster->first();
        self::$cluster->loseDatabase($first);
        $lost = microtime(true);
        $resumed = self::work($phones, 75, $lost);
        self::assertNotNull($resumed, "Nobody was acknowledged again.\n" . self::$cluster->log());
        self::assertLessThan(60.0, $resumed, 'Another takes over within a minute.');
        self::assertNotSame($first, self::$cluster->first());

        // The one that was lost comes back as one that follows.
        self::$cluster->bringBack($first);
        self::until(90, static fn(): bool => self::$cluster->following() === 2, 'It follows again.');
        self::assertTrue(self::$cluster->nodes[0]->start('bin/serve', false), self::$cluster->nodes[0]->said());
        self::work($phones, 6);

        $told = array_merge(...array_map(static fn(Phone $phone): array => $phone->acknowledged, $phones));
        $there = explode("\n", (string) self::$cluster->database('select id from turns'));
        self::assertSame([], array_values(array_diff($told, $there)), 'What was acknowledged is there.');
        self::assertSame(count($told), count(array_unique($told)));
        $unheard = array_merge(...array_map(static fn(Phone $phone): array => $phone->unheard(), $phones));
        self::assertSame([], array_values(array_diff($there, $told, $unheard)), 'And nothing else.');
        // At one moment: somebody may still be answered.
        self::assertSame(
            't',
            self::$cluster->database(
                "select stock_ml = 1000 - 0.5 * (select count(*) from turns) from products where id = '{$soap}'",
            ),
            'Once.',
        );
        printf(
            "%d turns acknowledged, %d asked again, writing again %.1f s after the first database was lost\n",
            count($told),
            self::sum($phones, 'again'),
            $resumed,
        );
    }

    /**
     * Phones that write one turn after the other for some seconds.
     *
     * @param list<Phone> $phones
     * @return float|null  seconds after a moment at which somebody was first told that it is done
     */
    private static function work(array $phones, int $seconds, ?float $since = null): ?float
    {
        $first = null;
        $end = microtime(true) + $seconds;
        do {
            foreach ($phones as $phone) {
                $phone->tick();
                if ($since !== null && $phone->last > $since && ($first === null || $phone->last < $first)) {
                    $first = $phone->last;
                    // And a while on.
                    $end = min($end, microtime(true) + 8);
                }
            }
            usleep(2_000);
        } while (microtime(true) < $end);

        return $first === null ? null : $first - (float) $since;
    }

    /** @param list<Phone> $phones */
    private static function sum(array $phones, string $what): int
    {
        return array_sum(array_map(static fn(Phone $phone): int => $phone->{$what}, $phones));
    }

    /** @return array{string, list<string>, string}  a token, vehicles, a soap */
    private static function business(): array
    {
        $base = 'http://127.0.0.1:' . self::$cluster->front;
        $jar = new CookieJar();
        $client = new Client([
            'base_uri' => "{$base}/",
            RequestOptions::COOKIES => $jar,
            RequestOptions::HTTP_ERRORS => false,
        ]);
        $post = static function (string $path, array $body) use ($client, $jar, $base): array {
            $client->get('sanctum/csrf-cookie');
            $answer = $client->post("api/v1/{$path}", [
                RequestOptions::JSON => $body,
                RequestOptions::HEADERS => [
                    'Accept' => 'application/json',
                    'Origin' => $base,
                    'X-XSRF-TOKEN' => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue()),
                ],
            ]);
            self::assertLessThan(300, $answer->getStatusCode(), "{$path}: {$answer->getBody()}");

            return (array) json_decode((string) $answer->getBody(), true);
        };
        $post('auth/register', [
            'name' => 'Dunlin',
            'workspace' => 'Dunlin',
            'email' => 'dunlin@example.test',
            'password' => 'sea-pink-tide',
        ]);
        $cars = [];
        for ($n = 0; $n < self::PHONES; $n++) {
            $cars[] = (string) $post('start', [
                'name' => "Car {$n}",
                'body' => 'estate',
                'family' => 'wax',
                'since' => gmdate('Y-m-d', time() - 86400 * 60),
            ])['id'];
        }

        $soap = json_decode(
            (string) $client
                ->get('api/v1/products?limit=50', [
                    RequestOptions::HEADERS => ['Accept' => 'application/json', 'Origin' => $base],
                ])
                ->getBody(),
            true,
        );
        $soap = array_column($soap['data'], 'id', 'role')['soap'];

        return [
            (string) $post('tokens', ['name' => 'phones', 'abilities' => ['read', 'write']])['secret'],
            $cars,
            $soap,
        ];
    }

    /** @param callable(): bool $so */
    private static function until(int $seconds, callable $so, string $what): void
    {
        $end = microtime(true) + $seconds;
        while (!$so()) {
            microtime(true) < $end || self::fail("{$what}\n" . self::$cluster->log());
            usleep(300_000);
        }
    }
}
