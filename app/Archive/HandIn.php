<?php

declare(strict_types=1);

namespace App\Archive;

use App\Problems\Problem;
use Closure;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Notes a file that was handed in and lets the queue take it: one at a time for each workspace. */
final readonly class HandIn
{
    /** What has not ended by then was lost with its worker, and stands in nobody's way. */
    private const HOURS = 1;

    public function __construct(private ClockInterface $clock) {}

    /**
     * @param Closure(string): mixed $put     puts the file where it is told
     * @param Closure(ArchiveRun, string): mixed $send  to the queue
     */
    public function __invoke(string $by, Closure $put, Closure $send): ArchiveRun
    {
        return DB::transaction(function () use ($by, $put, $send): ArchiveRun {
            // Two at once: the second sees the first.
            DB::select("select pg_advisory_xact_lock(hashtext('hand in ' || current_setting('vicissa.workspace')))");
            $now = $this->clock->now();
            $goesOn = ArchiveRun::query()
                ->whereIn('status', ['waiting', 'running'])
                ->where('asked_at', '>', $now->modify('-' . self::HOURS . ' hours'))
                ->exists();
            if ($goesOn) {
                throw Problem::conflict(Said::of('archive.goes-on'));
            }
            $run = ArchiveRun::query()->create(['asked_by' => $by, 'asked_at' => $now]);
            $folder = storage_path('app/archives');
            is_dir($folder) || mkdir($folder, 0700, true);
            $put("{$folder}/{$run->id}");
            $send($run, "{$folder}/{$run->id}");

            return $run->refresh();
        });
    }
}
