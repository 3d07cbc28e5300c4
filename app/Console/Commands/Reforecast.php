<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Book\Vehicle;
use App\Film\ForecastLayers;
use App\Tenancy\EachWorkspace;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** A day has passed: where a vehicle was not washed as expected, its dates have moved. */
final class Reforecast extends Command
{
    protected $signature = 'vicissa:reforecast';

    protected $description = 'Reckon every layer’s due date afresh';

    public function handle(EachWorkspace $eachWorkspace, ForecastLayers $forecastLayers): int
    {
        $eachWorkspace(static function () use ($forecastLayers): void {
            /** @var list<string> $ids */
            $ids = Vehicle::query()->whereNull('archived_at')->orderBy('id')->pluck('id')->all();
            DB::transaction(static fn() => $forecastLayers($ids, again: true));
        });

        return self::SUCCESS;
    }
}
