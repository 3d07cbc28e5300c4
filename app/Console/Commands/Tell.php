<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Tenancy\EachWorkspace;
use App\Weeks\TellClients;
use Illuminate\Console\Command;

/** What waits to be said to clients, outside the quiet hours. */
final class Tell extends Command
{
    protected $signature = 'vicissa:tell';

    protected $description = 'Write to clients what waits to be said, outside the quiet hours';

    public function handle(EachWorkspace $eachWorkspace, TellClients $tellClients): int
    {
        $letters = 0;
        $eachWorkspace(static function () use ($tellClients, &$letters): void {
            $letters += $tellClients();
        });
        $this->line("{$letters} letters.");

        return self::SUCCESS;
    }
}
