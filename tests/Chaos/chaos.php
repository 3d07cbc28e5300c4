<?php

declare(strict_types=1);

/*
 * A bad day in a few minutes: phones write turns and tick sheets while what serves them is killed, stopped, cut off, started anew
 * and, where it may be (root), runs out of disk. Prints what was acknowledged and what of it was lost, doubled or out of order.
 * Run by bin/chaos [minutes] [seed] [which] [seconds between].
 */

require __DIR__ . '/../../vendor/autoload.php';

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\RequestOptions;
use Tests\Chaos\SheetPhone;
use Tests\Cluster\Phone;
use Tests\Operations\Installation;

const PHONES = 8;
const PAUSE_S = 3.25;
const SETTLE_S = 120;

[$minutes, $seed] = [(float) ($argv[1] ?? 5), (int) ($argv[2] ?? random_int(1, 99999))];
$pause = (float) ($argv[4] ?? PAUSE_S);
mt_srand($seed);
printf("%.1f minutes, seed %d\n", $minutes, $seed);
// What a run before left mounted.
if (posix_geteuid() === 0) {
    exec('umount -l ' . escapeshellarg(getenv('VICISSA_VAR') . '/operations/chaos/var') . ' 2>/dev/null');
}
$here = Installation::fresh('chaos', [
    'VICISSA_LIMIT_API' => '1000000',
    'VICISSA_LIMIT_AT_ONCE' => '64',
    'VICISSA_LIMIT_CPU_MS' => '1000000000',
]);
$disk = new class ($here->folder) {
    private bool $mounted = false;

    private string $ballast;

    public function __construct(private readonly string $folder)
    {
        $this->ballast = "{$folder}/var/ballast";
        // A disk of its own, so that it can be full without filling anybody else's.
        if (posix_geteuid() === 0) {
            exec('mount -t tmpfs -o size=900m tmpfs ' . escapeshellarg("{$folder}/var") . ' 2>/dev/null', $said, $code);
            $this->mounted = $code === 0;
        }
    }

    public function canBeFull(): bool
    {
        return $this->mounted;
    }

    public function fill(): void
    {
        exec('head -c 2G /dev/zero > ' . escapeshellarg($this->ballast) . ' 2>/dev/null');
    }

    public function clear(): void
    {
        @unlink($this->ballast);
    }

    public function gone(): void
    {
        if ($this->mounted) {
            exec('umount -l ' . escapeshellarg("{$this->folder}/var"));
        }
    }
};
register_shutdown_function(static function () use ($here, $disk): void {
    $disk->clear();
    $here->stop();
    $disk->gone();
});
$here->start() || exit($here->said());

$base = "http://127.0.0.1:{$here->port}";
$jar = new CookieJar();
$client = new Client(['base_uri' => "{$base}/", RequestOptions::COOKIES => $jar, RequestOptions::HTTP_ERRORS => false]);
$ask = static function (string $method, string $path, ?array $body = null) use ($client, $jar, $base): array {
    $client->get('sanctum/csrf-cookie');
    $answer = $client->request($method, "api/v1/{$path}", [
        ...$body === null ? [] : [RequestOptions::JSON => $body],
        RequestOptions::HEADERS => [
            'Accept' => 'application/json',
            'Origin' => $base,
            'X-XSRF-TOKEN' => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue()),
        ],
    ]);
    $answer->getStatusCode() < 300 || exit("{$path}: {$answer->getBody()}\n");

    return (array) json_decode((string) $answer->getBody(), true);
};
$ask('POST', 'auth/register', [
    'name' => 'Dunlin',
    'workspace' => 'Dunlin',
    'email' => 'dunlin@example.test',
    'password' => 'sea-pink-tide',
]);
$secret = (string) $ask('POST', 'tokens', ['name' => 'phones', 'abilities' => ['read', 'write']])['secret'];
$soap = array_column($ask('GET', 'products?limit=50')['data'], 'id', 'role')['soap'];
$phones = $sheets = [];
for ($n = 0; $n < PHONES; $n++) {
    $car = (string) $ask('POST', 'start', [
        'name' => "Car {$n}",
        'body' => 'estate',
        'family' => 'wax',
        'since' => gmdate('Y-m-d', time() - 86400 * 60),
    ])['id'];
    $phones[] = new Phone($here->port, $secret, $car, $soap);
    $sheet = (string) $ask('POST', 'sheets', ['vehicle_id' => $car])['id'];
    $sheets[$sheet] = new SheetPhone($here->port, $secret, $sheet);
}
$all = [...$phones, ...array_values($sheets)];

