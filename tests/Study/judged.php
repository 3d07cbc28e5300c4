<?php

declare(strict_types=1);

/*
 * Whether right forecasts are called right however layers are renewed, whether narrow ones are found, whether bands hold what they
 * say, and how many layers fail before they are renewed at a rhythm of visits.
 *   php tests/Study/judged.php [trials]
 */

require __DIR__ . '/../../vendor/autoload.php';

use Tests\Study\Luck;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Learnt\LearntLife;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Protection\Life\RenewalVisit;
use Vicissa\Core\Protection\Proof\Calibration;
use Vicissa\Core\Protection\Proof\Foretold;
use Vicissa\Core\Protection\Proof\SurvivalCurve;

$trials = (int) ($argv[1] ?? 300);
/** A life as visits about once a week see it. */
$read = static function (Luck $luck, float $life, float $until): FailureInterval {
    $held = 0.0;
    for ($wear = $luck->even(); $wear <= $until; $wear += 0.7 + 0.6 * $luck->even()) {
        if ($wear >= $life) {
            return FailureInterval::of($held, $wear);
        }
        $held = $wear;
    }

    return FailureInterval::of($held);
};

echo "Were we right: of 100 judgements, by when layers are renewed (n layers of 12 vehicles)\n";
foreach ([30, 60, 120] as $n) {
    foreach (['right' => 1.0, 'true spread 1.5 times' => 1.5, 'true middle 0.7 times' => 1.0] as $what => $times) {
        foreach (['p50' => 0.5, 'p30' => 0.3, 'p10' => 0.1, 'never' => 1.0] as $when => $share) {
            $found = [];
            for ($trial = 0; $trial < $trials; $trial++) {
                $luck = new Luck(7919 * $n + $trial);
                $all = [];
                for ($i = 0; $i < $n; $i++) {
                    $middle = log(6.0 + 6.0 * $luck->even());
                    $spread = 0.3 + 0.2 * $luck->even();
                    $quantiles = [];
                    foreach (range(10, 90, 10) as $percent) {
                        $quantiles[$percent] = exp($middle + $spread * Normal::quantile($percent / 100.0));
                    }
                    $life = exp(
                        $middle + $times * $spread * $luck->normal() + (str_contains($what, '0.7') ? log(0.7) : 0.0),
                    );
                    $until = $share < 1.0 ? exp($middle + $spread * Normal::quantile($share)) : INF;
                    $all[] = new Foretold($quantiles, $read($luck, $life, $until), 'v' . $i % 12);
                }
                $judged = Calibration::of($all);
                $key = $judged->place->value . ' / ' . $judged->spread->value;
                $found[$key] = ($found[$key] ?? 0) + 1;
            }
            arsort($found);
            printf(
                "  n %3d  %-22s renewed at %-5s  %s\n",
                $n,
                $what,
                $when,
                implode(
                    ', ',
                    array_map(
                        static fn(string $k, int $v): string => sprintf('%s %.0f', $k, (100 * $v) / $trials),
                        array_keys($found),
                        $found,
                    ),
                ),
            );
        }
    }
}

echo "The band of 80: share of true curves within it, by layers and wear (as quantile of life); half of the layers renewed at p30 (0.69 of the middle)\n";
foreach ([6, 10, 20, 60] as $n) {
    foreach (['none renewed' => 0.0, 'half renewed' => 0.5] as $what => $renewed) {
        $in = $drawn = array_fill_keys(['0.1', '0.25', '0.5', '0.75', '0.9'], 0);
        for ($trial = 0; $trial < $trials; $trial++) {
            $luck = new Luck(104729 * $n + $trial);
            $lives = [];
            for ($i = 0; $i < $n; $i++) {
                $life = 8.0 * exp(0.35 * $luck->normal());
                $lives[] = $read($luck, $life, $luck->even() < $renewed ? 8.0 * exp(-0.524 * 0.35) : INF);
            }
            $curve = SurvivalCurve::of($lives, $trial);
            foreach ([0.1, 0.25, 0.5, 0.75, 0.9] as $share) {
                $wear = 8.0 * exp(0.35 * Normal::quantile($share));
                $band = $curve->band($wear);
                if ($band !== null) {
                    $drawn[(string) $share]++;
                    $in[(string) $share] =
                        ($in[(string) $share] ?? 0) + ($band[0] <= 1.0 - $share && 1.0 - $share <= $band[1] ? 1 : 0);
                }
            }
        }
        printf('  n %2d %s ', $n, $what);
        foreach ($drawn as $share => $many) {
            printf(
                '  p%d %.0f (drawn %.0f)',
                100 * (float) $share,
                (100 * $in[$share]) / max(1, $many),
                (100 * $many) / $trials,
            );
        }
        echo "\n";
    }
}

echo "Caution: of 100 layers renewed by the rule, how many had failed before, by the rhythm of visits\n";
foreach ([0.1, 0.3, 0.5] as $asked) {
    printf('  asked %.0f: ', 100 * $asked);
    foreach ([0.6, 1.0, 1.5, 2.0, 3.0] as $rhythm) {
        $failed = $all = 0;
        for ($trial = 0; $trial < 20 * $trials; $trial++) {
            $luck = new Luck(15485863 + $trial);
            $low = 4.0 + 8.0 * $luck->even();
            static $models = [];
            $low = round($low);
            $model = $models[(string) $low] ??= (new LearntLife($low, 2.0 * $low))->forecast(null, null);
            $visits = array_map(static fn(int $i): float => $i * $rhythm, range(1, 60));
            $at = $visits[RenewalVisit::atShare($model, $visits, $asked, $luck->even())->index];
            // A life drawn from what is foretold.
            $life = $model->quantile(min(0.999, max(0.001, $luck->even())));
            $all++;
            $failed += $life < $at ? 1 : 0;
        }
        printf('  every %.1f: %.1f', $rhythm, (100 * $failed) / $all);
    }
    echo "\n";
}
