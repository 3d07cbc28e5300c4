<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Database\Demo\Isles;
use Illuminate\Console\Command;

/** Loads the Skerrow Isles, relative to today. */
final class LoadDemo extends Command
{
    protected $signature = 'vicissa:demo';

    protected $description = 'Load the demo workspace with a year of turns';

    public function handle(Isles $isles, Tenancy $tenancy): int
    {
        if (User::query()->exists()) {
            $this->error('There are people here already: the demo is loaded into an empty database only.');

            return self::FAILURE;
        }
        // Step by step, as the year was lived: in one transaction each turn would have to look past the rows all those
        // before it replaced.
        // bin/start takes a database away whose demo was not loaded to its end.
        // A year leaves few circles behind it (70 MB in all), and looking for them takes a seventh of its time.
        gc_disable();
        try {
            $told = $isles->settle();
        } finally {
            gc_enable();
        }
        $tenancy->leave();
        $this->info($told);

        return self::SUCCESS;
    }
}
