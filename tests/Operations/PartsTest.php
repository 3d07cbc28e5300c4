<?php

declare(strict_types=1);

namespace Tests\Operations;

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\RequestOptions;
use Illuminate\Support\Str;
use PHPUnit\Framework\TestCase;
use Psr\Http\Message\ResponseInterface;

/** Redis and an S3 server in the places of what ships: sessions, the queue, pictures and archives are there and nowhere else. */
final class PartsTest extends TestCase
{
    private const PASSWORD = 'sea-pink-tide';

    private static Installation $here;

    /** @var list<resource> */
    private static array $beside = [];

    private static int $redis;

    /** Cookies of the browser that began last. */
    private static CookieJar $jar;

    public static function setUpBeforeClass(): void
    {
        [self::$redis, $s3] = [Installation::freePort(), Installation::freePort()];
        self::$here = Installation::fresh('parts', [
            'REDIS_URL' => 'redis://127.0.0.1:' . self::$redis,
            'S3_ENDPOINT' => "http://127.0.0.1:{$s3}",
            'S3_BUCKET' => 'vicissa',
            'S3_KEY' => 'S3RVER',
            'S3_SECRET' => 'S3RVER',
            'VICISSA_WATCH_TOKEN' => 'sea-pink-watch',
            'VICISSA_LIMIT_ARCHIVE_ROWS' => '0',
        ]);
        mkdir(self::$here->folder . '/bucket');
        foreach (
            [
                [
                    'redis-server',
                    '--port',
                    (string) self::$redis,
                    '--bind',
                    '127.0.0.1',
                    '--save',
                    '',
                    '--appendonly',
                    'no',
                ],
                [
                    'node_modules/.bin/s3rver',
                    ...['-d', self::$here->folder . '/bucket', '-a', '127.0.0.1', '-p', (string) $s3],
                    ...['--no-vhost-buckets', '--configure-bucket', 'vicissa'],
                ],
            ]
            as $command
        ) {
            $log = ['file', self::$here->folder . '/' . basename($command[0]) . '.log', 'w'];
            $process = proc_open($command, [['file', '/dev/null', 'r'], $log, $log], $pipes);
            self::assertIsResource($process);
            self::$beside[] = $process;
        }
        self::assertTrue(self::$here->start(), self::$here->said());
    }

    public static function tearDownAfterClass(): void
    {
        self::$here->stop();
        array_map(static fn($process) => proc_terminate($process), self::$beside);
    }

    public function testEverythingThatIsKeptBesideTheDatabaseIsKeptThere(): void
    {
        $desk = self::browser();
        self::ok(
            $desk('POST', 'auth/register', [
                'name' => 'Dunlin',
                'workspace' => 'Dunlin',
                'email' => 'dunlin@example.test',
                'password' => self::PASSWORD,
            ]),
        );
        $phone = self::browser();
        self::ok($phone('POST', 'auth/sign-in', ['email' => 'dunlin@example.test', 'password' => self::PASSWORD]));

        // Sessions.
        self::assertSame('0', self::$here->database('select count(*) from sessions'));
        self::assertCount(2, self::ok($desk('GET', 'me/sessions'))['data']);
        self::ok($desk('DELETE', 'me/sessions'));
        self::assertSame(401, $phone('GET', 'me')->getStatusCode(), 'the lost phone is out');
        self::assertCount(1, self::ok($desk('GET', 'me/sessions'))['data']);

        // Pictures.
        $car = self::ok(
            $desk('POST', 'start', [
                'name' => 'Car',
                'body' => 'estate',
                'family' => 'wax',
                'since' => gmdate('Y-m-d', time() - 864000),
            ]),
        )['id'];
        $image = imagecreatetruecolor(320, 240);
        ob_start();
        imagejpeg($image);
        $photo = self::ok(
            $desk(
                'POST',
                "vehicles/{$car}/photos",
                [
                    'id' => Str::uuid7()->toString(),
                    'zone' => 'paint',
                    'stage' => 'before',
                    'taken_at' => gmdate(DATE_ATOM),
                ],
                (string) ob_get_clean(),
            ),
        )['id'];
        self::assertSame('image/jpeg', $desk('GET', "photos/{$photo}")->getHeaderLine('Content-Type'));
        self::assertCount(1, self::inBucket('photos', "{$photo}.jpg"));
        self::assertSame('', self::$here->run('find "$VICISSA_VAR/storage" -name "*.jpg"')[1]);

        // Long work: by the queue, and what it made is fetched through the request.
        $run = self::ok($desk('POST', 'archive/runs', []))['id'];
        $done = self::$here->within(60, static function () use ($desk, $run): ?string {
            $status = self::ok($desk('GET', "archive/runs/{$run}"))['status'];

            return in_array($status, ['waiting', 'running'], true) ? null : $status;
        });
        self::assertSame('done', $done);
        self::assertSame('0', self::$here->database('select count(*) from jobs'));
        self::assertCount(1, self::inBucket('archives', "{$run}.zip"));
        $zip = (string) $desk('GET', "archive/runs/{$run}/file")->getBody();
        self::assertStringStartsWith('PK', $zip);
        self::assertSame('', self::$here->run('find "$VICISSA_VAR/storage" -name "*.zip"')[1], 'nothing stays here');
        self::ok($desk('DELETE', "photos/{$photo}"));
        self::assertCount(0, self::inBucket('photos', "{$photo}.jpg"));

        // And it is told.
        $figures = (string) (new Client())
            ->get('http://127.0.0.1:' . self::$here->port . '/metrics', [
                RequestOptions::HEADERS => ['Authorization' => 'Bearer sea-pink-watch'],
            ])
            ->getBody();
        self::assertMatchesRegularExpression('/^vicissa_jobs_total\{job="MakeArchive",how="done"\} 1$/m', $figures);
        self::assertMatchesRegularExpression(
            '#^vicissa_requests_total\{method="POST",route="/api/v1/start",status="201"\} 1$#m',
            $figures,
        );
    }

