<?php

declare(strict_types=1);

/*
 * Prints the figures of the design's budgets that exist so far. Run by bin/bench, which sets up the stack and the
 * fleet. Absolute times belong to the machine; the ratios are what to compare.
 */

require __DIR__ . '/../../vendor/autoload.php';

use Database\Demo\Cast;
use Database\Demo\Fleet;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\BrowserTestCase;
use Vicissa\Core\Ahead\Regime;
use Vicissa\Core\Ahead\Subject;
use Vicissa\Core\Ahead\TopperRule;
use Vicissa\Core\Ahead\YearAhead;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\DayCurve;
use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Panel;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\Drying\WorkingWindow;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Sheet\Schedule\Dwell;
use Vicissa\Core\Sheet\Schedule\Scheduler;
use Vicissa\Core\Sheet\Schedule\Task;
use Vicissa\Core\Tests\Matching\Scene;
use Vicissa\Core\Tests\Planning\Instances;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Visit;
use Vicissa\Core\Visit\WhatIf;

function line(string $what, string $figure, string $budget): void
{
    printf("%-58s %18s   %s\n", $what, $figure, $budget);
}

/** @param list<float> $values */
function percentile(array $values, float $share): float
{
    sort($values);

    return $values[(int) floor($share * (count($values) - 1))];
}

// plan: as far as the search goes by itself, and what it can prove
foreach ([[24, 56, 2, '≤ 5000 ms'], [400, 56, 26, '≤ 60 000 ms, in the queue']] as [$count, $days, $crews, $budget]) {
    $instance = Instances::draw(5, $count, $days, $crews);
    $begin = hrtime(true);
    $plan = Planner::plan($instance);
    line(
        "plan, {$count} vehicles, eight weeks, {$crews} crews",
        sprintf('%.0f ms', (hrtime(true) - $begin) / 1e6),
        $budget,
    );
    line(
        '  proven to be within',
        sprintf('%.1f %%', (100 * ($plan->cost->total - $plan->bound)) / max(1.0, $plan->cost->total)),
        'of the best',
    );
}

// due: 400 vehicles of one product with three earlier layers each
mt_srand(1);
$model = new LifeModel(4.0, 10.0);
$layers = [];
for ($i = 0; $i < 400; $i++) {
    for ($k = 0; $k < 3; $k++) {
        $held = mt_rand(10, 80) / 10;
        $layers[$i][] = FailureInterval::of($held, $held + 1.0);
    }
}
$runs = [];
for ($run = 0; $run < 5; $run++) {
    $start = hrtime(true);
    $curves = array_map($model->vehicleEvidence(...), $layers);
    $sum = LifeModel::together(array_values($curves));
    foreach ($layers as $i => $own) {
        $life = $model->forecast(
            array_map(static fn(float $all, float $one): float => $all - $one, $sum, $curves[$i]),
            $own,
            1.5,
        );
        foreach ([0.1, 0.15, 0.3, 0.5, 0.7, 0.9] as $risk) {
            $life->quantile($risk);
        }
    }
    $runs[] = (hrtime(true) - $start) / 1e6;
}
line('due, 400 vehicles with six quantiles each', sprintf('%.0f ms', percentile($runs, 0.5)), 'budget 1000 ms');

