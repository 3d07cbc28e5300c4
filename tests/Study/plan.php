<?php

declare(strict_types=1);

/*
 * How near the search comes to the best plan that is known of each of some drawn weeks, and how near the bound (bin/study plan).
 *   php tests/Study/plan.php [which]        one search each, as anybody asks for it
 *   php tests/Study/plan.php better [which] searches much longer, from several seeds; what is better is written down
 */

require __DIR__ . '/../../vendor/autoload.php';

use Tests\Study\PlanSuite;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Planning\Unmet;

/** Shakes a vehicle where the best is sought: ten times as many as anybody waits for, and more. */
const LONGER = 600;

$longer = ($argv[1] ?? '') === 'better';
$which = $argv[$longer ? 2 : 1] ?? '';
$known = PlanSuite::known();
$gaps = $proven = $seconds = [];
foreach (PlanSuite::weeks() as $name => $instance) {
    if (preg_match("/{$which}/", $name) !== 1) {
        continue;
    }
    $best = $known[$name] ?? INF;
    foreach ($longer ? [11, 12] : [1] as $seed) {
        $begun = microtime(true);
        $plan = Planner::plan($instance, $longer ? LONGER * count($instance->vehicles) : 0, $seed);
        $took = microtime(true) - $begun;
        // Of what can't be met as little as possible; then points.
        $cost = round(
            $plan->cost->total + 1e6 * count(array_filter($plan->unmet, static fn(Unmet $one): bool => $one->binding)),
            3,
        );
        $best = $known[$name] ?? INF;
        if ($longer && $cost < $best - 1e-6) {
            $known[$name] = $best = $cost;
            PlanSuite::keep($known);
        }
    }
    $points = fmod($best, 1e6);
    $gaps[] = is_finite($best) ? (100.0 * ($cost - $best)) / $points : NAN;
    $proven[] = 100.0 * (1.0 - $plan->bound / max(1e-9, $plan->cost->total));
    $seconds[] = $took;
    printf(
        "%-24s %9.1f  best known %9.1f  %+5.1f %%  proven within %4.1f %%  %5.1f s  %d unmet\n",
        $name,
        $plan->cost->total,
        $points,
        end($gaps),
        end($proven),
        $took,
        count($plan->unmet),
    );
}
sort($gaps);
sort($proven);
sort($seconds);
$middle = static fn(array $of): float => $of[intdiv(count($of), 2)];
printf(
    "%d weeks: %.1f %% over the best known in the median (2 wanted), %.1f %% at worst (10); proven within %.1f %% (6); %.1f s, %.1f s at worst (5)\n",
    count($gaps),
    $middle($gaps),
    end($gaps),
    $middle($proven),
    $middle($seconds),
    end($seconds),
);
