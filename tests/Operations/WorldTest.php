<?php

declare(strict_types=1);

namespace Tests\Operations;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Pool;
use GuzzleHttp\Psr7\Request;
use GuzzleHttp\RequestOptions;
use PHPUnit\Framework\TestCase;
use Psr\Http\Message\ResponseInterface;
use Tests\Browser\BrowserTestCase;

/** As it stands on the open net: TLS by docs/deploy/nginx.conf in front, a pooler that pools by transaction behind. */
final class WorldTest extends TestCase
{
    private const NAME = 'vicissa.localhost';

    private const REQUESTS = 600;

    private static Installation $here;

    private static int $tls;

    /** @var list<resource> */
    private static array $around = [];

    public static function setUpBeforeClass(): void
    {
        self::$tls = Installation::freePort();
        $pooler = Installation::freePort();
        $mail = Installation::freePort();
        self::$here = Installation::fresh('world', [
            'APP_URL' => 'https://' . self::NAME . ':' . self::$tls,
            'TRUSTED_PROXIES' => '127.0.0.1',
            'DB_POOLER_PORT' => (string) $pooler,
            'VICISSA_LIMIT_API' => '100000',
            'MAIL_URL' => "smtp://127.0.0.1:{$mail}",
            'MAIL_FROM' => 'letters@' . self::NAME,
        ]);
        self::pool($pooler);
        self::front();
        mkdir(self::$here->folder . '/mail');
        self::beside('/usr/bin/python3 ' . __DIR__ . "/smtp.py {$mail} " . self::$here->folder . '/mail');
        self::assertTrue(self::$here->start(), self::$here->said());
    }

    public static function tearDownAfterClass(): void
    {
        self::$here->stop();
        array_map(static fn($process) => proc_terminate($process), self::$around);
        self::$around = [];
    }

    public function testAPoolerGivesNobodyAnothersRows(): void
    {
        $tokens = [];
        foreach (['Eider', 'Skua'] as $firm) {
            $client = self::signedUp($firm);
            $tokens[$firm] = self::json(
                $client->post('api/v1/tokens', [
                    RequestOptions::JSON => ['name' => 'count', 'abilities' => ['read', 'write']],
                    RequestOptions::HEADERS => ['Idempotency-Key' => 'one'],
                ]),
            )['secret'];
            foreach (['van', 'saloon', 'hatch'] as $body) {
                $client->post('api/v1/vehicles', [
                    RequestOptions::JSON => ['name' => "{$firm} {$body}", 'body' => $body],
                ]);
            }
        }
        $strangers = $own = 0;
        $ask = static function () use ($tokens) {
            for ($i = 0; $i < self::REQUESTS; $i++) {
                $firm = $i % 2 === 0 ? 'Eider' : 'Skua';
                $headers = [
                    'Authorization' => "Bearer {$tokens[$firm]}",
                    'Accept' => 'application/json',
                    'X-Firm' => $firm,
                ];
                yield $firm => $i % 20 < 2
                    ? new Request(
                        'POST',
                        'api/v1/clients',
                        [...$headers, 'Content-Type' => 'application/json'],
                        (string) json_encode(['name' => "{$firm} client {$i}"]),
                    )
                    : new Request('GET', $i % 4 < 2 ? 'api/v1/vehicles?limit=5' : 'api/v1/clients?limit=20', $headers);
            }
        };
        // Past the proxy: what is asked here lies behind it.
        $client = new Client(['base_uri' => 'http://127.0.0.1:' . self::$here->port, 'timeout' => 30]);
        $order = [];
        foreach ($ask() as $firm => $request) {
            $order[] = [$firm, $request];
        }
        (new Pool($client, array_column($order, 1), [
            'concurrency' => 8,
            'fulfilled' => static function (ResponseInterface $answer, int $i) use ($order, &$strangers, &$own): void {
                $said = self::json($answer);
                foreach ($said['data'] ?? [$said] as $row) {
                    str_starts_with((string) $row['name'], $order[$i][0] . ' ') ? $own++ : $strangers++;
                }
            },
        ]))
            ->promise()
            ->wait();
        self::assertSame(0, $strangers);
        self::assertGreaterThan(self::REQUESTS, $own);
        foreach (['Eider', 'Skua'] as $firm) {
            self::assertSame(
                (string) (self::REQUESTS / 20),
                self::$here->database(
                    "select count(*) from clients c join workspaces w on w.id = c.workspace_id where w.name = '{$firm}' and c.name like '{$firm} %'",
                ),
            );
        }
    }

