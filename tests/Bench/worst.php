<?php

declare(strict_types=1);

/*
 * What the dearest request costs, within the limits and beyond them, and how others fare while one account does its
 * worst. Run by bin/bench against its own stack (VICISSA_URL).
 */

require __DIR__ . '/../../vendor/autoload.php';

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Pool;
use GuzzleHttp\Psr7\Request;
use GuzzleHttp\RequestOptions;
use Psr\Http\Message\ResponseInterface;
use Vicissa\Core\Planning\Day;

$url = getenv('VICISSA_URL') ?: 'http://127.0.0.1:8680';

function signedIn(string $url, string $email): Client
{
    $jar = new CookieJar();
    $of = [
        'base_uri' => "{$url}/",
        RequestOptions::HTTP_ERRORS => false,
        RequestOptions::COOKIES => $jar,
        RequestOptions::TIMEOUT => 60,
        RequestOptions::HEADERS => ['Accept' => 'application/json', 'Referer' => "{$url}/"],
    ];
    $token = static fn(): string => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue());
    $client = new Client($of);
    $client->get('sanctum/csrf-cookie');
    $in = static fn(): Client => new Client([
        ...$of,
        RequestOptions::HEADERS => [...$of[RequestOptions::HEADERS], 'X-XSRF-TOKEN' => $token()],
    ]);
    $status = $in()
        ->post('api/v1/auth/sign-in', [
            RequestOptions::JSON => ['email' => $email, 'password' => 'sea-pink-tide'],
        ])
        ->getStatusCode();
    $status === 204 || exit("Nobody came in as {$email}: {$status}\n");

    return $in();
}

