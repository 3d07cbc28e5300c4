<?php

declare(strict_types=1);

/* What is seen in Chromium: the film drawn, the first load on a slow phone, an hour of polling (bin/bench). */

require __DIR__ . '/../../vendor/autoload.php';
require __DIR__ . '/figures.php';

use Database\Demo\Cast;
use Database\Demo\Fleet;
use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\BrowserTestCase;

// First load: what the film needs before it is drawn
$build = __DIR__ . '/../../public/build/';
$manifest = json_decode((string) file_get_contents("{$build}manifest.json"), true);
$needed = [];
$walk = static function (string $key) use (&$walk, &$needed, $manifest, $build): void {
    if (!isset($needed[$key])) {
        $file = $build . $manifest[$key]['file'];
        $needed[$key] = [
            strlen((string) gzencode((string) file_get_contents($file), 9)),
            is_file("{$file}.br") ? (int) filesize("{$file}.br") : (int) filesize($file),
        ];
        array_map($walk, $manifest[$key]['imports'] ?? []);
    }
};
array_map($walk, ['resources/ui/early.ts', 'resources/ui/main.ts']);
line('script before the film is drawn, gzip', array_sum(array_column($needed, 0)) / 1000, 'kB', '≤ 230');
line('  and brotli', array_sum(array_column($needed, 1)) / 1000, 'kB');

$base = (string) getenv('VICISSA_URL');
$enter = static function (RemoteWebDriver $browser, string $email) use ($base): bool {
    $browser->get("{$base}/up");
    $status = $browser->executeAsyncScript(
        <<<'JS'
        const [email, password, done] = arguments
        ;(async () => {
          await fetch('/sanctum/csrf-cookie')
          const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1])
          const answer = await fetch('/api/v1/auth/sign-in', {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token },
            body: JSON.stringify({ email, password }),
          })
          done(answer.status)
        })()
        JS
        ,
        [$email, Cast::PASSWORD],
    );

    return $status < 400;
};
$sees = static function (RemoteWebDriver $browser, int $count): void {
    $browser
        ->wait(60)
        ->until(
            static fn(): bool => (int) $browser->executeScript(
                'return [...document.querySelectorAll("h2.group .count")].reduce((sum, one) => sum + Number(one.textContent), 0)',
            ) === $count && $browser->findElements(WebDriverBy::cssSelector('a.row')) !== [],
        );
};

foreach ([200 => 100, 2000 => 200] as $count => $budget) {
    $browser = BrowserTestCase::open(1280, 800);
    try {
        if (!$enter($browser, Fleet::email($count))) {
            continue;
        }
        $browser->get("{$base}/");
        $sees($browser, $count);
        $draws = [];
        for ($i = 0; $i < 12; $i++) {
            // Nobody is called that, so there is nothing; then all of them again.
            $browser->executeScript(
                'const search = document.querySelector(".search input"); search.value = "nobody at all"; search.dispatchEvent(new Event("input", { bubbles: true }))',
            );
            $browser
                ->wait(10, 50)
                ->until(
                    static fn(): bool => $browser->findElements(WebDriverBy::cssSelector('.nothing button')) !== [],
                );
            usleep(300_000);
            $draws[] = (float) $browser->executeAsyncScript(
                'const done = arguments[0]; const start = performance.now(); document.querySelector(".nothing button").click();
                requestAnimationFrame(() => setTimeout(() => done(document.querySelector("a.row") ? performance.now() - start : 1e9)))',
            );
        }
        line(
            "film of {$count} vehicles, from nothing to drawn",
            percentile(array_slice($draws, 2), 0.5),
            'ms',
            "≤ {$budget}",
        );
    } finally {
        $browser->quit();
    }
}

// The first load of all: nothing on the phone but who it is.
$browser = BrowserTestCase::open(390, 844);
try {
    $enter($browser, 'rhona@marram-sedge.example');
    $tools = new ChromeDevToolsDriver($browser);
    $tools->execute('Network.enable');
    $loads = [];
    for ($i = 0; $i < 7; $i++) {
        $browser->get('about:blank');
        $tools->execute('Storage.clearDataForOrigin', [
            'origin' => $base,
            'storageTypes' => 'service_workers,cache_storage,indexeddb,local_storage',
        ]);
        $tools->execute('Network.clearBrowserCache');
        $tools->execute('Emulation.setCPUThrottlingRate', ['rate' => 4]);
        $browser->get("{$base}/");
        $browser
            ->wait(30)
            ->until(
                static fn(): bool => (bool) $browser->executeScript(
                    'return performance.getEntriesByName("first-ribbon").length > 0',
                ),
            );
        $loads[] = (float) $browser->executeScript(
            'return performance.getEntriesByName("first-ribbon")[0]?.startTime ?? 1e9',
        );
        $tools->execute('Emulation.setCPUThrottlingRate', ['rate' => 1]);
    }
    line('first load on a phone slowed four times, to the first ribbon', percentile($loads, 0.5), 'ms', '≤ 2000');

    // An hour of polling, in a time that leaps: only answers are waited for.
    $browser->get("{$base}/");
    $heap = static function () use ($tools): float {
        $tools->execute('HeapProfiler.collectGarbage');

        return $tools->execute('Runtime.getHeapUsage')['usedSize'] / 1e6;
    };
    sleep(3);
    $leap = static function (int $seconds) use ($tools, $browser): void {
        $tools->execute('Emulation.setVirtualTimePolicy', [
            'policy' => 'pauseIfNetworkFetchesPending',
            'budget' => 1000 * $seconds,
        ]);
        $browser->wait(120, 500)->until(static fn(): bool => (bool) $browser->executeScript('return true'));
    };
    $leap(300);
    sleep(8);
    $first = $heap();
    $before = (int) $browser->executeScript('return performance.getEntriesByType("resource").length');
    $leap(3600);
    sleep(30);
    $last = $heap();
    line('an hour of polling: memory at its begin', $first, 'MB');
    line('an hour of polling: memory at its end', $last, 'MB', sprintf('≤ %.1f, flat', $first * 1.1));
} finally {
    $browser->quit();
    BrowserTestCase::tearDownAfterClass();
}