// window, and the match with what every other side would change
$air = new Air(12.0, 0.8, 1.0, 150.0);
$figure = static function (callable $work, int $times): float {
    $runs = [];
    for ($i = 0; $i < $times; $i++) {
        $start = hrtime(true);
        $work();
        $runs[] = (hrtime(true) - $start) / 1e6;
    }

    return percentile($runs, 0.5);
};
$visit = json_decode((string) file_get_contents(__DIR__ . '/../../core/tests/vectors/sheet.json'), true)[0]['input'];
$tasks = array_map(
    static fn(array $step): Task => new Task(
        $step['id'],
        $step['minutes'],
        after: $step['after'] ?? [],
        dwell: isset($step['dwell'])
            ? new Dwell($step['dwell']['of'], $step['dwell']['min'], $step['dwell']['max'])
            : null,
    ),
    array_values($visit['steps']),
);
line(
    'sheet, a visit of 21 steps for one',
    sprintf('%.1f ms', $figure(static fn() => Scheduler::earliest(1, $tasks), 20)),
    'budget 200 ms',
);
$scene = Scene::of(['soil' => 4, 'on' => ['insects', 'tar'], 'due' => -3.0]);
line(
    'a whole visit: match, doses, steps, schedule for two',
    sprintf('%.1f ms', $figure(static fn() => Visit::of($scene, Schools::of(), new Outfit(2, Body::Estate)), 20)),
    '',
);
line(
    'window, fresh foam on a cool still morning',
    sprintf('%.1f ms', $figure(static fn() => WorkingWindow::of($air, new Panel(0.85, 2700.0, 12.0), 0.25), 40)),
    'budget 3 ms',
);
$day = array_map(
    static fn(int $hour): Air => new Air(
        10.0 + 6.0 * sin(($hour / 24.0) * M_PI),
        0.75,
        2.0,
        max(0.0, 600.0 * sin((($hour - 6) / 12.0) * M_PI)),
    ),
    range(0, 23),
);
line(
    'a day’s drying curve, 24 hours',
    sprintf('%.0f ms', $figure(static fn() => DayCurve::of($day, Tone::Dark, Material::Steel, Film::BeadedRinse), 20)),
    'budget 60 ms',
);
$scene = Scene::of(['soil' => 4, 'grit' => true, 'due' => 3]);
line('match, 21 products', sprintf('%.1f ms', $figure(static fn() => TurnMatch::of($scene, Schools::of()), 40)), '');
line(
    'what every other side would change',
    sprintf(
        '%.0f ms',
        $figure(static fn() => WhatIf::otherwise($scene, Schools::of(), new Outfit(1, Body::Estate)), 10),
    ),
    '',
);

$subject = new Subject(8.0, 0.25, 0.25, array_fill(0, 365, 0.13), array_fill(0, 365, false), 3.0, 0.15, 1.0, 4);
$regime = new Regime(
    'By forecast',
    14,
    null,
    TopperRule::Forecast,
    8.0,
    0.3,
    1.0,
    false,
    0.8,
    5,
    ['wash' => 70.0, 'topper' => 15.0],
    ['wash' => 120.0, 'topper' => 20.0],
    ['wash' => 150.0, 'topper' => 80.0],
);
line(
    'a year ahead, 300 trials of one vehicle',
    sprintf('%.0f ms', $figure(static fn() => YearAhead::of($subject, $regime, 1, 300), 5)),
    '',
);

