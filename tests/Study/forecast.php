<?php

declare(strict_types=1);

/*
 * How often true lives lie where the forecast says, in worlds of which it knows nothing (bin/study forecast).
 *   php tests/Study/forecast.php [histories] [vehicles beside] [worlds]
 */

require __DIR__ . '/../../vendor/autoload.php';

use Tests\Study\ForecastStudy;
use Tests\Study\World;

[$histories, $beside, $which] = [(int) ($argv[1] ?? 500), (int) ($argv[2] ?? 0), $argv[3] ?? ''];
printf(
    "%d histories each, %d vehicles beside. True lives in the 80 %% interval (74 to 86 wanted); the median beside the life; CRPS of ln life; in brackets with fixed spreads (domain 14.9)\n",
    $histories,
    $beside,
);
foreach (World::all() as $world) {
    if (preg_match("/{$which}/", $world->name) !== 1) {
        continue;
    }
    echo "{$world->name}\n";
    foreach ((new ForecastStudy($world, $histories, $beside))->run() as $found) {
        printf(
            "  %2d own  in %4.1f (%4.1f)  median %+5.1f %% (%+5.1f)  CRPS %.3f (%.3f) %+5.1f %%  product off by %.2f  %.1f ms\n",
            $found->own,
            $found->coverage(),
            $found->coverage('fixed'),
            100.0 * ($found->middle() - 1.0),
            100.0 * ($found->middle('fixed') - 1.0),
            $found->crps(),
            $found->crps('fixed'),
            100.0 * ($found->crps() / $found->crps('fixed') - 1.0),
            $found->productOff(),
            $found->milliseconds(),
        );
    }
}
