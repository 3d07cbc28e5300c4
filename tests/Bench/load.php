<?php

declare(strict_types=1);

/*
 * So many phones for so long: each asks for the pulse as the page does, tells what is ticked on its sheet, looks at the film
 * now and then; a turn every few seconds among all. Prints how long answers took, what they cost, what went wrong.
 *   php tests/Bench/load.php [phones] [seconds]     VICISSA_URL: the stack, with limits out of the way (bin/bench load)
 */

require __DIR__ . '/../../vendor/autoload.php';

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\RequestOptions;
use Illuminate\Support\Str;

const EACH = 5; // phones of one business
const RHYTHM_S = ['pulse' => 15.0, 'events' => 8.0, 'film' => 30.0, 'turn' => 250.0];

[$phones, $seconds] = [(int) ($argv[1] ?? 100), (int) ($argv[2] ?? 60)];
$url = getenv('VICISSA_URL') ?: 'http://127.0.0.1:8680';

/** @return array{token: string, sheets: list<string>, cars: list<string>} */
$business = static function (int $n) use ($url): array {
    $jar = new CookieJar();
    $client = new Client([
        'base_uri' => "{$url}/",
        RequestOptions::COOKIES => $jar,
        RequestOptions::HTTP_ERRORS => false,
    ]);
    $client->get('sanctum/csrf-cookie');
    $ask = static function (string $path, array $body) use ($client, $jar, $url): array {
        $answer = $client->post("api/v1/{$path}", [
            RequestOptions::JSON => $body,
            RequestOptions::HEADERS => [
                'Accept' => 'application/json',
                'Origin' => $url,
                'X-XSRF-TOKEN' => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue()),
            ],
        ]);
        $answer->getStatusCode() < 300 || exit("{$path}: {$answer->getStatusCode()} {$answer->getBody()}\n");

        return (array) json_decode((string) $answer->getBody(), true);
    };
    $name = 'Load ' . bin2hex(random_bytes(4));
    $ask('auth/register', [
        'name' => $name,
        'workspace' => $name,
        'email' => Str::slug($name) . '@example.test',
        'password' => 'sea-pink-tide',
    ]);
    [$cars, $sheets] = [[], []];
    for ($car = 0; $car < EACH; $car++) {
        $cars[] = $ask('start', [
            'name' => "Car {$car}",
            'body' => 'estate',
            'family' => 'wax',
            'since' => gmdate('Y-m-d', time() - 86400 * 60),
        ])['id'];
        $sheets[] = $ask('sheets', ['vehicle_id' => $cars[$car]])['id'];
    }

    return [
        'token' => $ask('tokens', ['name' => 'phones', 'abilities' => ['read', 'write']])['secret'],
        'sheets' => $sheets,
        'cars' => $cars,
    ];
};

