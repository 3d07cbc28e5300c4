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
$health = percentile($many('/up', TIMES), 0.95);
line('health page, p95', $health, 'ms');
foreach (
    [
        'rhona@marram-sedge.example' => ['24 vehicles', 4],
        Fleet::email(200) => ['200 vehicles', 4],
        Fleet::email(2000) => ['2000 and five years', 8],
    ]
    as $email => [$name, $budget]
) {
    curl_setopt($curl, CURLOPT_COOKIELIST, 'ALL');
    $ask('/sanctum/csrf-cookie');
    if ($ask('/api/v1/auth/sign-in', ['email' => $email, 'password' => Cast::PASSWORD])[1] >= 400) {
        echo "{$name}: not there\n";
        continue;
    }
    $many('/api/v1/ping', 20);
    $bare = percentile($many('/api/v1/ping', TIMES), 0.95);
    line("{$name}: a signed-in request that does nothing, p95", $bare, 'ms');
    line("{$name}: of the health page", $bare / $health, '×', '≤ 2.5');
    // A change that nobody sees: what is kept no longer holds.
    $change = static function (int $i) use ($ask): void {
        $ask('/api/v1/me', ['name' => 'Rhona ' . ($i % 2 === 0 ? 'Keel' : 'Keele')], method: 'PATCH');
    };
    foreach (SCREENS as $screen) {
        // What is reckoned from more than a request may last is reckoned beforehand, by whoever keeps it.
        $ask("/api/v1/{$screen}");
        $ask("/api/v1/{$screen}");
        $kept = $many("/api/v1/{$screen}", TIMES);
        if ($kept === []) {
            continue;
        }
        line("{$name}: {$screen}, p95 of a bare request", percentile($kept, 0.95) / $bare, '×', "≤ {$budget}");
        $tag = $ask("/api/v1/{$screen}")[2];
        line(
            "{$name}: {$screen}, still holds (304)",
            percentile($many("/api/v1/{$screen}", 60, ["If-None-Match: {$tag}"]), 0.95) / $bare,
            '×',
        );
        $anew = $many("/api/v1/{$screen}", 20, [], $change);
        line(
            "{$name}: {$screen}, computed after a change, median",
            $anew === [] ? 0.0 : percentile($anew, 0.5) / $bare,
            '×',
            "{$budget}, were it so",
        );
    }
}
unlink($jar);