// API calls against a bare signed-in request
$base = (string) getenv('VICISSA_URL');
$jar = tempnam(sys_get_temp_dir(), 'jar') ?: throw new RuntimeException('There is no room for a cookie jar.');
$request = static function (string $path, ?array $body = null) use ($base, $jar): float {
    $curl = curl_init($base . $path);
    $token = preg_match('/XSRF-TOKEN\s+(\S+)/', (string) file_get_contents($jar), $found) ? urldecode($found[1]) : '';
    curl_setopt_array(
        $curl,
        ($body === null ? [] : [CURLOPT_POSTFIELDS => (string) json_encode($body)]) + [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_COOKIEFILE => $jar,
            CURLOPT_COOKIEJAR => $jar,
            CURLOPT_ENCODING => 'gzip',
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Content-Type: application/json',
                "Origin: {$base}",
                "X-XSRF-TOKEN: {$token}",
            ],
        ],
    );
    curl_exec($curl);
    $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
    if ($status >= 400) {
        throw new RuntimeException("{$path} answered {$status}.");
    }
    $time = curl_getinfo($curl, CURLINFO_TOTAL_TIME) * 1000;
    // The jar is written when the handle goes.
    unset($curl);

    return $time;
};
$p95 = static function (string $path, ?array $body = null) use ($request): float {
    $times = [];
    for ($i = 0; $i < 45; $i++) {
        $time = $request($path, $body);
        if ($i >= 5) {
            $times[] = $time;
        }
    }

    return percentile($times, 0.95);
};
foreach (
    ['rhona@marram-sedge.example' => 'demo, 24 vehicles', Fleet::EMAIL => 'fleet, 200 vehicles']
    as $email => $name
) {
    file_put_contents($jar, '');
    $request('/sanctum/csrf-cookie');
    $request('/api/v1/auth/sign-in', ['email' => $email, 'password' => Cast::PASSWORD]);
    $bare = $p95('/api/v1/ping');
    line("p95 of a bare signed-in request ({$name})", sprintf('%.0f ms', $bare), '');
    foreach (
        [
            '/api/v1/film',
            '/api/v1/vehicles?limit=50',
            '/api/v1/products?limit=200',
            '/api/v1/me',
            '/api/v1/round',
            '/api/v1/water',
            '/api/v1/gear',
            '/api/v1/sheets',
            '/api/v1/pulse',
            '/api/v1/proof',
            '/api/v1/weeks',
            '/api/v1/load',
            '/api/v1/money',
            '/api/v1/drill',
            '/api/v1/changes',
        ]
        as $path
    ) {
        $time = $p95($path);
        line("  p95 of {$path}", sprintf('%.0f ms = %.1f×', $time, $time / $bare), 'budget 4×');
    }
    $asked = [
        'vehicle' => ['paint_m2' => 12, 'stacks' => ['paint' => ['base' => ['family' => 'ceramic']]]],
        'seen' => ['soil' => 3],
        'place' => ['water' => 'tap'],
        'weather' => ['air_c' => 12, 'rh' => 0.8, 'wind_m_s' => 2, 'sun_w_m2' => 100],
    ];
    $time = $p95('/api/v1/bench/match', $asked);
    line('  p95 of /api/v1/bench/match', sprintf('%.0f ms = %.1f×', $time, $time / $bare), 'budget 4×');
}
unlink($jar);

// First load: what the film needs before it is drawn
$manifest = json_decode((string) file_get_contents(__DIR__ . '/../../public/build/manifest.json'), true);
$needed = [];
$walk = static function (string $key) use (&$walk, &$needed, $manifest): void {
    if (!isset($needed[$key])) {
        $needed[$key] = strlen(
            (string) gzencode(
                (string) file_get_contents(__DIR__ . '/../../public/build/' . $manifest[$key]['file']),
                6,
            ),
        );
        array_map($walk, $manifest[$key]['imports'] ?? []);
    }
};
array_map($walk, ['resources/ui/main.ts', 'resources/ui/places/film/FilmPlace.vue']);
line('compressed script before the film is drawn', sprintf('%.0f kB', array_sum($needed) / 1000), 'budget 230 kB');

// The film of 200 vehicles, drawn in Chromium
$browser = BrowserTestCase::open(1280, 800);
try {
    $browser->get($base . '/sign-in');
    $browser->wait(20)->until(static fn(): bool => $browser->findElements(WebDriverBy::name('email')) !== []);
    $browser->findElement(WebDriverBy::name('email'))->sendKeys(Fleet::EMAIL);
    $browser->findElement(WebDriverBy::name('password'))->sendKeys(Cast::PASSWORD)->submit();
    $browser
        ->wait(20)
        ->until(static fn(): bool => count($browser->findElements(WebDriverBy::cssSelector('a.row'))) === 200);
    $draws = [];
    for ($i = 0; $i < 12; $i++) {
        $draws[] = (float) $browser->executeAsyncScript('const done = arguments[0]; const toggle = document.querySelector("button[aria-pressed]"); toggle.click();
            requestAnimationFrame(() => setTimeout(() => { const start = performance.now(); toggle.click(); requestAnimationFrame(() => setTimeout(() => done(performance.now() - start))) }, 50))');
    }
    line(
        'film of 200 vehicles, from nothing to drawn',
        sprintf('%.0f ms', percentile(array_slice($draws, 2), 0.5)),
        'budget 100 ms',
    );
} finally {
    $browser->quit();
    BrowserTestCase::tearDownAfterClass();
}