printf("%d phones of %d businesses, %d s\n", $phones, (int) ceil($phones / EACH), $seconds);
$businesses = array_map($business, range(1, (int) ceil($phones / EACH)));
mt_srand(5);
$due = [];
for ($phone = 0; $phone < $phones; $phone++) {
    foreach (RHYTHM_S as $kind => $rhythm) {
        $due[] = ['at' => (mt_rand() / mt_getrandmax()) * min($rhythm, $seconds), 'kind' => $kind, 'phone' => $phone];
    }
}
$multi = curl_multi_init();
curl_multi_setopt($multi, CURLMOPT_MAX_TOTAL_CONNECTIONS, 400);
$asked = $took = $codes = $cost = [];
$seq = array_fill(0, $phones, 0);
$ask = static function (string $kind, int $phone) use (&$asked, &$seq, $multi, $businesses, $url): void {
    $one = $businesses[intdiv($phone, EACH)];
    $sheet = $one['sheets'][$phone % EACH];
    [$path, $body] = match ($kind) {
        'pulse' => ['pulse', null],
        'film' => ['film', null],
        'events' => [
            "sheets/{$sheet}/events",
            [
                'events' => [
                    [
                        'id' => Str::uuid7()->toString(),
                        'device' => sprintf('018f6e64-0000-7000-8000-%012d', $phone),
                        'seq' => ++$seq[$phone],
                        'kind' => 'note',
                        'step' => 'look',
                        'facts' => ['text' => 'n'],
                        'at' => gmdate(DATE_ATOM),
                    ],
                ],
            ],
        ],
        'turn' => [
            "vehicles/{$one['cars'][$phone % EACH]}/turns",
            [
                'id' => Str::uuid7()->toString(),
                'worked_at' => gmdate(DATE_ATOM, time() - 60 - mt_rand(0, 86400 * 20)),
                'soil' => 2,
                'method' => 'multi-towel',
                'water' => 'tap',
            ],
        ],
        default => throw new LogicException($kind),
    };
    $handle = curl_init("{$url}/api/v1/{$path}");
    curl_setopt_array($handle, [
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_HEADER => true,
        CURLOPT_TIMEOUT => 60,
        CURLOPT_PRIVATE => $kind,
        CURLOPT_HTTPHEADER => [
            "Authorization: Bearer {$one['token']}",
            'Accept: application/json',
            'Content-Type: application/json',
        ],
    ]);
    if ($body !== null) {
        curl_setopt($handle, CURLOPT_POSTFIELDS, (string) json_encode($body));
    }
    curl_multi_add_handle($multi, $handle);
    $asked[(int) spl_object_id($handle)] = $handle;
};
$begun = microtime(true);
do {
    $now = microtime(true) - $begun;
    if ($now < $seconds) {
        foreach ($due as &$one) {
            if ($one['at'] <= $now) {
                $ask($one['kind'], $one['phone']);
                $one['at'] += RHYTHM_S[$one['kind']];
            }
        }
        unset($one);
    }
    curl_multi_exec($multi, $running);
    while ($ended = curl_multi_info_read($multi)) {
        $handle = $ended['handle'];
        $kind = (string) curl_getinfo($handle, CURLINFO_PRIVATE);
        $code = (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE);
        $took[$kind][] = 1000 * curl_getinfo($handle, CURLINFO_TOTAL_TIME);
        $codes["{$kind} {$code}"] = ($codes["{$kind} {$code}"] ?? 0) + 1;
        if (preg_match('/^X-Cost-Ms: (\d+)/mi', (string) curl_multi_getcontent($handle), $found) === 1) {
            $cost[$kind][] = (int) $found[1];
        }
        if ($code >= 400 && $codes["{$kind} {$code}"] === 1) {
            fwrite(STDERR, substr((string) curl_multi_getcontent($handle), -400) . "\n");
        }
        curl_multi_remove_handle($multi, $handle);
        unset($asked[(int) spl_object_id($handle)]);
    }
    usleep(1_000);
} while ($now < $seconds || $asked !== []);
$all = array_merge(...array_values($took));
$share = static function (array $values, float $share): float {
    sort($values);

    return $values[(int) floor($share * (count($values) - 1))] ?? 0.0;
};
printf("%.1f requests a second\n", count($all) / $seconds);
foreach ([...array_keys(RHYTHM_S), 'all'] as $kind) {
    $values = $kind === 'all' ? $all : $took[$kind] ?? [];
    printf(
        "%-8s %5d   median %5.0f ms   p95 %5.0f ms   worst %5.0f ms   cost %3.0f ms\n",
        $kind,
        count($values),
        $share($values, 0.5),
        $share($values, 0.95),
        $share($values, 1.0),
        $kind === 'all' ? 0 : array_sum($cost[$kind] ?? [0]) / max(1, count($cost[$kind] ?? [])),
    );
}
$wrong = array_filter($codes, static fn(string $code): bool => !preg_match('/ 20\d$/', $code), ARRAY_FILTER_USE_KEY);
printf("went wrong: %s\n", $wrong === [] ? 'nothing' : json_encode($wrong));
