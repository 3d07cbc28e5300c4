<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Proof\WeighProof;
use App\Says\Teller;
use App\Tenancy\EachWorkspace;
use Database\Demo\Cast;
use Illuminate\Console\Command;

/** Prints what the program found of each product beside the life the demo was simulated from. */
final class TellFound extends Command
{
    protected $signature = 'vicissa:found';

    protected $description = 'Lives found in the demo, beside the true ones it was simulated from';

    public function handle(EachWorkspace $eachWorkspace, WeighProof $weighProof): int
    {
        $eachWorkspace(function () use ($weighProof): void {
            $proof = $weighProof();
            $rows = [];
            /**
             * @var list<array{name: string, zone: string, layers: int, failed: int, label_low_weeks: float,
             *     label_high_weeks: float, life: float, p10: float, p90: float}> $products
             */
            $products = $proof['products'];
            foreach ($products as $one) {
                $true = Cast::TRUE_LIFE[$one['name']] ?? null;
                $rows[] = [
                    "{$one['name']}, {$one['zone']}",
                    "{$one['failed']} of {$one['layers']}",
                    "{$one['label_low_weeks']}–{$one['label_high_weeks']}",
                    sprintf('%.1f', $one['life']),
                    sprintf('%.1f–%.1f', $one['p10'], $one['p90']),
                    $true === null ? '' : sprintf('%.1f', $true),
                    $true === null ? '' : sprintf('%+.0f %%', 100.0 * ($one['life'] / $true - 1.0)),
                ];
            }
            $this->table(
                ['Product', 'Failed of layers', 'Label weeks', 'Found', '80 of 100 layers', 'True', 'Off by'],
                $rows,
            );
            $this->line(Teller::here()->tell($proof['calibration']['says']));
        });

        return self::SUCCESS;
    }
}
