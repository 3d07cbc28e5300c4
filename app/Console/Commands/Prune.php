<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Archive\ArchiveFiles;
use App\Archive\ArchiveRun;
use App\Door\TakeAway;
use App\Tenancy\EachWorkspace;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;

/**
 * Forgets what has no more use: answered keys after a week, kept messages after a quarter, files of archives after a
 * day.
 */
final class Prune extends Command
{
    protected $signature = 'vicissa:prune';

    protected $description = 'Take away who has left and what has ended, forget old keys and kept messages';

    public function handle(
        EachWorkspace $eachWorkspace,
        ClockInterface $clock,
        TakeAway $takeAway,
        ArchiveFiles $files,
    ): int {
        $takeAway();
        $old = $clock
            ->now()
            ->modify('-' . ArchiveRun::KEPT_HOURS . ' hours')
            ->getTimestamp();
        $files->prune($old);
        // What is kept in the database goes only when somebody asks for it again.
        foreach (['cache', 'cache_locks'] as $table) {
            DB::table($table)
                ->where('expiration', '<', $clock->now()->getTimestamp())
                ->delete();
        }
        $eachWorkspace(static function () use ($clock): void {
            DB::table('idempotency_keys')
                ->where('created_at', '<', $clock->now()->modify('-7 days'))
                ->delete();
            DB::table('outbox_messages')
                ->where('created_at', '<', $clock->now()->modify('-90 days'))
                ->delete();
        });

        return self::SUCCESS;
    }
}