$hour = ['air_c' => 14, 'rh' => 0.95, 'wind_m_s' => 0.3, 'sun_w_m2' => 0];
$example = static fn(string $name): array => json_decode(
    (string) file_get_contents(__DIR__ . "/../../docs/examples/{$name}.json"),
    true,
);
$steps = static function (int $n): array {
    mt_srand(5);
    $steps = [];
    for ($k = 0; $k < $n; $k++) {
        $steps[] = [
            'id' => "s{$k}",
            'minutes' => mt_rand(1, 9),
            'people' => mt_rand(1, 2),
            ...$k > 2 && mt_rand(0, 2) > 0 ? ['after' => ['s' . mt_rand(max(0, $k - 6), $k - 1)]] : [],
            ...$k > 1 && mt_rand(0, 3) === 0
                ? [
                    'dwell' => [
                        'of' => 's' . mt_rand(max(0, $k - 5), $k - 1),
                        'min' => mt_rand(0, 3),
                        'max' => mt_rand(20, 60),
                    ],
                ]
                : [],
        ];
    }

    return $steps;
};
$plan = static function (int $vehicles, int $days): array {
    $start = Day::number('start', '2027-03-01');
    $minutes = [];
    for ($d = 0; $d < $days; $d++) {
        $minutes[Day::date($start + $d)] = 300;
    }

    return [
        'start' => '2027-03-01',
        'days' => $days,
        'crews' => [['id' => 'c', 'minutes' => $minutes]],
        'weather' => (object) [],
        'sites' => [['id' => 's', 'hop_min' => 20, 'closed' => []]],
        'vehicles' => array_map(
            static fn(int $v): array => [
                'id' => "v{$v}",
                'site' => 's',
                'minutes' => ['wash' => 50 + ((7 * $v) % 40), 'topper' => 20, 'decon' => 45],
                'cadence' => ['min' => 5, 'target' => 8 + ($v % 9), 'max' => 21],
                'last_wash' => Day::date($start - 1 - ($v % 9)),
                'topper' => [
                    'from' => Day::date($start),
                    'due' => Day::date($start + 9 + ($v % 20)),
                    'repeat_days' => 30,
                ],
                'decon' => null,
                'closed' => [],
                'deadlines' => [],
                'locks' => [],
            ],
            range(1, $vehicles),
        ),
    ];
};
$bottles = static function (int $n) use ($example): array {
    $shelf = $example('match')['shelf'];

    return array_map(static fn(int $k): array => [...$shelf[$k % count($shelf)], 'id' => "b{$k}"], range(0, $n - 1));
};
$label = ['name' => 'Quern Lather', 'dilution' => '1:10', 'mixed_on' => '2026-11-25', 'copies' => 40];
$regime = static fn(string $name): array => [
    'name' => $name,
    'topper' => 'by-forecast',
    'method' => 'two-mitts',
    'every_days' => 4,
];
$worst = [
    'window, two hundred and fifty' => [
        'reckon/window',
        array_fill(0, 250, ['tone' => 'black', 'panel_c' => 20, ...$hour]),
    ],
    'curve of two hundred and forty hours' => [
        'reckon/curve',
        ['hours' => array_fill(0, 240, $hour), 'tone' => 'dark'],
    ],
    'due with four hundred others' => [
        'reckon/due',
        [
            'label_weeks' => [16, 32],
            'own' => [],
            'worn' => 0,
            'others' => array_combine(
                array_map(static fn(int $n): string => "v{$n}", range(1, 400)),
                array_map(static fn(int $n): array => [[3 + ($n % 5), 9 + ($n % 5)], [4, null]], range(1, 400)),
            ),
        ],
    ],
    'tank drawn from ten thousand times' => [
        'reckon/tank',
        [
            'tank_l' => 100,
            'on_below_l' => 80,
            'make_l_min' => 1,
            'recovery' => 0.5,
            'start_l' => 100,
            'horizon_min' => 600,
            'draws' => array_map(
                static fn(int $n): array => ['start_min' => $n % 500, 'minutes' => 1, 'l_min' => 0.01],
                range(1, 10_000),
            ),
        ],
    ],
    'sheet of forty-eight steps' => ['reckon/sheet', ['crew' => 2, 'steps' => $steps(48)]],
    'plan of twelve vehicles, eight weeks' => ['reckon/plan', $plan(12, 56)],
    'plan of twenty-two vehicles, eight weeks' => ['reckon/plan', $plan(22, 56)],
    'match with three hundred bottles, compared' => [
        'reckon/match',
        [...$example('match'), 'shelf' => $bottles(300), 'compare' => true],
    ],
    'visit with three hundred bottles' => ['reckon/visit', [...$example('visit'), 'shelf' => $bottles(300)]],
    'a hundred and twenty labels' => ['labels', ['size' => 'large', 'labels' => array_fill(0, 3, $label)]],
    'three years ahead, a thousand trials' => [
        'year',
        ['regimes' => array_map($regime, ['a', 'b', 'c']), 'trials' => 1000],
    ],
];
$beyond = [
    'two thousand windows' => ['reckon/window', array_fill(0, 2000, $hour)],
    'five thousand vehicles' => ['reckon/plan', ['vehicles' => array_fill(0, 5000, []), 'days' => 56, 'crews' => [[]]]],
    'eighty steps' => ['reckon/sheet', ['crew' => 2, 'steps' => $steps(80)]],
    'twenty thousand hours' => ['reckon/curve', ['hours' => array_fill(0, 20_000, $hour), 'tone' => 'dark']],
    'sixteen hundred labels' => ['labels', ['size' => 'large', 'labels' => array_fill(0, 40, $label)]],
    'a body of two megabytes' => ['clients', ['name' => str_repeat('a', 2_000_000)]],
];