$pidOf = static fn(string $service): int => (int) explode(
    ' ',
    (string) @file_get_contents("{$here->folder}/var/run/pids/{$service}"),
)[0];
$stopped = [];
$mischief = [
    'killed: nginx' => static fn() => @$here->kill('nginx'),
    'killed: php-fpm' => static fn() => @$here->kill('fpm'),
    'killed: a worker' => static fn() => @$here->kill('queue'),
    'killed: scheduler' => static fn() => @$here->kill('scheduler'),
    'killed: PostgreSQL' => static fn() => @$here->kill('postgres'),
    'killed: one hand of PostgreSQL' => static function () use ($here): void {
        $pids = array_filter(
            explode("\n", (string) $here->database("select pid from pg_stat_activity where usename = 'vicissa_app'")),
        );
        if ($pids !== []) {
            posix_kill((int) $pids[array_rand($pids)], SIGKILL);
        }
    },
    'cut: all phones' => static fn() => array_map(static fn($phone) => $phone->cut(), $all),
    'cut: all connections to the database' => static fn() => $here->database(
        "select pg_terminate_backend(pid) from pg_stat_activity where usename = 'vicissa_app'",
    ),
    'slow: php-fpm stands still' => static function () use ($pidOf, &$stopped): void {
        $group = $pidOf('fpm');
        if ($group > 0 && posix_kill(-$group, SIGSTOP)) {
            $stopped[] = ['at' => microtime(true) + 4.0, 'group' => $group];
        }
    },
    'slow: the database waits' => static fn() => $here->run(
        'PGPASSWORD=$(cat "$VICISSA_VAR/secrets/admin") timeout 8 psql -X -q -h 127.0.0.1 -p ' .
            $here->dbPort .
            ' -U vicissa_admin -d vicissa -c "begin; lock table turns in access exclusive mode; select pg_sleep(3); rollback" >/dev/null 2>&1 &',
    ),
    'deployed: started anew' => static function () use ($here): void {
        $here->stop();
        $here->start();
    },
    'killed: bin/start' => static function () use ($here): void {
        posix_kill($here->pid(), SIGKILL);
        $here->start();
    },
];
if ($disk->canBeFull()) {
    $mischief['full: the disk'] = static function () use ($disk, &$stopped): void {
        $disk->fill();
        $stopped[] = ['at' => microtime(true) + 5.0, 'group' => 0];
    };
}

// By name, where only some are wanted.
$mischief = array_filter(
    $mischief,
    static fn(string $what): bool => preg_match('/' . ($argv[3] ?? '') . '/', $what) === 1,
    ARRAY_FILTER_USE_KEY,
);
$mischief !== [] || exit("Nothing is called so, or it can’t be done here.\n");
$done = [];
$ended = 0;
$end = microtime(true) + 60 * $minutes;
$next = microtime(true) + 3;
$goOn = static function (bool $now = false) use (&$stopped, $disk): void {
    foreach ($stopped as $i => $one) {
        if ($now || $one['at'] <= microtime(true)) {
            $one['group'] === 0 ? $disk->clear() : posix_kill(-$one['group'], SIGCONT);
            unset($stopped[$i]);
        }
    }
};
while (microtime(true) < $end) {
    foreach ($all as $phone) {
        $phone->tick();
    }
    $goOn();
    // As whatever watches over it would, once there is room again.
    if (!$here->runs() && $stopped === []) {
        $ended++;
        $here->start();
    }
    if (microtime(true) >= $next) {
        $what = array_rand($mischief);
        $mischief[$what]();
        $done[$what] = ($done[$what] ?? 0) + 1;
        $next = microtime(true) + $pause * (0.5 + mt_rand() / mt_getrandmax());
    }
    usleep(2_000);
}
// Nobody begins anything any more; what was begun is asked for until it is heard of.
$goOn(true);
array_map(static fn($phone) => $phone->rest(), $all);
if (!$here->runs()) {
    $ended++;
    $here->start();
}
$until = microtime(true) + SETTLE_S;
do {
    foreach ($all as $phone) {
        $phone->tick();
    }
    usleep(2_000);
    $open = array_filter($all, static fn($phone): bool => $phone->unheard() !== []);
} while ($open !== [] && microtime(true) < $until);

ksort($done);
foreach ($done as $what => $many) {
    printf("%4d  %s\n", $many, $what);
}
printf("%4d  in all; bin/start ended by itself %d times\n", array_sum($done), $ended);
$turns = array_merge(...array_map(static fn(Phone $phone): array => $phone->acknowledged, $phones));
$there = array_filter(explode("\n", (string) $here->database('select id from turns')));
$lost = count(array_diff($turns, $there)) + count($open);
$strange = count(array_diff($there, $turns));
$stock = $here->database(
    "select round(1000 - stock_ml - 0.5 * (select count(*) from turns), 6) + coalesce(short_ml, 0) from products where id = '{$soap}'",
);
$order = 0;
$ticks = 0;
foreach ($sheets as $sheet => $phone) {
    $kept = array_filter(
        explode("\n", (string) $here->database("select id from sheet_events where sheet_id = '{$sheet}' order by seq")),
    );
    $lost += count(array_diff($phone->acknowledged, $kept));
    $strange += count(array_diff($kept, $phone->acknowledged));
    $order += array_values(array_intersect($kept, $phone->acknowledged)) === $phone->acknowledged ? 0 : 1;
    $ticks += count($phone->acknowledged);
}
printf(
    "%d turns and %d ticks acknowledged, asked again %d times\nlost %d, doubled %d, out of order %d (stock off by %s ml)\n",
    count($turns),
    $ticks,
    array_sum(array_map(static fn($phone): int => $phone->again, $all)),
    $lost,
    $strange + (count($turns) - count(array_unique($turns))),
    $order,
    (float) $stock,
);
exit($lost + $strange + $order === 0 && (float) $stock === 0.0 ? 0 : 1);
