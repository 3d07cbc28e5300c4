<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Tenancy\Tenancy;
use Database\Demo\Isles;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Loads the Skerrow Isles, relative to today. */
final class LoadDemo extends Command
{
    protected $signature = 'vicissa:demo';

    protected $description = 'Load the demo workspace with a year of turns';

    public function handle(Isles $isles, Tenancy $tenancy): int
    {
        // All of it or none: a half-loaded year would look like a real one.
        $told = DB::transaction(static fn(): string => $isles->settle());
        $tenancy->leave();
        $this->info($told);

        return self::SUCCESS;
    }
}
