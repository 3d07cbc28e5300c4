<?php

declare(strict_types=1);

/*
 * Prints the figures of the core beside the design's budgets and the run before (bin/bench). Absolute times belong to the
 * machine; the ratios are what to compare.
 */

require __DIR__ . '/../../vendor/autoload.php';

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
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Visit;
use Vicissa\Core\Visit\WhatIf;

require __DIR__ . '/figures.php';

// plan: as far as the search goes by itself, and what it can prove
foreach (
    [
        [24, 56, 2, '≤ 5000', '≤ 4'],
        [60, 56, 3, '≤ 5000', '≤ 6, median of the suite'],
        [400, 56, 26, '≤ 60 000, in the queue', '≤ 12'],
        [2000, 56, 125, '≤ 300 000, in the queue', ''],
    ]
    as [$count, $days, $crews, $budget, $within]
) {
    $instance = Instances::draw(5, $count, $days, $crews);
    $quick = hrtime(true);
    $soon = Planner::plan($instance, told: static fn(): bool => hrtime(true) - $quick < 0.7e9);
    $took = (hrtime(true) - $quick) / 1e6;
    $begin = hrtime(true);
    $heard = 0.0;
    $plan = Planner::plan(
        $instance,
        told: static function () use ($begin, &$heard): bool {
            $heard = $heard ?: (hrtime(true) - $begin) / 1e6;

            return true;
        },
    );
    line("plan, {$count} vehicles, eight weeks, {$crews} crews", (hrtime(true) - $begin) / 1e6, 'ms', $budget);
    line(
        "  {$count}: proven to be within, of the best",
        (100 * ($plan->cost->total - $plan->bound)) / max(1.0, $plan->cost->total),
        '%',
        $within,
    );
    line("  {$count}: first heard of after", $heard, 'ms', '≤ 1000');
    line("  {$count}: stopped after 0.7 s, an answer after", $took, 'ms', $count < 100 ? '≤ 1000' : '');
    line(
        "  {$count}: and dearer than the whole search by",
        (100 * ($soon->cost->total - $plan->cost->total)) / max(1.0, $plan->cost->total),
        '%',
    );
    line("  {$count}: memory at most, so far", memory_get_peak_usage() / 1e6, 'MB', '≤ 200');
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
line('due, 400 vehicles with six quantiles each', percentile($runs, 0.5), 'ms', '≤ 1000');

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
line('sheet, a visit of 21 steps for one', $figure(static fn() => Scheduler::earliest(1, $tasks), 20), 'ms', '≤ 200');
$scene = Scene::of(['soil' => 4, 'on' => ['insects', 'tar'], 'due' => -3.0]);
line(
    'a whole visit: match, doses, steps, schedule for two',
    $figure(static fn() => Visit::of($scene, Schools::of(), new Outfit(2, Body::Estate)), 20),
    'ms',
    '',
);
line(
    'window, fresh foam on a cool still morning',
    $figure(static fn() => WorkingWindow::of($air, new Panel(0.85, 2700.0, 12.0), 0.25), 40),
    'ms',
    '≤ 3',
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
    $figure(static fn() => DayCurve::of($day, Tone::Dark, Material::Steel, Film::BeadedRinse), 20),
    'ms',
    '≤ 60',
);
$scene = Scene::of(['soil' => 4, 'grit' => true, 'due' => 3]);
line('match, 21 products', $figure(static fn() => TurnMatch::of($scene, Schools::of()), 40), 'ms', '');
line(
    'what every other side would change',
    $figure(static function () use ($scene): array {
        $outfit = new Outfit(1, Body::Estate);

        return WhatIf::otherwise($scene, Schools::of(), $outfit, Laying::of($scene, Schools::of(), $outfit));
    }, 10),
    'ms',
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
    $figure(static fn() => YearAhead::of($subject, $regime, 1, 300), 5),
    'ms',
    '',
);