$owner = signedIn($url, 'rhona@marram-sedge.example');
$costs = $said = [];
$note = static function (string $what, ResponseInterface $answer) use (&$costs, &$said): void {
    $costs[$what] = (int) $answer->getHeaderLine('X-Cost-Ms');
    $said[$what] = $answer->getStatusCode();
};
/** @var array{paths: array<string, array<string, mixed>>} $document */
$document = json_decode((string) file_get_contents(__DIR__ . '/../../docs/openapi.json'), true);
$first = static function (string $list) use ($owner): string {
    $rows = json_decode((string) $owner->get("api/v1/{$list}")->getBody(), true);

    return (string) (($rows['data'] ?? ($rows['visits'] ?? []))[0]['id'] ?? '');
};
$ids = [
    'vehicle' => $first('vehicles?limit=1'),
    'product' => $first('products?limit=1'),
    'client' => $first('clients?limit=1'),
    'site' => $first('sites?limit=1'),
    'visit' => $first('weeks'),
    'kind' => 'turns',
];
$ids['turn'] = $first("vehicles/{$ids['vehicle']}/turns?limit=1");
foreach ($document['paths'] as $path => $ways) {
    if (isset($ways['get']) && str_starts_with($path, '/api/v1/')) {
        $address = preg_replace_callback('/\{(\w+)\}/', static fn(array $of): string => $ids[$of[1]] ?? 'x', $path);
        $note("GET {$path}", $owner->get(ltrim((string) $address, '/') . '?limit=200'));
    }
}
foreach ($worst as $what => [$path, $body]) {
    $note($what, $owner->post("api/v1/{$path}", [RequestOptions::JSON => $body]));
}
// A public link, and tables of the greatest length, looked at (nothing of them stays).
$link = json_decode(
    (string) $owner
        ->post("api/v1/vehicles/{$ids['vehicle']}/record-links", [RequestOptions::JSON => ['kind' => 'history']])
        ->getBody(),
    true,
);
$secret = basename((string) ($link['url'] ?? ''));
$note('the whole history of a vehicle, by a public link, as PDF', $owner->get("api/v1/records/{$secret}/pdf"));
$owner->delete("api/v1/record-links/{$link['id']}");
foreach (['vehicles' => 400, 'turns' => 500, 'clients' => 1500, 'readings' => 5000] as $kind => $n) {
    $rows = array_map(
        static fn(int $i): string => match ($kind) {
            'vehicles' => "Van {$i},van,bare",
            'clients' => "Client {$i},01700 {$i}",
            'turns' => "Van {$i},2026-11-01T09:00:00Z,two-mitts,tap,2",
            'readings' => "Van {$i},2026-11-01T09:00:00Z,paint,after_wash,good",
        },
        range(1, $n),
    );
    $head = [
        'vehicles' => 'name,body,base',
        'clients' => 'name,phone',
        'turns' => 'vehicle,worked_at,method,water,soil',
        'readings' => 'vehicle,worked_at,zone,stage,behaviour',
    ][$kind];
    $note(
        "{$n} {$kind} as a table, looked at",
        $owner->post("api/v1/book/{$kind}", [
            RequestOptions::JSON => ['text' => $head . "\n" . implode("\n", $rows), 'commit' => false],
        ]),
    );
}
$note(
    '2000 products as a table, looked at',
    $owner->post('api/v1/products/import', [
        RequestOptions::JSON => [
            'text' =>
                "name,role,surfaces\n" .
                implode("\n", array_map(static fn(int $i): string => "Soap {$i},soap,paint", range(1, 2000))),
            'format' => 'csv',
            'commit' => false,
        ],
    ]),
);
arsort($costs);
printf("\n%-58s %18s   %s\n", 'The dearest requests within the limits', 'processor', 'status; ≤ 1000 ms');
foreach (array_slice($costs, 0, 16) as $what => $ms) {
    printf("%-58s %15d ms   %d%s\n", $what, $ms, $said[$what], $ms > 1000 ? '   over' : '');
}
printf("%-58s %18s\n", 'Asked in all', (string) count($costs));
printf("\n%-58s %18s   %s\n", 'Beyond them', 'processor', 'status');
foreach ($beyond as $what => [$path, $body]) {
    $answer = $owner->post("api/v1/{$path}", [RequestOptions::JSON => $body]);
    printf("%-58s %15d ms   %d\n", $what, (int) $answer->getHeaderLine('X-Cost-Ms'), $answer->getStatusCode());
}

// One account asks for the dearest things, twelve at a time; another looks who it is, four times a second.
$other = signedIn($url, getenv('VICISSA_OTHER') ?: 'tam@marram-sedge.example');
$pid = pcntl_fork();
if ($pid === 0) {
    $until = time() + 12;
    $asks = static function () use ($worst, $until): iterable {
        for ($i = 0; time() < $until; $i++) {
            [$path, $body] = array_values($worst)[$i % count($worst)];
            yield new Request(
                'POST',
                "api/v1/{$path}",
                ['Content-Type' => 'application/json'],
                (string) json_encode($body),
            );
        }
    };
    (new Pool($owner, $asks(), ['concurrency' => 12]))->promise()->wait();
    exit(0);
}
sleep(1);
$times = [];
for ($i = 0; $i < 40; $i++) {
    $begun = hrtime(true);
    $other->get('api/v1/me');
    $times[] = (hrtime(true) - $begun) / 1e6;
    usleep(250_000);
}
pcntl_waitpid($pid, $status);
sort($times);
printf(
    "\n%-58s %13.0f / %.0f ms   %s\n",
    '/me of others meanwhile, middle / worst',
    $times[20],
    $times[39],
    '< 300 ms',
);