    /** The same settings on another machine: who is signed in on one is so on the other, and sees what the first has put by. */
    public function testASecondMachineServesTheSame(): void
    {
        $other = self::$here->second('other');
        [$code, $says] = $other->run('DB_ADMIN_PASSWORD=$(cat "$VICISSA_VAR/secrets/admin") bin/serve --set-up');
        self::assertSame(0, $code, $says);
        self::assertTrue($other->start('bin/serve'), $other->said());
        try {
            self::assertDirectoryDoesNotExist("{$other->folder}/var/pg");
            $here = self::browser();
            $body = ['email' => 'dunlin@example.test', 'password' => self::PASSWORD];
            self::ok($here('POST', 'auth/sign-in', $body));
            $there = self::browser(at: $other->port, jar: self::$jar);
            self::assertSame('Dunlin', self::ok($there('GET', 'me'))['workspace']['name']);
            $car = self::ok($here('GET', 'vehicles'))['data'][0]['id'];
            $image = imagecreatetruecolor(320, 240);
            ob_start();
            imagejpeg($image);
            $facts = [
                'id' => Str::uuid7()->toString(),
                'zone' => 'paint',
                'stage' => 'after',
                'taken_at' => gmdate(DATE_ATOM),
            ];
            $photo = self::ok($there('POST', "vehicles/{$car}/photos", $facts, (string) ob_get_clean()))['id'];
            self::assertSame(200, $here('GET', "photos/{$photo}")->getStatusCode());
        } finally {
            $other->stop();
        }
    }

    public function testWithoutRedisPeopleAreToldToComeBack(): void
    {
        proc_terminate(self::$beside[0], SIGKILL);
        self::$here->within(10, static fn(): ?bool => @fsockopen('127.0.0.1', self::$redis) === false ? true : null);
        $answer = self::browser(false)('GET', 'me');
        self::assertSame(503, $answer->getStatusCode(), (string) $answer->getBody());
        self::assertNotSame('', $answer->getHeaderLine('Retry-After'));
    }

    /** @return list<string> */
    private static function inBucket(string $folder, string $name): array
    {
        $bucket = escapeshellarg(self::$here->folder . '/bucket');
        [, $found] = self::$here->run("find {$bucket} -path '*{$folder}*' -name '{$name}*_object'");

        return array_values(array_filter(explode("\n", $found)));
    }

    /** @return callable(string, string, array<string, mixed>|null=, string|null=): ResponseInterface  one device */
    private static function browser(bool $begin = true, ?int $at = null, ?CookieJar $jar = null): callable
    {
        $base = 'http://127.0.0.1:' . ($at ?? self::$here->port);
        $jar ??= new CookieJar();
        self::$jar = $jar;
        $client = new Client([
            'base_uri' => "{$base}/",
            RequestOptions::HTTP_ERRORS => false,
            RequestOptions::COOKIES => $jar,
        ]);
        if ($begin && $at === null) {
            $client->get('sanctum/csrf-cookie');
        }

        return static function (
            string $method,
            string $path,
            ?array $body = null,
            ?string $file = null,
        ) use ($base, $client, $jar): ResponseInterface {
            $parts = [];
            foreach ($file === null ? [] : [...$body ?? [], 'file' => $file] as $name => $contents) {
                $parts[] = [
                    'name' => $name,
                    'contents' => $contents,
                    ...$name === 'file' ? ['filename' => 'a.jpg'] : [],
                ];
            }

            return $client->request($method, "api/v1/{$path}", [
                RequestOptions::HEADERS => [
                    'Accept' => 'application/json',
                    'Origin' => $base,
                    'X-XSRF-TOKEN' => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue()),
                ],
                ...match (true) {
                    $parts !== [] => [RequestOptions::MULTIPART => $parts],
                    $body !== null => [RequestOptions::JSON => $body],
                    default => [],
                },
            ]);
        };
    }

    /** @return array<string, mixed> */
    private static function ok(ResponseInterface $answer): array
    {
        self::assertLessThan(300, $answer->getStatusCode(), (string) $answer->getBody());

        return (array) json_decode((string) $answer->getBody(), true);
    }
}
