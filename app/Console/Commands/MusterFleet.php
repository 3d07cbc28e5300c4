<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Tenancy\Tenancy;
use Database\Demo\Fleet;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** For bin/bench: a workspace with many vehicles. */
final class MusterFleet extends Command
{
    protected $signature = 'vicissa:fleet {size=200 : How many vehicles} {--years=0.5 : For how long they have been washed}';

    protected $description = 'Load a workspace of many vehicles to measure with';

    public function handle(Fleet $fleet, Tenancy $tenancy): int
    {
        DB::transaction(fn() => $fleet->muster((int) $this->argument('size'), (float) $this->option('years')));
        $tenancy->leave();

        return self::SUCCESS;
    }
}
