<?php

declare(strict_types=1);

/*
 * What each screen asks for, as multiples of a request that does nothing: told again while nothing has changed, and
 * computed anew, with 24 vehicles, with 200, and with 2000 and five years where there are so many (bin/bench fleet).
 */

require __DIR__ . '/../../vendor/autoload.php';
require __DIR__ . '/figures.php';

use Database\Demo\Cast;
use Database\Demo\Fleet;

const TIMES = 300;

const BEING_MADE_S = 600;

const SCREENS = ['film?limit=200', 'weeks', 'round', 'load', 'money', 'proof', 'gear'];

$base = (string) getenv('VICISSA_URL');
$jar = (string) tempnam(sys_get_temp_dir(), 'jar');
$curl = curl_init();
/** @return array{float, int, string} milliseconds, status, tag */
$ask = static function (string $path, ?array $body = null, array $more = [], string $method = '') use (
    $base,
    $jar,
    $curl,
): array {
    curl_reset($curl);
    $tag = '';
    $token = preg_match('/XSRF-TOKEN\s+(\S+)/', implode("\n", (array) curl_getinfo($curl, CURLINFO_COOKIELIST)), $found)
        ? urldecode($found[1])
        : '';
    /** @var non-empty-string $url */
    $url = $base . $path;
    curl_setopt_array(
        $curl,
        [
            CURLOPT_URL => $url,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_COOKIEFILE => $jar,
            CURLOPT_ENCODING => 'gzip',
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Content-Type: application/json',
                "Origin: {$base}",
                "X-XSRF-TOKEN: {$token}",
                ...$more,
            ],
            CURLOPT_HEADERFUNCTION => static function ($_, string $header) use (&$tag): int {
                $tag = preg_match('/^etag:\s*(\S+)/i', $header, $found) === 1 ? $found[1] : $tag;

                return strlen($header);
            },
        ] +
            ($body === null ? [] : [CURLOPT_POSTFIELDS => (string) json_encode($body)]) +
            ($method === '' ? [] : [CURLOPT_CUSTOMREQUEST => $method]),
    );
    curl_exec($curl);

    return [curl_getinfo($curl, CURLINFO_TOTAL_TIME) * 1000, (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE), $tag];
};
/** @return list<float> */
$many = static function (string $path, int $times, array $more = [], ?callable $before = null) use ($ask): array {
    $taken = [];
    for ($i = 0; $i < $times; $i++) {
        $before === null || $before($i);
        [$time, $status] = $ask($path, null, $more);
        if ($status >= 400) {
            printf("  %s answered %d\n", $path, $status);

            return [];
        }
        $taken[] = $time;
    }

    return $taken;
};
/** The share of two seconds in which the processors were at work. */
function busy(): float
{
    $read = static fn(): array => array_map(
        intval(...),
        preg_split('/\s+/', (string) strtok((string) file_get_contents('/proc/stat'), "\n")) ?: [],
    );
    $from = $read();
    sleep(2);
    $spent = array_map(static fn(int $now, int $before): int => $now - $before, $read(), $from);

    return 1.0 - ($spent[4] + $spent[5]) / max(1, array_sum($spent));
}

/** What a queue still makes of what was asked before is not what is measured here. */
function settle(): void
{
    for ($i = 0; $i < 60 && busy() > 0.2; $i++) {
        continue;
    }
}

settle();
line('health page, p95', percentile($many('/up', TIMES), 0.95), 'ms');
foreach (
    [
        'rhona@marram-sedge.example' => ['24 vehicles', 4],
        Fleet::email(200) => ['200 vehicles', 4],
        Fleet::email(2000) => ['2000 and five years', 8],
    ]
    as $email => [$name, $budget]
) {
    if (!str_contains($name, $argv[1] ?? '')) {
        continue;
    }
    curl_setopt($curl, CURLOPT_COOKIELIST, 'ALL');
    $ask('/sanctum/csrf-cookie');
    if ($ask('/api/v1/auth/sign-in', ['email' => $email, 'password' => Cast::PASSWORD])[1] >= 400) {
        echo "{$name}: not there\n";
        continue;
    }
    $many('/api/v1/ping', 20);
    settle();
    $healths = [];
    $pings = $many('/api/v1/ping', TIMES, [], static function () use (&$healths, $ask): void {
        $healths[] = $ask('/up')[0];
    });
    line("{$name}: a signed-in request that does nothing, p95", percentile($pings, 0.95), 'ms');
    line("{$name}: of the health page", percentile($pings, 0.95) / percentile($healths, 0.95), '×', '≤ 2.5');
    // A change that nobody sees: what is kept no longer holds.
    $change = static function (int $i) use ($ask): void {
        $ask('/api/v1/me', ['name' => 'Rhona ' . ($i % 2 === 0 ? 'Keel' : 'Keele')], method: 'PATCH');
    };
    foreach (SCREENS as $screen) {
        // What takes longer than a request may last is reckoned by the queue, and its page asks again until it is there.
        $asked = microtime(true);
        while ($ask("/api/v1/{$screen}")[1] === 503 && microtime(true) - $asked < BEING_MADE_S) {
            sleep(2);
        }
        if (microtime(true) - $asked > 2.0) {
            line("{$name}: {$screen}, told for the first time", microtime(true) - $asked, 's');
        }
        $ask("/api/v1/{$screen}");
        // Each beside a bare request of the same moment: the machine is another one from minute to minute.
        $bares = [];
        $bare = static function () use (&$bares, $ask): void {
            $bares[] = $ask('/api/v1/ping')[0];
        };
        $kept = $many("/api/v1/{$screen}", TIMES, [], $bare);
        if ($kept === []) {
            continue;
        }
        line(
            "{$name}: {$screen}, p95 of a bare request",
            percentile($kept, 0.95) / percentile($bares, 0.95),
            '×',
            "≤ {$budget}",
        );
        $tag = $ask("/api/v1/{$screen}")[2];
        $bares = [];
        $held = $many("/api/v1/{$screen}", 60, ["If-None-Match: {$tag}"], $bare);
        line("{$name}: {$screen}, still holds (304)", percentile($held, 0.95) / percentile($bares, 0.95), '×');
        $bares = [];
        $anew = $many("/api/v1/{$screen}", 20, [], static function (int $i) use ($change, $bare): void {
            $bare();
            $change($i);
        });
        line(
            "{$name}: {$screen}, computed after a change, median of a bare request's",
            $anew === [] ? 0.0 : percentile($anew, 0.5) / percentile($bares, 0.5),
            '×',
            "{$budget}, were it so",
        );
    }
}
unlink($jar);