    public function testOnePersonWorksThroughTheProxy(): void
    {
        self::signedUp('Dunlin');
        $browser = BrowserTestCase::open(1280, 800, null, ['--ignore-certificate-errors']);
        try {
            $browser->get(self::url('/sign-in'));
            $said = self::within(
                $browser,
                <<<'JS'
                const call = async (method, path, body, again = false) => {
                    const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1])
                    const form = body instanceof FormData
                    const headers = { Accept: 'application/json', 'X-XSRF-TOKEN': token, ...(form ? {} : { 'Content-Type': 'application/json' }) }
                    const answer = await fetch('/api/v1/' + path, { method, headers, body: form ? body : JSON.stringify(body) })
                    // The page behind has begun a session of its own meanwhile: as it does itself, once more.
                    if (answer.status === 419 && !again) {
                        await fetch('/sanctum/csrf-cookie')
                        return call(method, path, body, true)
                    }
                    if (!answer.ok) throw new Error(path + ': ' + answer.status + ' ' + (await answer.text()))
                    return answer.status === 204 ? null : answer.json()
                }
                await fetch('/sanctum/csrf-cookie')
                await call('POST', 'auth/sign-in', { email: 'dunlin@example.test', password: 'sea-pink-tide' })
                const car = await call('POST', 'vehicles', { name: 'The van', body: 'van' })
                const turn = await call('POST', `vehicles/${car.id}/turns`, { worked_at: new Date().toISOString(), method: 'two-mitts', water: 'tap', soil: 2, minutes: 50, purpose: 'maintain' })
                const canvas = Object.assign(document.createElement('canvas'), { width: 40, height: 30 })
                canvas.getContext('2d').fillRect(0, 0, 20, 20)
                const form = new FormData()
                form.append('file', await new Promise((done) => canvas.toBlob(done, 'image/jpeg')), 'a.jpg')
                for (const [key, value] of Object.entries({ id: crypto.randomUUID(), zone: 'paint', stage: 'before', taken_at: new Date().toISOString() })) form.append(key, value)
                const photo = await call('POST', `vehicles/${car.id}/photos`, form)
                const worker = await navigator.serviceWorker.ready
                return { turn: turn.id, photo: (await fetch(photo.url)).status, worker: worker.active.scriptURL, seen: document.cookie }
                JS
                ,
            );
            self::assertIsString($said['turn']);
            self::assertSame(200, $said['photo']);
            self::assertSame(self::url('/sw.js'), $said['worker']);
            self::assertStringNotContainsString('session', $said['seen'], 'no script sees the session');
            $session = $browser->manage()->getCookieNamed('__Host-vicissa_session');
            self::assertTrue($session?->isSecure() && $session->isHttpOnly());
        } finally {
            $browser->quit();
        }
    }

    /** Letters go out through a real mail server, by the queue; what it refuses is told. */
    public function testLettersGoOutByMail(): void
    {
        $client = self::signedUp('Curlew');
        foreach (['guest', 'nobody'] as $name) {
            self::json(
                $client->post('api/v1/invitations', [
                    RequestOptions::JSON => ['email' => "{$name}@example.test", 'role' => 'technician'],
                ]),
            );
        }
        $client->post('api/v1/auth/forgot', [RequestOptions::JSON => ['email' => 'curlew@example.test']]);
        $fared = self::$here->within(90, static function () use ($client): ?array {
            $fared = array_column(self::json($client->get('api/v1/messages'))['data'], null, 'recipient');
            $waiting = array_filter($fared, static fn(array $one): bool => $one['status'] === 'waiting');

            return $waiting === [] && count(glob(self::$here->folder . '/mail/*.eml') ?: []) === 2 ? $fared : null;
        });
        self::assertNotNull($fared, 'They went out, or were refused.');
        self::assertSame('sent', $fared['guest@example.test']['status']);
        self::assertSame('failed', $fared['nobody@example.test']['status']);
        self::assertStringContainsString('No such mailbox', $fared['nobody@example.test']['fault']);
        self::assertArrayNotHasKey('curlew@example.test', $fared, 'What is one’s own is on no list.');
        $mail = implode("\n", array_map(file_get_contents(...), glob(self::$here->folder . '/mail/*.eml') ?: []));
        foreach (['multipart/alternative', 'text/html', 'To: guest@example.test', 'To: curlew@example.test'] as $part) {
            self::assertStringContainsString($part, $mail);
        }
        self::assertMatchesRegularExpression('/^From: Curlew <letters@vicissa\.localhost>/m', $mail);
        self::assertStringContainsString(self::url('/join?'), quoted_printable_decode($mail));
    }

    public function testEachClientCountsByItsOwnAddressAndFilesAreStrict(): void
    {
        $client = self::client();
        $page = $client->get('/');
        self::assertSame('max-age=31536000', $page->getHeaderLine('Strict-Transport-Security'));
        self::assertSame(404, $client->get('/metrics')->getStatusCode());
        self::assertStringContainsString('Disallow', (string) $client->get('/robots.txt')->getBody());
        self::assertSame('max-age=31536000', $client->get('/robots.txt')->getHeaderLine('Strict-Transport-Security'));
        // Another's name in front of ours, and a claim to be somebody else each time: counted as one all the same.
        $guesses = [];
        for ($i = 0; $i < 8; $i++) {
            $guesses[] = self::entered($client)
                ->post('api/v1/auth/sign-in', [
                    RequestOptions::JSON => ['email' => 'nobody@example.test', 'password' => 'guess'],
                    RequestOptions::HEADERS => ['X-Forwarded-For' => "203.0.113.{$i}"],
                ])
                ->getStatusCode();
        }
        self::assertSame([422, 429], [$guesses[0], $guesses[7]]);
        self::assertSame(
            421,
            (new Client([RequestOptions::HTTP_ERRORS => false]))
                ->get('http://127.0.0.1:' . self::$here->port . '/', [
                    RequestOptions::HEADERS => ['Host' => 'other.example'],
                ])
                ->getStatusCode(),
        );
    }

    private static function url(string $path): string
    {
        return 'https://' . self::NAME . ':' . self::$tls . $path;
    }

    private static function client(): Client
    {
        return new Client([
            'base_uri' => self::url('/'),
            RequestOptions::HTTP_ERRORS => false,
            RequestOptions::VERIFY => self::$here->folder . '/cert.pem',
            RequestOptions::COOKIES => new CookieJar(),
            RequestOptions::HEADERS => ['Accept' => 'application/json', 'Referer' => self::url('/')],
            'curl' => [CURLOPT_RESOLVE => [self::NAME . ':' . self::$tls . ':127.0.0.1']],
        ]);
    }

    /** The same with the token that forms need. */
    private static function entered(Client $client): Client
    {
        $client->get('sanctum/csrf-cookie');
        /** @var array{cookies: CookieJar, headers: array<string, string>} $of */
        $of = $client->getConfig();

        return new Client([
            ...$of,
            RequestOptions::HEADERS => [
                ...$of['headers'],
                'X-XSRF-TOKEN' => urldecode((string) $of['cookies']->getCookieByName('XSRF-TOKEN')?->getValue()),
            ],
        ]);
    }

    private static function signedUp(string $firm): Client
    {
        $client = self::entered(self::client());
        $answer = $client->post('api/v1/auth/register', [
            RequestOptions::JSON => [
                'name' => $firm,
                'workspace' => $firm,
                'email' => strtolower($firm) . '@example.test',
                'password' => 'sea-pink-tide',
            ],
        ]);
        self::assertSame(201, $answer->getStatusCode(), (string) $answer->getBody());

        return self::entered($client);
    }

    /** @return array<string, mixed> */
    private static function json(ResponseInterface $answer): array
    {
        self::assertLessThan(300, $answer->getStatusCode(), (string) $answer->getBody());

        return (array) json_decode((string) $answer->getBody(), true, 64, JSON_THROW_ON_ERROR);
    }

    /** @return array<string, mixed> */
    private static function within(RemoteWebDriver $browser, string $script): array
    {
        $browser->manage()->timeouts()->setScriptTimeout(40);
        $said = $browser->executeAsyncScript(
            "const done = arguments[0]; (async () => { {$script} })().then(done, (caught) => done({ refused: String(caught) }))",
        );
        self::assertArrayNotHasKey('refused', $said, $said['refused'] ?? '');

        return $said;
    }

    /** Debian's own, pooling by transaction, as docs/deploy/pgbouncer.ini says; so few connections that all are shared. */
    private static function pool(int $port): void
    {
        $folder = self::$here->folder;
        $settings = strtr((string) file_get_contents('docs/deploy/pgbouncer.ini'), [
            'port=5480' => 'port=' . self::$here->dbPort,
            'listen_port = 6432' => "listen_port = {$port}",
            '/etc/pgbouncer/userlist.txt' => "{$folder}/userlist.txt",
            'default_pool_size = 12' => 'default_pool_size = 3',
        ]);
        file_put_contents(
            "{$folder}/pgbouncer.ini",
            "{$settings}logfile = {$folder}/pgbouncer.log\nunix_socket_dir =\n",
        );
        preg_match('/^DB_PASSWORD=(.+)$/m', (string) file_get_contents("{$folder}/env"), $found);
        $password = $found[1] ?? self::fail('No password in env.');
        file_put_contents("{$folder}/userlist.txt", "\"vicissa_app\" \"{$password}\"\n");
        self::beside("pgbouncer {$folder}/pgbouncer.ini");
    }

    private static function front(): void
    {
        $folder = self::$here->folder;
        [$code, $said] = self::$here->run(
            "openssl req -x509 -newkey rsa:2048 -nodes -days 2 -keyout {$folder}/key.pem -out {$folder}/cert.pem -subj /CN=" .
                self::NAME .
                ' -addext subjectAltName=DNS:' .
                self::NAME,
        );
        self::assertSame(0, $code, $said);
        $server = strtr((string) file_get_contents('docs/deploy/nginx.conf'), [
            'wash.example' => self::NAME,
            '/etc/ssl/vicissa/fullchain.pem' => "{$folder}/cert.pem",
            '/etc/ssl/vicissa/privkey.pem' => "{$folder}/key.pem",
            'listen 80;' => 'listen 127.0.0.1:' . Installation::freePort() . ';',
            'listen 443' => 'listen 127.0.0.1:' . self::$tls,
            '127.0.0.1:8680' => '127.0.0.1:' . self::$here->port,
        ]);
        file_put_contents(
            "{$folder}/nginx.conf",
            <<<CONF
            daemon off;
            pid {$folder}/nginx.pid;
            error_log {$folder}/nginx.log;
            events {}
            http {
                access_log off;
                client_body_temp_path {$folder}/body; proxy_temp_path {$folder}/proxy; fastcgi_temp_path {$folder}/fastcgi;
                uwsgi_temp_path {$folder}/uwsgi; scgi_temp_path {$folder}/scgi;
                {$server}
            }
            CONF
            ,
        );
        self::beside("nginx -p {$folder} -c {$folder}/nginx.conf");
    }

    /** Runs beside, as nobody of importance. */
    private static function beside(string $command): void
    {
        $folder = self::$here->folder;
        if (posix_geteuid() === 0) {
            exec('chown -R www-data: ' . escapeshellarg($folder));
            $command = "setpriv --reuid=www-data --regid=www-data --clear-groups {$command}";
        }
        $process = proc_open(
            "exec {$command}",
            [['file', '/dev/null', 'r'], ['file', "{$folder}/beside.log", 'a'], ['file', "{$folder}/beside.log", 'a']],
            $pipes,
            null,
            ['PATH' => getenv('PATH') . ':/usr/sbin:/sbin'],
        );
        self::assertIsResource($process);
        self::$around[] = $process;
    }
}
